import { readFileSync } from "node:fs";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { chromium } from "@playwright/test";
import { median } from "simple-statistics";
import { chromiumPath } from "../scripts/chromium.mjs";

const RUNS = 3;
/** A phone of some years ago beside this machine. */
const SLOWER = 4;

const sizes = new Map<string, number>();
/** A script as it would go over a wire that packs, kB. */
function packed(path: string): number {
  const known = sizes.get(path) ?? gzipSync(readFileSync(join(".next", path.replace("/_next/", "")))).length / 1000;
  sizes.set(path, known);
  return known;
}

/** What a page asks of a device: scripts until it is still, and the main thread's time on a slow phone. */
export async function benchLight(server: string, routes: string[]): Promise<void> {
  const browser = await chromium.launch({ executablePath: chromiumPath() });
  console.log(
    `\nWhat a page asks of a phone, ${SLOWER} times slower than this machine: JavaScript, kB packed | main thread, ms | of it scripts | elements`,
  );
  for (const route of routes) {
    const scripts = new Set<string>();
    const times: { task: number; script: number }[] = [];
    let elements = 0;
    for (let run = 0; run < RUNS; run++) {
      const context = await browser.newContext({
        viewport: { width: 390, height: 844 },
        serviceWorkers: "block",
      });
      const page = await context.newPage();
      page.on("request", (request) => {
        const { pathname } = new URL(request.url());
        if (pathname.startsWith("/_next/static/") && pathname.endsWith(".js")) scripts.add(pathname);
      });
      const session = await context.newCDPSession(page);
      await session.send("Performance.enable");
      await session.send("Emulation.setCPUThrottlingRate", { rate: SLOWER });
      await page.goto(server + route, { waitUntil: "networkidle" });
      const { metrics } = await session.send("Performance.getMetrics");
      const of = (name: string) => metrics.find((metric) => metric.name === name)!.value * 1000;
      times.push({ task: of("TaskDuration"), script: of("ScriptDuration") });
      elements = await page.locator("*").count();
      await context.close();
    }
    const [task, script] = [median(times.map((t) => t.task)), median(times.map((t) => t.script))];
    const kilobytes = [...scripts].reduce((sum, path) => sum + packed(path), 0);
    const cells = [kilobytes, task, script, elements].map((n) => n.toFixed(0).padStart(7));
    console.log(`${route.padEnd(18)} ${cells.join(" ")}`);
  }
  await browser.close();
}
