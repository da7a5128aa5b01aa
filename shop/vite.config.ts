import { defineConfig } from "vite";
import { small } from "../small.ts";

// The agent of proofs is built by itself, so that it has nothing in common with what shoppers' pages load.
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
        entryFileNames: "[name]-[hash].js",
        chunkFileNames: "[name]-[hash].js",
        assetFileNames: (asset) =>
          asset.names.some((name) => name.endsWith(".css")) ? "[name][extname]" : "files/[name]-[hash][extname]",
      },
    },
  },
}));
