import { existsSync } from "node:fs";
import { run, stop } from "./prepare.mjs";

// Debian's: the shell without a window costs a quarter less of the processor than the whole browser.
const PATHS = ["/usr/bin/chromium-headless-shell", "/usr/bin/chromium"];

/** Where Debian's Chromium lies, if it does. */
export const chromiumPath = () => PATHS.find(existsSync);

/** Debian's Chromium, installed if this user may; otherwise a sentence says how. */
export function chromium() {
  if (chromiumPath()) return;
  const root = process.getuid?.() === 0;
  if (root && existsSync("/usr/bin/apt-get")) {
    console.log("Installing Chromium …");
    run("apt-get", ["update"]);
    for (const name of ["chromium-headless-shell", "chromium"])
      if (!chromiumPath()) run("apt-get", ["install", "-y", "--no-install-recommends", name]);
  }
  if (!chromiumPath())
    stop(
      "The browser tests need Debian's Chromium: sudo apt-get update && sudo apt-get install -y chromium-headless-shell",
    );
}
