import react from "@vitejs/plugin-react";
import type { Plugin } from "vite";
import { compression } from "vite-plugin-compression2";
import { defineConfig } from "vitest/config";

/**
 * Lets the shell be painted before the styles have come: they stand behind it and before what is drawn later, whose
 * own variables come after them. Scripts still wait for them.
 */
const stylesAfterShell: Plugin = {
  name: "styles-after-shell",
  transformIndexHtml: {
    order: "post",
    handler: (html) => {
      const styles = html.match(/\n\s*<link rel="stylesheet"[^>]*>/g) ?? [];
      return styles
        .reduce((page, link) => page.replace(link, ""), html)
        .replace(/\n\s*<div id="root">/, `${styles.join("")}$&`);
    },
  },
};

export default defineConfig({
  // Files are packed once, when they are built, and served as they lie.
  plugins: [
    react(),
    stylesAfterShell,
    compression({ algorithms: ["gzip", "brotliCompress"], include: /\.(js|css|svg|txt)$/, threshold: 1024 }),
  ],
  // The tests of pictures read the table that the core ships.
  server: { proxy: { "/api": "http://127.0.0.1:4310" }, fs: { allow: [".."] } },
  build: {
    target: "es2022",
    emptyOutDir: true,
    rolldownOptions: {
      output: {
        // A phone fetches six files at a time: the views that are opened first come in one with all that they use, and
        // what many others share in two.
        codeSplitting: {
          groups: [
            { name: "first", test: /\/src\/views\/(Rounds|plant\/(PlantPage|Standing))\.tsx/, priority: 3 },
            { name: "widgets", test: /node_modules/, minShareCount: 20, priority: 2 },
            { name: "shared", test: /\/src\//, minShareCount: 20, priority: 1 },
          ],
        },
      },
    },
  },
  // A slow machine types slowly.
  test: { environment: "jsdom", testTimeout: 20_000 },
});
