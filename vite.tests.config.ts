import { readdirSync } from "node:fs";
import { defineConfig } from "vite";

const tests = readdirSync("tests").filter((name) => name.endsWith(".test.ts"));

/** Tests of what is logic, bundled for node's own test runner; asked for in the folder of their part. */
export default defineConfig({
  logLevel: "warn",
  build: {
    ssr: true,
    target: "node20",
    copyPublicDir: false,
    outDir: "dist/tests",
    rollupOptions: {
      input: Object.fromEntries(tests.map((name) => [name.replace(".ts", ""), `tests/${name}`])),
      output: { entryFileNames: "[name].mjs" },
    },
  },
  ssr: { noExternal: true },
});
