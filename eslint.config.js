import prettier from "eslint-config-prettier";
import vue from "eslint-plugin-vue";
import accessibility from "eslint-plugin-vuejs-accessibility";
import ts from "typescript-eslint";

const CONTROLS = [
  "LongText",
  "MomentInput",
  "MoneyInput",
  "NumberInput",
  "PickField",
  "RadioBox",
  "TextInput",
  "TickBox",
  "TypedInput",
];

/** Signs that are the same in every language. */
const NO_WORDS = "( ) , . ; : & + - − = * / # % ! ? · … → × ✓ [ ] { } < > | – — “ ”".split(" ");

export default ts.config(
  { ignores: ["**/dist/**", "**/node_modules/**", "target/**", ".data/**", "web/src/api/schema.d.ts"] },
  ...ts.configs.strict,
  ...vue.configs["flat/recommended"],
  ...accessibility.configs["flat/recommended"],
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
  // What an owner reads stands in the Fluent files of its language.
  {
    files: ["web/src/**/*.vue"],
    rules: {
      "vue/no-bare-strings-in-template": [
        "error",
        {
          allowlist: [...NO_WORDS],
          attributes: { "/.+/": ["title", "aria-label", "placeholder", "alt", "label", "subtitle", "act", "list"] },
        },
      ],
    },
  },
  // A control of the kit is named by whoever uses it.
  {
    files: ["web/src/ui/fields/**/*.vue"],
    rules: { "vuejs-accessibility/form-control-has-label": "off" },
  },
  // What is typed into, ticked or picked from is of one kit.
  {
    files: ["web/src/**/*.vue"],
    ignores: ["web/src/ui/**"],
    rules: {
      "vue/no-restricted-html-elements": ["error", "input", "select", "textarea", "dialog"],
      "vue/no-restricted-syntax": [
        "error",
        {
          selector:
            "VElement[rawName=/^v-(text-field|textarea|select|autocomplete|combobox|checkbox|switch|btn-toggle|dialog|progress-linear|progress-circular|menu|snackbar|alert|tabs|table|data-table)$/]",
          message: "The kit in src/ui has a field, a dialog, a menu or a note for this.",
        },
      ],
    },
  },
  // Labels hold controls of the kit; a dialog begins in its first field; lists are walked by the field that leads them.
  {
    files: ["web/src/**/*.vue"],
    rules: {
      "vuejs-accessibility/label-has-for": [
        "error",
        { controlComponents: CONTROLS, required: { some: ["nesting", "id"] }, allowChildren: true },
      ],
      "vuejs-accessibility/no-autofocus": "off",
      "vuejs-accessibility/click-events-have-key-events": "off",
      // Files are dropped on a whole view; an edge that is dragged is a separator with keys.
      "vuejs-accessibility/no-static-element-interactions": "off",
    },
  },
  {
    rules: {
      "vue/multi-word-component-names": "off",
      // What isn't imported would be drawn as an element of that name, empty.
      "vue/no-undef-components": ["error", { ignorePatterns: ["^v-", "^router-"] }],
      "@typescript-eslint/no-unused-expressions": ["error", { allowTernary: true }],
    },
  },
  prettier,
);
