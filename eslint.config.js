import prettier from "eslint-config-prettier";
import vue from "eslint-plugin-vue";
import ts from "typescript-eslint";

export default ts.config(
  { ignores: ["**/dist/**", "**/node_modules/**", "target/**", ".data/**", "web/src/api/schema.d.ts"] },
  ...ts.configs.strict,
  ...vue.configs["flat/recommended"],
  { files: ["**/*.vue"], languageOptions: { parserOptions: { parser: ts.parser } } },
  // Rules that know types: a promise that nobody waits for is an error that nobody hears.
  {
    files: ["web/src/**/*.{ts,vue}", "shop/src/**/*.ts"],
    languageOptions: {
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname, extraFileExtensions: [".vue"] },
    },
    rules: {
      "@typescript-eslint/no-floating-promises": "error",
      "@typescript-eslint/no-misused-promises": ["error", { checksVoidReturn: false }],
      "@typescript-eslint/await-thenable": "error",
    },
  },
  // The one typed client speaks with the server.
  {
    files: ["web/src/**/*.{ts,vue}"],
    ignores: ["web/src/api/**"],
    rules: { "no-restricted-globals": ["error", "fetch", "XMLHttpRequest"] },
  },
  {
    rules: {
      "vue/multi-word-component-names": "off",
      "@typescript-eslint/no-unused-expressions": ["error", { allowTernary: true }],
    },
  },
  prettier,
);
