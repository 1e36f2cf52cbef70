import react from "@vitejs/plugin-react";
import { compression } from "vite-plugin-compression2";
import { defineConfig } from "vitest/config";

export default defineConfig({
  // Files are packed once, when they are built, and served as they lie.
  plugins: [
    react(),
    compression({ algorithms: ["gzip", "brotliCompress"], include: /\.(js|css|svg|txt)$/, threshold: 1024 }),
  ],
  server: { proxy: { "/api": "http://127.0.0.1:4310" } },
  build: { target: "es2022", emptyOutDir: true },
  // A slow machine types slowly.
  test: { environment: "jsdom", testTimeout: 20_000 },
});
