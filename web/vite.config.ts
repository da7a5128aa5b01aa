import vue from "@vitejs/plugin-vue";
import { defineConfig } from "vite";
import vuetify from "vite-plugin-vuetify";
import { small } from "../small.ts";

const server = "http://127.0.0.1:8420";

export default defineConfig({
  plugins: [vue(), vuetify({ autoImport: true }), small],
  build: {
    target: "es2022",
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      checks: { pluginTimings: false },
      output: {
        // What most views have in common comes as one file: asking for forty small ones takes longer than reading it.
        codeSplitting: { groups: [{ name: "shared", minShareCount: 5 }] },
      },
    },
  },
  server: { proxy: { "/api": server, "/shop": server, "/media": server } },
});
