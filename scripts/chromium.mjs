import { existsSync } from "node:fs";
import { run, stop } from "./prepare.mjs";

const PATH = "/usr/bin/chromium";

/** Debian's Chromium, installed if this user may; otherwise a sentence says how. */
export function chromium() {
  if (existsSync(PATH)) return;
  const root = process.getuid?.() === 0;
  if (root && existsSync("/usr/bin/apt-get")) {
    console.log("Installing Chromium …");
    run("apt-get", ["update"]);
    run("apt-get", ["install", "-y", "--no-install-recommends", "chromium"]);
  }
  if (!existsSync(PATH))
    stop(
      "The browser tests need Debian's Chromium at /usr/bin/chromium: sudo apt-get update && sudo apt-get install -y chromium",
    );
}
