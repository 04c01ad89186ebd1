import type { Page } from "@playwright/test";
import { expect, startServer, test } from "./server";

const addDays = (day: string, days: number) =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

/** What grows, by the bed it stands in. */
type Sown = { name: string; species: string; sown: string; plants: number; overwinter?: string };
type Year = { hemisphere: string; garden: object; first: string; days: number; stands: Sown[] };

const YEARS: Year[] = [
  {
    hemisphere: "north",
    garden: { latitude: 48.6, longitude: 9.3, timezone: "Europe/Zurich", lastFrost: "05-14", firstFrost: "10-06" },
    first: "2027-03-01",
    days: 690,
    stands: [
      { name: "Low Kiln", species: "tomato", sown: "2027-03-20", plants: 12 },
      { name: "Duskwing", species: "pea", sown: "2027-04-05", plants: 40 },
      { name: "Slatefoot", species: "leek", sown: "2027-03-28", plants: 30, overwinter: "lifted" },
    ],
  },
  {
    hemisphere: "south",
    garden: {
      latitude: -44.9,
      longitude: 168.7,
      timezone: "Pacific/Auckland",
      lastFrost: "11-12",
      firstFrost: "04-07",
    },
    first: "2026-08-20",
    days: 690,
    stands: [
      { name: "Low Kiln", species: "tomato", sown: "2026-09-10", plants: 12 },
      { name: "Duskwing", species: "pea", sown: "2026-09-20", plants: 40 },
      { name: "Slatefoot", species: "leek", sown: "2026-09-15", plants: 30, overwinter: "lifted" },
    ],
  },
];

const PARTS = "Dawn|Morning|Noon|Any hour|Tonight";

/** Presses what the day's work offers first, and waits until it is gone from the list; false where it offers nothing. */
async function press(page: Page): Promise<boolean> {
  const work = page.getByRole("region", { name: new RegExp(`^(${PARTS})$`) });
  const button = work.getByRole("button", { name: /^(Done|Seen|Make the lot)/ }).first();
  if ((await button.count()) === 0) return false;
  const title = await button.locator("xpath=ancestor::li[1]").locator(".font-semibold").first().textContent();
  const asks = (await button.getAttribute("aria-haspopup")) === "dialog";
  await button.click();
  if (asks) {
    const sheet = page.getByRole("dialog");
    const seeds = sheet.getByLabel("Seeds, counted");
    await sheet.locator("button[type=submit]").waitFor();
    if (await seeds.count()) await seeds.fill("120");
    await sheet.locator("button[type=submit]").click();
    // What lies behind an open sheet is hidden from every reader.
    await expect(sheet).toBeHidden();
  }
  await expect(work.getByText(title ?? "", { exact: true })).toHaveCount(0);
  return true;
}

test.describe.configure({ mode: "parallel" });

for (const { hemisphere, garden, first, days, stands } of YEARS)
  test(`a year in the ${hemisphere}: what Today offers, pressed on its day, ends with seed of each in the drawer and nothing missed`, async ({
    browser,
  }) => {
    test.setTimeout(180_000);
    const server = await startServer("empty");
    const page = await browser.newPage({ baseURL: server.url });
    const on = (day: string) => page.context().addCookies([{ name: "day", value: day, url: server.url }]);
    let id = "";
    const send = async (name: string, data: object) => {
      const answer = await page.request.post(`/api/commands/${name}`, { data, headers: { "x-day": first } });
      const told = (await answer.json()) as { ok: boolean; id: string; message: string };
      if (!told.ok) throw new Error(told.message);
      id = told.id;
      return id;
    };
    await on(first);
    await send("garden.begin", { name: "Plot", units: "metric", ...garden });
    for (const [i, { name, species, ...stand }] of stands.entries()) {
      const bedId = await send("bed.add", { name: `bed ${i}`, x: i * 12, y: 0, width: 10, length: 4 });
      const lineId = await send("line.add", { name, species, school: "keep-pure", status: "open-pollinated" });
      await send("stand.add", { lineId, bedId, ...stand });
    }
    for (let n = 0; n < days; n += 3) {
      await on(addDays(first, n));
      const html = await (await page.request.get("/")).text();
      expect(html, addDays(first, n)).not.toContain('aria-label="Too late?"');
      if (!new RegExp(`aria-label="(${PARTS})"`).test(html)) continue;
      await page.goto("/");
      let more = true;
      while (more) more = await press(page);
      const lots = (await (await page.request.get("/api/choices/lots")).json()) as { lineName: string }[];
      if (lots.length === stands.length) break;
    }
    await page.goto("/seed");
    for (const { name } of stands) await expect(page.getByRole("row", { name: new RegExp(name) })).toHaveCount(1);
    await page.close();
    await server.stop();
  });
