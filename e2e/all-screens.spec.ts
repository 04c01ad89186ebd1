import AxeBuilder from "@axe-core/playwright";
import type { Browser, Page } from "@playwright/test";
import { RECORDS, SCREENS } from "./screens";
import { expect, test } from "./server";

// In parts, so that both workers share them.
test.describe.configure({ mode: "parallel" });

/**
 * Contrast takes axe longer than all the rest: it is asked for on the screens that have every colour. The tokens' contrast
 * is reckoned in a unit test, and that there are no other colours; these are the screens as they stand.
 */
const CONTRAST = "color-contrast";
const COLOURED = ["/", "/ground", "/season", "/crosses/plan", "/seed"];
const TAGS = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"];
type Asked = Parameters<AxeBuilder["options"]>[0];
const NO_COLOURS: Asked = { runOnly: TAGS, rules: { [CONTRAST]: { enabled: false } } };

/** What axe finds wrong on a page as it stands. */
async function faults(page: Page, asked: Asked = NO_COLOURS, within = "html") {
  // No frames are in these pages, so all is found and told in the page itself; what passes is not asked for.
  const { violations } = await new AxeBuilder({ page })
    .include(within)
    .options({ ...asked, resultTypes: ["violations"] })
    .setLegacyMode()
    .analyze();
  return violations.map(
    (v) =>
      `${page.url()}: ${v.id} ${v.nodes
        .map((n) => n.target.join(" "))
        .slice(0, 3)
        .join(" | ")}`,
  );
}

const DESK = { width: 1280, height: 800 };

/** At 200 % on a desk, on a phone, on the narrowest, and on the desk again. */
const SIZES = [
  [640, 400],
  [390, 844],
  [320, 640],
  [DESK.width, DESK.height],
] as const;

async function runsOff(page: Page): Promise<string[]> {
  const over: string[] = [];
  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height });
    const by = () => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    // Charts take the new width a moment after the page has it.
    for (let tries = 0; tries < 20 && (await by()) > 0; tries++) await page.waitForTimeout(100);
    if ((await by()) > 0) over.push(`${page.url()} at ${width}: by ${await by()} px`);
  }
  return over;
}

/** A4 between its margins, CSS pixels. */
const PAPER = { width: Math.round(((210 - 24) / 25.4) * 96), height: 1032 };

/** What would be wrong with it on paper: a ground that is not white, a control, something cut, no title. */
async function misprints(page: Page): Promise<object[]> {
  await page.setViewportSize(PAPER);
  await page.emulateMedia({ media: "print" });
  const look = (width: number) => {
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
  };
  let seen = await page.evaluate(look, PAPER.width);
  // Charts take the new width a moment after the page has it.
  for (let tries = 0; tries < 20 && seen.cut.length > 0; tries++) {
    await page.waitForTimeout(100);
    seen = await page.evaluate(look, PAPER.width);
  }
  await page.emulateMedia({ media: "screen" });
  await page.setViewportSize(DESK);
  const wrong = seen.page !== "rgb(255, 255, 255)" || seen.controls.length > 0 || seen.cut.length > 0 || !seen.titled;
  return wrong ? [seen] : [];
}

/** The frame at its one height, which says that the device is not at today. */
async function framed(page: Page, path: string): Promise<void> {
  const stands = page.getByRole("button", { name: /stands on 10 Jul/ }).filter({ visible: true });
  await expect(stands, path).toHaveCount(1);
  if (path === "/round") return;
  const index = page.getByRole("navigation", { name: "Main" }).first();
  expect(await index.boundingBox(), path).toMatchObject({ y: 0, height: 56 });
  // With the line that ends it.
  const band = page.getByLabel("Season band").first();
  expect(await band.boundingBox(), path).toMatchObject({ y: 56, height: 97 });
}

/** A page that says of every error in it; and a line with a very long name in the garden. */
async function opened(browser: Browser, url: string, { theme = "paper", day }: { theme?: string; day?: string } = {}) {
  const context = await browser.newContext({ baseURL: url, viewport: DESK });
  await context.addCookies([{ name: "theme", value: theme, url }]);
  if (day) await context.addCookies([{ name: "day", value: day, url }]);
  const page = await context.newPage();
  const troubles: string[] = [];
  page.on("console", (message) => message.type() === "error" && troubles.push(`${page.url()}: ${message.text()}`));
  page.on("pageerror", (error) => troubles.push(`${page.url()}: ${error.message}`));
  const name = "Wanderingly-long-name-without-a-break-".repeat(3).slice(0, 118);
  const line = { name, species: "melon", school: "keep-pure", status: "mix" };
  await page.request.post(`${url}/api/commands/line.add`, { data: line });
  return { page, troubles, close: () => context.close() };
}

/** Of what is seen so much of the window is moved, by so much of it, before it is called a move: a word that comes narrower is none. */
const MOVED = 0.01;

type Shift = PerformanceEntry & {
  value: number;
  sources: { node: Node | null; previousRect: DOMRect; currentRect: DOMRect }[];
};

/** What moved on a page since it was opened, as what came late was given no room. */
const moved = (page: Page) =>
  page.evaluate((most) => {
    const observer = new PerformanceObserver(() => {});
    observer.observe({ type: "layout-shift", buffered: true });
    return (observer.takeRecords() as Shift[])
      .filter(({ value }) => value > most)
      .map(({ sources }) =>
        sources.map(
          ({ node, previousRect: { y: from }, currentRect: { y: to } }) =>
            `${node?.textContent?.slice(0, 40)}: ${from} to ${to}`,
        ),
      );
  }, MOVED);

const PARTS = 3;
for (let part = 0; part < PARTS; part++)
  test(`every screen stands in its frame, moves nothing when it comes, passes axe, runs off no side and prints on white paper, part ${part + 1} of ${PARTS}`, async ({
    browser,
    demo,
  }) => {
    test.setTimeout(300_000);
    // Paper is white, whatever light the screen has.
    const { page, troubles, close } = await opened(browser, demo.url, { theme: "dawn", day: "2027-07-10" });
    for (const path of [...SCREENS, ...RECORDS].filter((_, i) => i % PARTS === part)) {
      expect((await page.goto(path))!.status(), path).toBe(200);
      await page.locator("main").waitFor();
      await framed(page, path);
      expect(await faults(page, COLOURED.includes(path) ? { runOnly: TAGS } : NO_COLOURS)).toEqual([]);
      expect(await moved(page), path).toEqual([]);
      expect(await runsOff(page)).toEqual([]);
      if (path !== "/round") expect(await misprints(page), path).toEqual([]);
    }
    expect(troubles).toEqual([]);
    await close();
  });

test("every kind of sheet passes axe", async ({ browser, demo }) => {
  test.setTimeout(300_000);
  const { page, troubles, close } = await opened(browser, demo.url);
  await page.goto("/nursery");
  // One that stands: what is only planned has no plants.
  const family = (await page.locator("td a[href^='/nursery/F27']").first().getAttribute("href"))!;
  for (const [path, press] of [
    ["/", "Record"],
    ["/lines", "Add a line"],
    ["/lines/L21-008-K", "Sow the next generation"],
    [`${family}?plant=1`, ""],
    [family, "Choose yardsticks"],
    ["/crosses", "/"],
    ["/ground", "Add outside pollen"],
    ["/season?season=2028", "Arrange the season"],
    ["/shed", "Change the normals"],
  ] as const) {
    await page.goto(path);
    if (press === "/") await page.keyboard.press("/");
    else if (press) await page.getByRole("button", { name: press }).first().click();
    await page.getByRole("dialog").waitFor();
    // The page behind it was looked at by itself.
    expect(await faults(page, NO_COLOURS, "[role=dialog]")).toEqual([]);
    expect(await runsOff(page)).toEqual([]);
  }
  expect(troubles).toEqual([]);
  await close();
});

test("colours hold on paper, as they do at dawn", async ({ browser, demo }) => {
  const { page, close } = await opened(browser, demo.url);
  for (const path of COLOURED) {
    await page.goto(path);
    await expect(page.locator("html")).toHaveAttribute("data-theme", "paper");
    await page.locator("main").waitFor();
    expect(await faults(page, { runOnly: [CONTRAST] })).toEqual([]);
  }
  await close();
});

test("on paper stand what a table's fields hold, and bars in their colours", async ({ browser, demo }) => {
  const context = await browser.newContext({ baseURL: demo.url, viewport: PAPER });
  const page = await context.newPage();
  await page.emulateMedia({ media: "print" });
  // Scores, and who may be crossed with whom.
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
