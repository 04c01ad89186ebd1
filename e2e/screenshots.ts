import { existsSync, rmSync } from "node:fs";
import { dirname } from "node:path";
import { chromium } from "@playwright/test";
import config from "../playwright.config";
import { DEMO_DB, startServer } from "./server";
import setup from "./setup";

// One picture of each main view, from the demo data, for the README.
if (!existsSync(DEMO_DB)) setup();
const server = await startServer("demo");
const browser = await chromium.launch(config.use!.launchOptions);
const shoot = async (name: string, path: string, options: { phone?: boolean; theme?: string; press?: string } = {}) => {
  const context = await browser.newContext({
    baseURL: server.url,
    viewport: options.phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
  });
  await context.addCookies([{ name: "theme", value: options.theme ?? "paper", url: server.url }]);
  const page = await context.newPage();
  await page.goto(path);
  await page.waitForLoadState("networkidle");
  if (options.press) await page.getByRole("button", { name: options.press }).first().click();
  await page.waitForTimeout(400);
  // Where a garden lies on the machine that took the picture is nobody's business.
  await page.evaluate((folder) => {
    for (const code of document.querySelectorAll("code")) code.textContent = code.textContent.replace(folder, "data");
  }, dirname(server.db));
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  await context.close();
};
const link = async (list: string, selector: string) => {
  const page = await browser.newPage({ baseURL: server.url });
  await page.goto(list);
  const href = (await page.locator(selector).first().getAttribute("href"))!;
  await page.close();
  return href;
};
rmSync("docs/screenshots", { recursive: true, force: true });
await shoot("today", "/");
await shoot("ground", await link("/ground", "td a:has-text('Tarnholt mixed orach')"));
await shoot("season", "/season?season=2028");
await shoot("arrange", "/season?season=2028", { press: "Arrange the season" });
await shoot("crosses", "/crosses");
await shoot("cross", await link("/crosses", "td a[href^='/crosses/']"));
await shoot("family", await link("/nursery", "a[href='/nursery/F23-003-E']"));
await shoot("seed", "/seed");
await shoot("drawer", "/seed/drawer");
await shoot("lot", await link("/seed/drawer", "tr:has-text('Tallow Root') a[href^='/seed/']"));
await shoot("lines", "/lines");
await shoot("line", await link("/lines", "tr:has-text('Lantern melon') a[href^='/lines/']"));
await shoot("guide", "/guide/melon");
await shoot("shed", "/shed");
await shoot("today-phone", "/", { phone: true });
await shoot("plan", "/crosses/plan", { press: "7 to do" });
await shoot("works", "/crosses/works");
await shoot("weeks", "/weeks");
await shoot("round-before-dawn", "/round", { phone: true, theme: "dawn" });
await browser.close();
await server.stop();
