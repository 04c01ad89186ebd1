import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

export default defineConfig({
  resolve: { alias: { "@": fileURLToPath(new URL("./src", import.meta.url)) } },
  test: {
    include: ["src/**/*.test.ts", "demo/**/*.test.ts", "scripts/**/*.test.ts"],
    globalSetup: ["./vitest.global.ts"],
    setupFiles: ["./vitest.setup.ts"],
    testTimeout: 120_000,
    hookTimeout: 120_000,
    // Files share a process: none leaves anything behind that another could trip over.
    isolate: false,
    maxWorkers: 2,
  },
});
