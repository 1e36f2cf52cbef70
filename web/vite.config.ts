import react from "@vitejs/plugin-react";
import type { Plugin } from "vite";
import { compression } from "vite-plugin-compression2";
import { defineConfig } from "vitest/config";

/**
 * Lets what the page says be read first: the styles stand behind it and before what is drawn later, whose own
 * variables come after them, and the scripts let styles go before. The font of all text comes with the
 * scripts, so that no line moves when a view is there.
 */
const wordsFirst: Plugin = {
  name: "words-first",
  transformIndexHtml: {
    order: "post",
    handler: (html, { bundle }) => {
      const font = Object.keys(bundle ?? {}).find((file) => /atkinson.*-latin-wght-normal.*\.woff2$/.test(file));
      if (bundle && !font) throw new Error("the font of all text is not among the built files");
      const fontLink = `<link rel="preload" fetchpriority="low" as="font" type="font/woff2" crossorigin href="/${font}">`;
      const styles = html.match(/\n\s*<link rel="stylesheet"[^>]*>/g) ?? [];
      return styles
        .reduce((page, link) => page.replace(link, ""), html)
        .replace(/\n\s*<div id="root">/, `${styles.join("")}$&`)
        .replace("</head>", font ? `  ${fontLink}\n  $&` : "$&")
        .replace(/<(script type="module"|link rel="modulepreload")/g, '$& fetchpriority="low"');
    },
  },
};

export default defineConfig({
  // Files are packed once, when they are built, and served as they lie.
  plugins: [
    react(),
    wordsFirst,
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
  // A slow machine types slowly. What the files import is read once for all of them: no test changes it.
  test: {
    environment: "happy-dom",
    isolate: false,
    pool: "threads",
    setupFiles: "src/testing/setup.ts",
    testTimeout: 60_000,
  },
});
