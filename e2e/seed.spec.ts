import type { Page } from "@playwright/test";
import { expect, test } from "./server";

const sheet = (page: Page) => page.getByRole("dialog");
const said = (page: Page, words: string | RegExp) =>
  page.locator("[data-sonner-toast]").filter({ hasText: words }).first();

/** Presses straight to the records, as another device would. */
async function record(page: Page, name: string, input: object): Promise<{ id: string; code: string }> {
  const answer = await page.request.post(`/api/commands/${name}`, { data: input });
  const done = (await answer.json()) as { ok: boolean; id: string; code: string; message: string };
  expect(done.ok, done.message).toBe(true);
  return done;
}

const addDays = (day: string, days: number) =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

/** The device stands on a day, and what it shows is of that day. */
async function dayIs(page: Page, day: string): Promise<void> {
  await page.context().addCookies([{ name: "day", value: day, url: page.url().split("/seed")[0]! }]);
  await page.reload();
}

/** A hand scanner types a tag's code and Enter, faster than any hand. */
async function scan(page: Page, code: string): Promise<void> {
  await page.evaluate((typed) => {
    for (const key of [...typed, "Enter"])
      window.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true, cancelable: true }));
  }, code);
}

const GARDEN = {
  name: "Tarnholt",
  latitude: 48.6,
  longitude: 9.3,
  timezone: "Europe/Zurich",
  lastFrost: "05-14",
  firstFrost: "10-06",
  units: "metric",
};

/** A tag is scanned until the page has taken it: it may not be awake yet, or not show what another device did. */
async function pickUp(page: Page, code: string, words: string): Promise<void> {
  await expect(async () => {
    await scan(page, code);
    await expect(page.getByRole("status").filter({ hasText: "In hand" })).toContainText(words, { timeout: 700 });
  }).toPass();
}

/** A garden with a table: a line of beans and one of tomatoes, and vessels with tags; begun by the first who needs it. */
async function table(page: Page, day: string, mark: string) {
  await page.context().addCookies([{ name: "day", value: day, url: page.url() }]);
  await page.request.post("/api/commands/garden.begin", { data: GARDEN });
  const line = (name: string, species: string) =>
    record(page, "line.add", { name, species, school: "keep-pure", status: "open-pollinated" });
  const vessel = (kind: string, name: string) => record(page, "vessel.add", { kind, name });
  return {
    bean: (await line("Duskwing", "runner-bean")).id,
    kiln: (await line("Low Kiln", "tomato")).id,
    thimble: (await line("Wren's Thimble", "tomato")).id,
    crate: await vessel("crate", `Crate ${mark}`),
    cup: await vessel("cup", `Cup ${mark}`),
    other: await vessel("cup", `Bowl ${mark}`),
    strainer: await vessel("strainer", `Strainer ${mark}`),
    plate: await vessel("plate", `Plate ${mark}`),
    tray: await vessel("tray", `Tray ${mark}`),
  };
}

test("seed goes from pods over table, freezer and packet to a test and a tray, by its tags", async ({
  browser,
  empty,
}) => {
  const page = await browser.newPage({ baseURL: empty.url });
  const day = "2027-09-20";
  await page.goto("/seed");
  const { bean, crate, tray, plate } = await table(page, day, "A");
  const lot = await record(page, "lot.receive", { lineId: bean, gathered: day, fruits: 14 });
  await dayIs(page, day);
  await expect(page.getByRole("heading", { name: "1 thing calls you today" })).toBeVisible();

  await pickUp(page, lot.code, lot.code);
  await scan(page, crate.code);
  await expect(said(page, `Lot ${lot.code} in Crate A`)).toBeVisible();

  await page.getByRole("button", { name: "Begin" }).first().click();
  await expect(sheet(page).getByLabel("How")).toHaveValue("shell");
  await sheet(page).getByLabel("Into").selectOption({ label: "Tray A" });
  await sheet(page).getByRole("button", { name: "Begin" }).click();
  await expect(said(page, "shell by hand")).toBeVisible();
  // The vessel that it lies in, and the one it goes into: the step that leads there is recorded.
  await pickUp(page, tray.code, "from Tray A");
  await scan(page, plate.code);
  await expect(said(page, `Lot ${lot.code}: spread to dry`)).toBeVisible();

  // Wet seed is not frozen, whoever asks.
  const frozen = await page.request.post("/api/commands/table.do", { data: { lotId: lot.id, act: "freeze" } });
  expect(((await frozen.json()) as { message: string }).message).toContain("Only dry seed is frozen");

  await page.goto(`/seed/${lot.code}`);
  await expect(page.getByText(/Dry \d+ \w+, nine chances in ten/)).toBeVisible();
  await page.getByRole("button", { name: "Weigh it" }).click();
  await sheet(page).getByLabel("Seed without its plate").fill("0");
  await sheet(page).getByRole("button", { name: "Save" }).click();
  await expect(sheet(page).getByText("Say what it weighs.")).toBeVisible();
  // Out of the server's reach it is kept on the device, and sent when it answers again.
  await page.context().setOffline(true);
  await sheet(page).getByLabel("Seed without its plate").fill("96.5");
  await sheet(page).getByRole("button", { name: "Save" }).click();
  const kept = page.getByRole("region", { name: "Kept on this device" });
  await expect(kept.getByText("1 kept on this device.")).toBeVisible();
  await expect(sheet(page)).toBeHidden();
  await page.context().setOffline(false);
  await expect(kept).toBeHidden();
  await expect(page.getByText(/96\.5 g/).first()).toBeVisible();

  await dayIs(page, addDays(day, 40));
  await page.getByRole("button", { name: "No dent: dry" }).click();
  await expect(page.getByRole("heading", { name: /It is dry/ })).toBeVisible();
  await page.getByRole("button", { name: /Freeze it/ }).click();
  await expect(page.getByRole("heading", { name: /It lies in the freezer/ })).toBeVisible();
  await dayIs(page, addDays(day, 44));
  await page.getByRole("button", { name: /Out of the freezer/ }).click();
  await expect(said(page, "out of the freezer")).toBeVisible();
  await dayIs(page, addDays(day, 46));

  await page.getByRole("button", { name: "Into packets" }).click();
  await sheet(page).getByLabel("Seeds, counted").fill("80");
  await sheet(page).getByLabel("Packets").fill("2");
  await sheet(page).getByLabel("Seeds in each").fill("41");
  await sheet(page).getByLabel("Reserves").fill("1");
  await sheet(page).getByRole("button", { name: "Into packets" }).click();
  await expect(sheet(page).getByText("That is 82 seeds in packets; the lot holds 80.")).toBeVisible();
  await sheet(page).getByLabel("Seeds in each").fill("40");
  await sheet(page).getByRole("button", { name: "Into packets" }).click();
  await expect(page.getByRole("heading", { name: "2 packets" })).toBeVisible();
  await expect(page.getByText(`${lot.code} / 2`)).toBeVisible();

  await page.getByRole("button", { name: "Set a test" }).click();
  await sheet(page).getByLabel("Seeds tested").fill("10");
  await sheet(page).getByRole("button", { name: "Set it" }).click();
  await expect(said(page, "10 seeds of lot")).toBeVisible();
  await dayIs(page, addDays(day, 56));
  await page.getByRole("button", { name: "Count", exact: true }).click();
  await sheet(page).getByLabel("Up so far").fill("11");
  await sheet(page).getByRole("button", { name: "Save" }).click();
  await expect(sheet(page).getByText("Only 10 seeds were tested.")).toBeVisible();
  await sheet(page).getByLabel("Up so far").fill("9");
  await sheet(page)
    .getByLabel(/This was the last count/)
    .check();
  await sheet(page).getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("90 in 100, nine chances in ten from 65 to 98")).toBeVisible();

  // Beans are sown in their place: one way, by the seed; what is chosen stands in the form.
  const many = page.getByRole("region", { name: "How many seeds" });
  await many.getByLabel("Plants wanted").fill("20");
  const way = many.getByRole("listitem").first();
  const seeds = /(\d+) seeds/.exec((await way.textContent())!)![1]!;
  expect(Number(seeds)).toBeGreaterThan(20);
  await way.getByRole("button", { name: /^Sow so/ }).click();
  await expect(sheet(page).getByLabel("Seeds: ")).toHaveValue(seeds);
  await sheet(page).getByRole("button", { name: "How it is raised" }).click();
  await sheet(page).getByLabel("Trays").fill("2");
  await sheet(page).getByLabel("Number the plants").check();
  await sheet(page).getByRole("button", { name: "Save sowing" }).click();
  await expect(sheet(page).getByText("It is sown in the ground; no tray stands there.")).toBeVisible();
  await sheet(page).getByLabel("Sown in").selectOption({ label: "Pots" });
  await sheet(page).getByRole("button", { name: "Save sowing" }).click();
  await expect(page).toHaveURL(/nursery/);
  await page.getByText("More to do with it").click();
  await expect(page.getByRole("link", { name: "Print its tags" })).toBeVisible();
  await page.close();
});

test("two people at one table: a strainer that was not cleaned is refused, and so is seed that went on", async ({
  browser,
  empty,
}) => {
  const context = await browser.newContext({ baseURL: empty.url });
  const page = await context.newPage();
  const day = "2027-09-20";
  await page.goto("/seed");
  const { kiln, thimble, cup, other, strainer, plate } = await table(page, day, "B");
  const fruit = (lineId: string) => record(page, "lot.receive", { lineId, gathered: day, fruits: 6 });
  const [one, two] = [await fruit(kiln), await fruit(thimble)];
  const begin = (lotId: string, vesselId: string) =>
    record(page, "table.begin", { lotId, way: "rinse", vesselId, on: day, at: "08:00" });
  await begin(one.id, cup.id);
  await begin(two.id, other.id);
  await dayIs(page, day);
  const second = await context.newPage();
  await second.goto("/seed");
  // In hand already when the other moves it.
  await pickUp(second, cup.code, "from Cup B");

  await pickUp(page, cup.code, "from Cup B");
  await scan(page, strainer.code);
  await expect(said(page, `Lot ${one.code}: rinsed`)).toBeVisible();
  // The other tab still has it from its cup.
  await scan(second, plate.code);
  await expect(said(second, "lies in Strainer B, not in Cup B")).toBeVisible();

  await record(page, "table.do", { lotId: one.id, act: "float" });
  await page.reload();
  await pickUp(page, strainer.code, "from Strainer B");
  await scan(page, plate.code);
  await expect(said(page, `Lot ${one.code}: spread to dry`)).toBeVisible();
  await pickUp(page, other.code, "from Bowl B");
  await scan(page, strainer.code);
  await expect(said(page, `Strainer B held lot ${one.code} and was not signed clean`)).toBeVisible();
  await page.getByRole("button", { name: "Put it down" }).click();
  await page.getByRole("button", { name: /^Strainer B/ }).click();
  await sheet(page).getByLabel("Signed by").fill("R");
  await sheet(page).getByRole("button", { name: "Sign it clean" }).click();
  await expect(said(page, "Strainer B is signed clean by R")).toBeVisible();
  await pickUp(page, other.code, "from Bowl B");
  await scan(page, strainer.code);
  await expect(said(page, `Lot ${two.code}: rinsed`)).toBeVisible();
  await context.close();
});

test("a fraction kept apart and put together again keeps its shares; a broken chain stays on its card", async ({
  browser,
  empty,
}) => {
  const page = await browser.newPage({ baseURL: empty.url });
  const day = "2027-09-20";
  await page.goto("/seed");
  const { kiln, plate } = await table(page, day, "C");
  const lot = await record(page, "lot.receive", { lineId: kiln, gathered: day, fruits: 6 });
  await record(page, "table.move", { lotId: lot.id, vesselId: plate.id });
  await dayIs(page, day);
  // The vessel on the table, not the press in the list above it.
  const opened = () =>
    page
      .getByRole("region", { name: "The table" })
      .getByRole("button", { name: new RegExp(lot.code) })
      .click();
  await opened();
  await sheet(page).getByLabel("Share of the lot").fill("25");
  await sheet(page).getByRole("button", { name: "Keep it apart" }).click();
  await expect(said(page, `Lot ${lot.code} parted`)).toBeVisible();
  await opened();
  await sheet(page).getByLabel("What happened").fill("the cat");
  await sheet(page).getByRole("button", { name: "The chain is broken" }).click();
  await expect(said(page, "the chain is broken")).toBeVisible();
  await opened();
  await sheet(page).getByRole("button", { name: "Put them together" }).click();
  const toast = said(page, /put together as K27-\d+-., by equal parts/);
  const merged = /as (K27-\d+-.)/.exec((await toast.textContent())!)![1]!;
  await page.goto(`/seed/${merged}`);
  await expect(page.getByText("The chain is broken since")).toBeVisible();
  await expect(page.getByText(/50 % of it is lot/).first()).toBeVisible();
  const card = await page.request.get((await page.getByRole("link", { name: "Its card" }).getAttribute("href"))!);
  expect(await card.text()).toContain(`BROKEN ${day}: the cat`);
  await page.close();
});

test("a logger's bad days are told with what they cost; the simulated scale's weight is taken by hand", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/seed/drawer");
  const shelf = page.getByRole("listitem").filter({ hasText: "Kitchen shelf" });
  await shelf.getByRole("button", { name: "Read a logger" }).click();
  await sheet(page)
    .getByLabel("The logger's file")
    .setInputFiles({ name: "log.csv", mimeType: "text/csv", buffer: Buffer.from("2027-07-09T06:00,--,--\nrubbish") });
  await expect(sheet(page).getByText("No line could be read.")).toBeVisible();
  await sheet(page)
    .getByLabel("The logger's file")
    .setInputFiles({
      name: "log.csv",
      mimeType: "text/csv",
      buffer: Buffer.from("2027-07-08,31,80\n2027-07-09,31,80"),
    });
  await expect(said(page, "the air of 2 days read")).toBeVisible();
  await page.goto("/seed");
  await expect(page.getByText(/Kitchen shelf lay warm or damp for 2 days from 8 Jul/)).toBeVisible();

  await page.goto("/seed/drawer");
  await page
    .getByRole("row", { name: /Tallow Root/ })
    .getByRole("link")
    .first()
    .click();
  await page.getByRole("button", { name: "Weigh a sample" }).click();
  await sheet(page).getByText("From the scale").first().click();
  const take = sheet(page).getByRole("button", { name: "Take it" }).first();
  // Before anything lies still a press takes nothing, and says so.
  await take.click();
  await expect(sheet(page).getByText("Nothing was taken: press once it says settled.")).toBeVisible();
  await sheet(page).getByRole("button", { name: "Simulated scale" }).first().click();
  // It trembles while it sends, and then goes on showing what it settled on.
  await expect(async () => {
    await take.click({ timeout: 5000 });
    await expect(sheet(page).getByLabel("They weigh")).toHaveValue(/^0\.\d+$/, { timeout: 500 });
  }).toPass({ timeout: 60_000 });
  await sheet(page).getByRole("button", { name: "Save" }).click();
  await expect(said(page, "seeds a gram")).toBeVisible();
  await page.close();
});

test("on a sharing day what is spared is allotted in turns, and handed out", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/seed/sharing");
  await page.getByRole("button", { name: "Set a day down" }).click();
  await sheet(page).getByLabel("Name").fill("Market day");
  await sheet(page).getByLabel("Packets for each member").fill("1");
  await sheet(page).getByRole("button", { name: "Set it down" }).click();
  await page.getByRole("link", { name: "Market day" }).click();
  await page.getByRole("button", { name: "Offer a lot" }).click();
  await sheet(page).getByLabel("Lot").selectOption({ index: 1 });
  await sheet(page).getByLabel("Packets").fill("1");
  await sheet(page).getByLabel("Seeds in each").fill("900000");
  await sheet(page).getByRole("button", { name: "Offer it" }).click();
  await expect(sheet(page).getByText(/That is 900000 seeds; \d+ of lot/)).toBeVisible();
  await sheet(page).getByLabel("Seeds in each").fill("1");
  await sheet(page).getByRole("button", { name: "Offer it" }).click();
  await expect(said(page, "1 packet offered")).toBeVisible();
  for (const member of ["M 3", "M 7"]) {
    await page.getByRole("listitem").filter({ hasText: member }).getByRole("button", { name: "Wishes" }).click();
    await sheet(page).getByRole("listitem").first().getByRole("button").click();
    await sheet(page).getByRole("button", { name: "Keep the wishes" }).click();
    await expect(said(page, `${member}: 1 wish`)).toBeVisible();
  }
  await page.getByRole("button", { name: "Allot the wishes" }).click();
  await expect(page.getByRole("heading", { name: "1 of 2 wishes can be granted" })).toBeVisible();
  await expect(page.getByText("not: 2 wished for the one packet")).toBeVisible();
  await page.getByRole("button", { name: "Handed out" }).click();
  await expect(page.getByRole("heading", { name: "1 packet went out on Market day" })).toBeVisible();
  await page.close();
});

test("fruit is picked in passes, what does not match is set aside, and helpers have their list", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.context().addCookies([{ name: "day", value: "2027-08-02", url: demo.url }]);
  await page.goto("/seed/ripening");
  const row = page.locator("main li").filter({ hasText: "Wren's Thimble" });
  await row.getByRole("button", { name: "Pick" }).click();
  await sheet(page).getByLabel("The fruit is").selectOption("set-aside");
  await sheet(page).getByRole("button", { name: "Picked" }).click();
  await expect(sheet(page).getByText("Say in what it does not match")).toBeVisible();
  await sheet(page).getByLabel("What does not match").fill("yellow, should be red");
  await sheet(page).getByRole("button", { name: "Picked" }).click();
  await expect(said(page, "set aside: yellow")).toBeVisible();
  await row.getByRole("button", { name: "Pick" }).click();
  await sheet(page).getByLabel("Fruits or heads").fill("7");
  await sheet(page).getByRole("button", { name: "Picked" }).click();
  await expect(said(page, "7 fruits of")).toBeVisible();
  await expect(row).toContainText("7 fruits in 1 pass; 1 set aside.");
  const list = await page.request.get((await row.getByRole("link", { name: "Helpers' list" }).getAttribute("href"))!);
  expect(await list.text()).toContain("Picking for seed: Wren's Thimble");
  await row.getByRole("button", { name: "Release for eating" }).click();
  await expect(row).toContainText("Released for eating");
  await page.close();
});
