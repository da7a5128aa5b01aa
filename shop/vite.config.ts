import { defineConfig } from "vite";
import { small } from "../small.ts";

// Plain names: the server adds the hash of their contents to their addresses. The agent of proofs is built by itself, so
// that a shopper's page loads one script and doesn't find in it that it needs another.
export default defineConfig(({ mode }) => ({
  base: "/shop/assets/",
  plugins: [small],
  build: {
    target: "es2022",
    assetsInlineLimit: 0,
    modulePreload: false,
    emptyOutDir: mode !== "agent",
    rolldownOptions: {
      input: mode === "agent" ? { agent: "src/agent.ts" } : { shop: "src/shop.ts", base: "src/base.css" },
      output: {
        entryFileNames: "[name].js",
        chunkFileNames: "[name]-[hash].js",
        assetFileNames: (asset) =>
          asset.names.some((name) => name.endsWith(".css")) ? "[name][extname]" : "files/[name]-[hash][extname]",
      },
    },
  },
}));
