import type { Page, Route } from "@playwright/test";

/** Every screen that needs no record to be opened. */
export const SCREENS = [
  "/",
  "/weeks",
  "/ground",
  "/season",
  "/round",
  "/crosses",
  "/crosses/plan",
  "/crosses/book",
  "/crosses/works",
  "/nursery",
  "/seed",
  "/seed/drawer",
  "/seed/ripening",
  "/seed/sharing",
  "/lines",
  "/guide",
  "/guide/melon",
  "/guide/practice",
  "/shed",
  "/shed/history",
  "/shed/copies",
];

/** One of each kind of record of the demo, and of each page about one. */
export const RECORDS = [
  "/crosses/X27-003-9",
  "/nursery/F27-005-S",
  "/nursery/F23-003-E/compare",
  "/nursery/F27-001-6/roguing",
  "/nursery/F25-002-A/surprise?plant=5",
  "/lines/L21-012-X",
  "/lines/L21-012-X/release",
  "/lines/L21-003-3/plans",
  "/lines/from/F24-003-T",
  "/seed/K27-004-T",
  "/seed/K21-004-G",
  "/seed/sharing/01a69d95-3400-7000-8024-a80000000001",
  "/ground?season=2027&stand=S27-005-L",
];

/** The last entry of the history whose words these are among. */
export async function lastEntry(page: Page, summary: string): Promise<string> {
  await page.goto("/shed/history");
  const label = await page
    .getByRole("button", { name: `Undo: ${summary}` })
    .first()
    .getAttribute("data-entry");
  return label!;
}

/** Until the page answers by itself; a press by finger waits for that, a key does not. */
export const awake = (page: Page) => page.waitForFunction(() => !("earlyPresses" in window));

/** Holds back what a page asks for, until it is let go; what is asked for from then on goes at once. */
export async function holding(page: Page, what: string | RegExp) {
  const waiting: Route[] = [];
  let open = false;
  await page.route(what, (route) => (open ? route.continue() : void waiting.push(route)));
  return {
    held: () => waiting.length,
    letGo: () => {
      open = true;
      return Promise.all(waiting.map((route) => route.continue()));
    },
  };
}
