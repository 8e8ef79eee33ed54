import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react()],
  server: { proxy: { "/api": "http://127.0.0.1:8420" } },
  build: { chunkSizeWarningLimit: 900 },
  test: {
    environment: "jsdom",
    setupFiles: ["testing/server.ts"],
    include: ["src/**/*.test.{ts,tsx}"],
    testTimeout: 30_000,
    // One place for all files: to set one up for each takes longer than the tests themselves.
    isolate: false,
  },
});
