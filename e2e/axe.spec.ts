import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { withRecords } from "./screens";
import { expect, test } from "./server";

// Each theme by itself, so that both workers share them.
test.describe.configure({ mode: "parallel" });

/** What axe finds wrong on a page as it stands. */
async function faults(page: Page, theme: string): Promise<string[]> {
  const tags = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"];
  const axe = new AxeBuilder({ page });
  // Themes differ in colours alone.
  const { violations } = await (theme === "paper" ? axe.withTags(tags) : axe.withRules(["color-contrast"])).analyze();
  return violations.map(
    (v) =>
      `${page.url()}: ${v.id} ${v.nodes
        .map((n) => n.target.join(" "))
        .slice(0, 3)
        .join(" | ")}`,
  );
}

for (const theme of ["paper", "sun", "dawn"])
  test(`every screen passes axe in the theme ${theme}`, async ({ browser, demo }) => {
    // Some thirty pages and sheets, read whole; on a busy machine that takes minutes.
    test.setTimeout(300_000);
    const context = await browser.newContext({ baseURL: demo.url, reducedMotion: "reduce" });
    await context.addCookies([{ name: "theme", value: theme, url: demo.url }]);
    const page = await context.newPage();
    const troubles: string[] = [];
    page.on("console", (message) => message.type() === "error" && troubles.push(`${page.url()}: ${message.text()}`));
    page.on("pageerror", (error) => troubles.push(`${page.url()}: ${error.message}`));
    const paths = await withRecords(page);
    for (const path of paths) {
      await page.goto(path);
      await expect(page.locator("html")).toHaveAttribute("data-theme", theme);
      await page.locator("main").waitFor();
      expect(await faults(page, theme)).toEqual([]);
    }
    for (const [path, press] of [
      ["/", "Record"],
      ["/lines", "Add a line"],
      [paths.find((p) => p.startsWith("/nursery/"))!, "Plant 1"],
      ["/crosses", "/"],
      ["/ground", "Add outside pollen"],
      ["/season?season=2028", "Arrange the season"],
      ["/shed", "Change the normals"],
    ] as const) {
      await page.goto(path);
      if (press === "/") await page.keyboard.press("/");
      else await page.getByRole("button", { name: press }).first().click();
      await page.getByRole("dialog").waitFor();
      expect(await faults(page, theme)).toEqual([]);
    }
    expect(troubles).toEqual([]);
    await context.close();
  });
