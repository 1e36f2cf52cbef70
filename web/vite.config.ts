import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react()],
  server: { proxy: { "/api": "http://127.0.0.1:4310" } },
  build: { target: "es2022", emptyOutDir: true },
  // A slow machine types slowly.
  test: { environment: "jsdom", testTimeout: 20_000 },
});
