import Database from "better-sqlite3";
import { addDays } from "../src/core/calendar/day";
import { beside, expect, startServer, test } from "./server";

const FIRST = "2027-03-01";
const ROWS = 6;
/** What is asked of one planting after the other, as each flowers in its own time, or is cleaned as a lot of its own. */
const EACH = ["first-flower", "keep"];

test("a bed of six rows is one piece of work from sowing to seed, in eight presses at most an act", async ({
  browser,
}) => {
  test.slow();
  const server = await startServer("empty");
  const page = await browser.newPage({ baseURL: server.url });
  const { on, send } = beside(page, server.url, FIRST);
  const place = { latitude: 50, longitude: 14, timezone: "Europe/Prague", lastFrost: "05-12", firstFrost: "10-10" };
  await send("garden.begin", { name: "Plot", units: "metric", ...place });
  const bedId = await send("bed.add", { name: "C", x: 0, y: 0, width: 8, length: 2 });
  const line = { name: "Kiln", species: "tomato", school: "cross-and-fix", status: "breeding-line" };
  const lineId = await send("line.add", line);
  for (let i = 0; i < ROWS; i++) {
    const lotId = await send("lot.receive", { lineId, gathered: FIRST, seeds: 40, generation: 3 });
    await send("stand.add", { lineId, lotId, bedId, sown: "2027-03-10", sowedSeeds: 12, wanted: 8, family: 1 });
  }
  const presses = new Map<string, number>();
  const deeds = () => {
    const db = new Database(server.db, { readonly: true });
    const rows = db.prepare("SELECT act, count(*) n FROM deed WHERE how = 'done' GROUP BY act").all();
    db.close();
    return new Map((rows as { act: string; n: number }[]).map(({ act, n }) => [act, n]));
  };
  for (let day = "2027-03-10"; day < "2027-10-25"; day = addDays(day, 3)) {
    const html = await (await fetch(server.url, { headers: { cookie: `day=${day}` } })).text();
    if (!html.includes("Kiln F3, 6 rows")) continue;
    await on(day);
    await page.goto("/");
    const group = page.getByRole("listitem").filter({ hasText: `Kiln F3, ${ROWS} rows` });
    const done = group.getByRole("button", { name: /^(Done|All 6 done)/ });
    for (let left = await done.count(); left > 0; left--) {
      const before = deeds();
      await done.first().click();
      let pressed = 1;
      const save = page.getByRole("dialog").getByRole("button", { name: `Save all ${ROWS}` });
      const toast = page.locator("[data-sonner-toast]").filter({ hasText: `${ROWS} plantings` });
      await expect(save.or(toast.first()).first()).toBeVisible();
      if (await save.isVisible()) {
        await save.click();
        pressed++;
        await expect(save).toBeHidden();
      }
      await expect.poll(() => [...deeds()].some(([act, n]) => n === (before.get(act) ?? 0) + ROWS)).toBe(true);
      const [act] = [...deeds()].find(([one, n]) => n !== (before.get(one) ?? 0))!;
      presses.set(act, (presses.get(act) ?? 0) + pressed);
      await page.reload();
    }
  }
  const acts = [...presses.keys()];
  expect(acts).toEqual(expect.arrayContaining(["sow", "look-up", "plant-out", "stake", "rogue", "gather"]));
  for (const [act, count] of presses) {
    // A walk that comes again is pressed again, each time for the whole bed.
    const times = deeds().get(act)! / ROWS;
    expect(Number.isInteger(times), act).toBe(true);
    expect(count / times, act).toBeLessThanOrEqual(8);
  }
  expect(acts.filter((act) => EACH.includes(act))).toEqual([]);
  await page.close();
  await server.stop();
});
