import { readFileSync } from "node:fs";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { type Browser, chromium } from "@playwright/test";
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
  await opened(browser, server);
  await browser.close();
}

/** From a press to the first field of the sheet that it opens: what the sheet is made of is fetched at the first press. */
async function opened(browser: Browser, server: string): Promise<void> {
  const page = await browser.newPage();
  const times: { first: number; again: number }[] = [];
  const field = page.getByRole("dialog").getByLabel("Name", { exact: true });
  const press = async () => {
    const from = performance.now();
    await page.getByRole("button", { name: "Add a line" }).click();
    await field.waitFor();
    return performance.now() - from;
  };
  for (let run = 0; run < RUNS; run++) {
    await page.goto(`${server}/lines`, { waitUntil: "networkidle" });
    const first = await press();
    await page.keyboard.press("Escape");
    await field.waitFor({ state: "hidden" });
    times.push({ first, again: await press() });
  }
  const [first, again] = [median(times.map((t) => t.first)), median(times.map((t) => t.again))];
  console.log(
    `\nA sheet with a form, from the press to its first field: ${first.toFixed(0)} ms the first time on a page, ${again.toFixed(0)} ms again; ratio ${(first / again).toFixed(1)}`,
  );
}
