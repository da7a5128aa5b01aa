import { defineConfig } from "vite";

// Plain names: the server adds the hash of their contents to their addresses.
export default defineConfig({
  base: "/shop/assets/",
  build: {
    target: "es2022",
    assetsInlineLimit: 0,
    modulePreload: false,
    rolldownOptions: {
      input: { shop: "src/shop.ts", agent: "src/agent.ts", base: "src/base.css" },
      output: {
        entryFileNames: "[name].js",
        chunkFileNames: "[name]-[hash].js",
        assetFileNames: (asset) =>
          asset.names.some((name) => name.endsWith(".css")) ? "[name][extname]" : "files/[name]-[hash][extname]",
      },
    },
  },
});
