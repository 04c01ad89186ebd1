import { defineConfig } from "@playwright/test";
import { chromiumPath } from "./scripts/chromium.mjs";

const CHROMIUM_ARGS = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
];

export default defineConfig({
  testDir: "e2e",
  testMatch: "*.spec.ts",
  globalSetup: "./e2e/setup.ts",
  // Walks wait for servers and browsers to start: three keep two cores busy.
  workers: 3,
  // Files are taken by their names: the longest begins with an a, so that no worker ends alone with it.
  fullyParallel: false,
  timeout: 120_000,
  expect: { timeout: 10_000 },
  forbidOnly: true,
  // A shared, busy machine may stall a browser once; what fails twice is broken.
  retries: process.env.CI ? 1 : 0,
  reporter: [["list"]],
  use: {
    actionTimeout: 15_000,
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: chromiumPath(), args: CHROMIUM_ARGS },
    // What a page keeps for hours without a server takes as long to keep as the page itself: the walks of that allow it.
    serviceWorkers: "block",
    locale: "en-GB",
    timezoneId: "Europe/Zurich",
    // Sheets slide in; nobody has to wait for that here.
    contextOptions: { reducedMotion: "reduce" },
    // A trace of every test takes a quarter of the processor: it is made when one is tried again.
    trace: "on-first-retry",
  },
});
