import { withRecords } from "./screens";
import { expect, test } from "./server";

/** A4 between its margins, CSS pixels. */
const PAPER = { width: Math.round(((210 - 24) / 25.4) * 96), height: 1032 };

test("every screen prints on white paper: no control, nothing cut, bars in their colours", async ({
  browser,
  demo,
}) => {
  const context = await browser.newContext({ baseURL: demo.url, viewport: PAPER });
  // Whatever light the screen has.
  await context.addCookies([{ name: "theme", value: "dawn", url: demo.url }]);
  const page = await context.newPage();
  const routes = await withRecords(page);
  await page.emulateMedia({ media: "print" });
  const troubles: object[] = [];
  for (const route of routes.filter((one) => one !== "/round")) {
    await page.goto(route);
    const seen = await page.evaluate((width) => {
      const shown = (element: Element) =>
        (element as HTMLElement).checkVisibility() && element.getBoundingClientRect().width > 1;
      const controls = [
        ...document.querySelectorAll(
          "button:not(.opens, .tag, [role=gridcell], td *), input:not(td *), select, textarea, .leaf, form, nav",
        ),
      ];
      const cut = [...document.querySelectorAll("main *")].filter((element) => {
        const box = element.getBoundingClientRect();
        return shown(element) && !element.closest("svg, .sr-only") && (box.right > width + 1 || box.left < -1);
      });
      const said = (element: Element) => `${element.tagName} ${element.className} ${element.textContent!.slice(0, 40)}`;
      return {
        page: getComputedStyle(document.documentElement).backgroundColor,
        controls: controls.filter(shown).map(said),
        cut: cut.slice(0, 3).map(said),
        titled: [...document.querySelectorAll("h1")].some(shown),
      };
    }, PAPER.width);
    if (seen.page !== "rgb(255, 255, 255)" || seen.controls.length + seen.cut.length > 0 || !seen.titled)
      troubles.push({ route, ...seen });
  }
  expect(troubles).toEqual([]);
  // What stands in a table's fields and buttons is printed: scores, and who may be crossed with whom.
  await page.goto("/crosses/plan");
  await expect(page.locator("td button").first()).toBeVisible();
  await page.goto("/nursery/F27-005-S");
  await expect(page.getByRole("gridcell").first()).toBeVisible();
  // Bars are grounds of colour, which browsers leave out unless they are told.
  await page.goto("/season");
  const bars = await page.locator("main [class*='bg-damson']").evaluateAll((found) =>
    found
      .filter((bar) => bar.getBoundingClientRect().width > 20)
      .map((bar) => {
        const { backgroundColor, printColorAdjust } = getComputedStyle(bar) as CSSStyleDeclaration & {
          printColorAdjust: string;
        };
        return `${backgroundColor} ${printColorAdjust}`;
      }),
  );
  expect(bars.length).toBeGreaterThan(3);
  for (const bar of bars) expect(bar).toBe("rgb(106, 44, 92) exact");
  await context.close();
});
