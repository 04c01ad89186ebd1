import type { APIRequestContext, Page } from "@playwright/test";
import sharp from "sharp";
import { holding } from "./screens";
import { expect, PHONE, startServer, test } from "./server";

const sheet = (page: Page) => page.getByRole("dialog");
const plant = (page: Page, number: number) => page.getByRole("gridcell", { name: new RegExp(`^Plant ${number},`) });
const last = (page: Page) => page.getByRole("status", { name: "Last score" });
const yardstick = (page: Page, name: RegExp) =>
  page.getByRole("group", { name: "Yardstick" }).getByRole("button", { name });

async function press(request: APIRequestContext, server: string, name: string, data: object) {
  const answer = await request.post(`${server}/api/commands/${name}`, { data });
  expect(answer.status(), await answer.text()).toBe(200);
  return (await answer.json()) as { id: string; code: string };
}

/** A line with a family of its own and a yardstick to score it on. */
async function family(request: APIRequestContext, server: string, name: string, plants: number): Promise<string> {
  const line = await press(request, server, "line.add", {
    name,
    species: "lettuce",
    school: "keep-pure",
    status: "mix",
  });
  const stand = await press(request, server, "stand.add", {
    lineId: line.id,
    sown: "2027-05-08",
    sowedSeeds: plants,
    plants,
    family: 1,
  });
  const scale = { kind: "scale", lowEnd: "poor", highEnd: "fine", wanted: "high" };
  await press(request, server, "yardstick.add", { lineId: line.id, name: "Heart", ...scale });
  await press(request, server, "yardstick.add", {
    lineId: line.id,
    name: "Height",
    kind: "number",
    unit: "cm",
    wanted: "low",
  });
  return stand.code;
}

test("sixty plants are scored with sixty keys, one is taken back, the best are kept and crossed", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  const code = await family(page.request, demo.url, "Sixty hearts", 60);
  await page.goto(`/nursery/${code}`);
  await plant(page, 1).focus();
  let keys = 0;
  for (let n = 1; n <= 60; n++) {
    await page.keyboard.press(String(1 + (n % 9)));
    keys++;
  }
  expect(keys).toBe(60);
  await expect(last(page)).toContainText("plant 60: Heart 7");
  // Sixty are sent in order, which takes a busy machine its time.
  await expect(yardstick(page, /^Heart all/)).toBeVisible({ timeout: 30_000 });
  await page.reload();
  await yardstick(page, /^Heart/).click();
  await expect(plant(page, 60)).toHaveAccessibleName("Plant 60, Heart 7");
  await expect(plant(page, 8)).toHaveAccessibleName("Plant 8, Heart 9");

  // Scored once more it is corrected; taken back it is what it was.
  await plant(page, 60).focus();
  await page.keyboard.press("2");
  await expect(last(page)).toContainText("plant 60: Heart 2");
  await page.keyboard.press("Control+z");
  await expect(plant(page, 60)).toHaveAccessibleName("Plant 60, Heart 7");

  // Figures are one key beside each: Enter. What nobody measured is gone to by one more.
  await yardstick(page, /^Height/).click();
  await plant(page, 1).focus();
  for (const figure of ["24", "25,5", "31"]) {
    await page.keyboard.type(figure);
    await page.keyboard.press("Enter");
  }
  await expect(plant(page, 2)).toHaveAccessibleName("Plant 2, Height 25.5");
  await page.keyboard.press("Home");
  await page.keyboard.press("u");
  await expect(plant(page, 4)).toBeFocused();
  await page.keyboard.press("ArrowDown");
  await expect(plant(page, 4)).not.toBeFocused();

  // The best by the aim are kept by one press, and planned to cross.
  const better = page.getByRole("region", { name: "Who is really better" });
  await better.getByLabel("How many are kept").fill("5");
  await expect(better.getByRole("listitem").first()).toContainText(/in the best 5: \d+ in \d+/);
  await better.getByRole("button", { name: "Keep these 5" }).click();
  await expect(page.getByText("60 plants standing, 5 kept")).toBeVisible();
  await page.getByRole("button", { name: "Self or intercross by hand" }).click();
  await sheet(page).getByLabel("How").selectOption({ label: "Cross them in a ring: mixes the best again" });
  await sheet(page).getByRole("button", { name: "Plan it" }).click();
  await expect(page).toHaveURL(/crosses\?season=/);
  await page.close();
});

test("two who score one plant at once: the first is kept, the second is told and may put theirs in its place", async ({
  browser,
  demo,
}) => {
  const [one, two] = [await browser.newPage({ baseURL: demo.url }), await browser.newPage({ baseURL: demo.url })];
  const code = await family(one.request, demo.url, "Two at once", 6);
  for (const page of [one, two]) {
    await page.goto(`/nursery/${code}`);
    await plant(page, 1).focus();
  }
  await one.keyboard.press("7");
  await expect(last(one)).toContainText("plant 1: Heart 7");
  await expect(yardstick(one, /^Heart 1 of 6/)).toBeVisible();
  await two.keyboard.press("4");
  await expect(last(two)).toContainText("was scored 7 meanwhile");
  await expect(plant(two, 1)).toHaveAccessibleName("Plant 1, Heart 4, not taken");
  await expect(yardstick(two, /^Heart 1 of 6/)).toBeVisible();
  await two.keyboard.press("ArrowLeft");
  const kept = two.waitForResponse(/score\.set/);
  await two.keyboard.press("4");
  expect((await kept).status()).toBe(200);
  await expect(plant(two, 1)).toHaveAccessibleName("Plant 1, Heart 4");
  await two.reload();
  await expect(plant(two, 1)).toHaveAccessibleName("Plant 1, Heart 4");
  for (const page of [one, two]) await page.close();
});

test("on the phone with the server away scores are given by thumb, corrected, and arrive when it answers", async ({
  browser,
  demo,
}) => {
  const context = await browser.newContext({ baseURL: demo.url, ...PHONE });
  const page = await context.newPage();
  const code = await family(page.request, demo.url, "Far bed", 6);
  await page.goto(`/nursery/${code}`);
  await plant(page, 2).tap();
  const heart = sheet(page)
    .getByRole("radiogroup", { name: "Heart" })
    .or(sheet(page).getByRole("group", { name: "Heart" }));
  await expect(heart).toBeVisible();
  await context.setOffline(true);
  await heart.getByRole("radio", { name: "8" }).tap();
  await expect(sheet(page).getByRole("status", { name: "Last score" })).toContainText("plant 2: Heart 8");
  await heart.getByRole("radio", { name: "6" }).tap();
  await sheet(page).getByRole("button", { name: "Next plant" }).tap();
  await heart.getByRole("radio", { name: "3" }).tap();
  await expect(heart.getByRole("radio", { name: "3" })).toHaveAttribute("aria-checked", "true");
  await context.setOffline(false);
  await page.keyboard.press("Escape");
  await expect(page.getByRole("region", { name: "Kept on this device" })).toHaveCount(0, { timeout: 30_000 });
  await page.reload();
  await expect(plant(page, 2)).toHaveAccessibleName("Plant 2, Heart 6");
  await expect(plant(page, 3)).toHaveAccessibleName("Plant 3, Heart 3");
  await context.close();
});

test("what is wanted is said, weighed by pairs, and what is changed in meaning begins anew", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  const code = await family(page.request, demo.url, "Aimed at", 6);
  // What is reckoned comes late; what is pressed meanwhile does not move away from under the finger.
  const { letGo } = await holding(page, "**/api/jobs/nursery.worth");
  await page.goto(`/nursery/${code}`);
  const better = page.getByRole("region", { name: "Who is really better" });
  const choose = page.getByRole("button", { name: "Choose yardsticks" });
  await expect(better).toContainText("Calculating");
  const { y } = (await choose.boundingBox())!;
  await letGo();
  await expect(better).toContainText("Not known yet");
  expect(Math.abs((await choose.boundingBox())!.y - y)).toBeLessThan(10);
  await choose.click();
  await sheet(page).getByLabel("Taste", { exact: true }).check();
  await sheet(page).getByRole("button", { name: "Take it" }).click();
  await expect(yardstick(page, /^Taste/)).toBeVisible();
  const marks = page.getByRole("region", { name: "Yardsticks" });
  await marks.getByRole("listitem").filter({ hasText: "Height" }).getByRole("button").click();
  await sheet(page).getByLabel("Wanted", { exact: true }).selectOption({ label: "Within a range" });
  await sheet(page).getByLabel("From").fill("30");
  await sheet(page).getByLabel("To", { exact: true }).fill("20");
  await sheet(page).getByRole("button", { name: "Save", exact: true }).click();
  await expect(sheet(page).getByText("A range goes up: more than 30.")).toBeVisible();
  await sheet(page).getByLabel("From").fill("15");
  await sheet(page).getByRole("button", { name: "What puts a plant out" }).click();
  await sheet(page).getByLabel("Out above").fill("40");
  await sheet(page).getByRole("button", { name: "Save", exact: true }).click();
  await expect(marks).toContainText("from 15 to 20 cm; above 40 cm is out");

  await page.getByRole("button", { name: "Weigh them by comparing pairs" }).click();
  for (const name of ["much rather Heart", "the same to me", "much rather Heart"])
    await sheet(page)
      .getByRole("group")
      .filter({ has: page.getByRole("button", { name }) })
      .filter({ hasNot: page.locator("[aria-pressed=true]") })
      .first()
      .getByRole("button", { name })
      .click();
  await sheet(page).getByRole("button", { name: "Keep these weights" }).click();
  await expect(marks.getByRole("listitem").filter({ hasText: "Heart" })).toContainText("weighs 3.6 (60 %)");

  await plant(page, 1).focus();
  await page.keyboard.press("7");
  await expect(yardstick(page, /^Heart 1 of 6/)).toBeVisible();
  await marks.getByRole("listitem").filter({ hasText: "Heart" }).getByRole("button").click();
  await sheet(page).getByLabel("9 means").fill("firm to the last leaf");
  await sheet(page).getByRole("button", { name: "Change", exact: true }).click();
  await expect(page.getByText("begins anew; what was scored before stays")).toBeVisible();
  await expect(yardstick(page, /^Heart 0 of 6/)).toBeVisible();
  await page.close();
});

test("a roguing walk passes every plant with the server away, and is told as done; a sister is compared", async ({
  browser,
  demo,
}) => {
  const context = await browser.newContext({ baseURL: demo.url, ...PHONE });
  const page = await context.newPage();
  const code = await family(page.request, demo.url, "Walked over", 4);
  await page.goto(`/nursery/${code}/roguing`);
  await page.getByRole("button", { name: "Describe an off-type" }).click();
  await sheet(page).getByLabel("Name").fill("red leaf");
  await sheet(page).getByLabel("Inherited").selectOption("dominant");
  await sheet(page).getByRole("button", { name: "Add it" }).click();
  await expect(page.getByText("Dominant: every plant that has it shows it")).toBeVisible();
  await page.getByRole("button", { name: "Walk it plant by plant" }).tap();
  await context.setOffline(true);
  await sheet(page).getByRole("button", { name: "It belongs" }).tap();
  await expect(sheet(page).getByText("Plant 2", { exact: true })).toBeVisible();
  await sheet(page).getByRole("button", { name: "Out: red leaf" }).tap();
  await expect(sheet(page).getByText("3 of 4, 1 out")).toBeVisible();
  await sheet(page).getByLabel("Out for another reason").fill("bolted");
  await sheet(page).getByRole("button", { name: "Out", exact: true }).tap();
  await sheet(page).getByRole("button", { name: "It belongs" }).tap();
  await expect(sheet(page).getByText("All 4 looked at: 2 plants out.")).toBeVisible();
  await context.setOffline(false);
  await sheet(page).getByRole("button", { name: "Save the walk" }).tap();
  await expect(page.getByRole("heading", { name: /^2 plants looked over on/ })).toBeVisible();
  await expect(page.getByText(/1 red leaf; 1 bolted|1 bolted; 1 red leaf/)).toBeVisible();
  await page.getByRole("combobox", { name: "Off-type" }).selectOption("red leaf");
  await expect(page.getByRole("combobox", { name: "Inherited" })).toHaveValue("dominant");
  await page.goto(`/nursery/${code}/compare`);
  await expect(page.getByText("Nothing was scored yet")).toBeVisible();
  await context.close();
});

test("kept plants are paired by kinship, and their crosses planned in one press", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  const code = await family(page.request, demo.url, "Paired bed", 6);
  await page.goto(`/nursery/${code}`);
  const next = page.getByRole("region", { name: "Next generation" });
  await expect(next).toContainText("as keep or seed parent first");
  for (const number of [2, 4, 5]) {
    await plant(page, number).click();
    await page.keyboard.press("k");
    await expect(plant(page, number)).toHaveAccessibleName(/keep/);
  }
  await next.getByRole("button", { name: "Pair them by kinship" }).click();
  const pairs = sheet(page).getByRole("region", { name: "Pairs" });
  await expect(pairs.getByRole("listitem")).toHaveCount(3);
  // Plants of a mix that selfs are lines of their own.
  await expect(pairs.getByRole("heading", { name: "Seed 0 % inbred" })).toBeVisible();
  await expect(pairs).toContainText("at random among them 33 %");
  await sheet(page).getByRole("checkbox", { name: "plant 4" }).uncheck();
  await expect(pairs).toContainText("at random among them 50 %");
  await sheet(page).getByLabel("Crosses").fill("1");
  await expect(pairs.getByRole("listitem")).toHaveCount(1);
  await sheet(page).getByRole("button", { name: "Plan this cross" }).click();
  await expect(page).toHaveURL(/\/crosses\?season=2027/);
  await expect(page.getByText("1 cross planned")).toBeVisible();
  await page.close();
});

test("a family that was opened is there by its link with the server gone; a picture taken then arrives, small", async ({
  browser,
}) => {
  const server = await startServer("demo");
  const context = await browser.newContext({ baseURL: server.url, serviceWorkers: "allow", ...PHONE });
  const page = await context.newPage();
  const code = await family(page.request, server.url, "Farthest bed", 6);
  await page.goto(`/nursery/${code}`);
  const kept = () =>
    page.evaluate(async (path) => (await caches.match(path, { ignoreVary: true })) !== undefined, `/nursery/${code}`);
  await expect.poll(kept, { timeout: 20_000 }).toBe(true);
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.goto("/");
  await server.kill();
  await page.goto(`/nursery/${code}`);
  await plant(page, 2).tap();
  const pictures = sheet(page).getByRole("region", { name: "Pictures" });
  const take = pictures.getByLabel("Take a picture");
  await take.setInputFiles({ name: "list.txt", mimeType: "text/plain", buffer: Buffer.from("no picture") });
  await expect(pictures.getByRole("alert")).toHaveText("list.txt is no picture that this browser can show.");
  const buffer = await sharp({ create: { width: 3000, height: 1500, channels: 3, background: "#a33" } })
    .jpeg()
    .toBuffer();
  await take.setInputFiles({ name: "plant.jpg", mimeType: "image/jpeg", buffer });
  await expect(pictures.getByRole("img", { name: /kept on this device/ })).toBeVisible();
  await expect(pictures.getByRole("alert")).toHaveCount(0);
  await sheet(page).getByRole("radio", { name: "Keep" }).tap();
  // It outlives the page.
  await page.goto(`/nursery/${code}`);
  await plant(page, 2).tap();
  await expect(pictures.getByRole("img", { name: /kept on this device/ })).toBeVisible();
  await server.restart();
  await expect(page.getByRole("region", { name: "Kept on this device" })).toHaveCount(0, { timeout: 30_000 });
  const there = pictures.getByRole("img", { name: new RegExp(`^${code} plant 2 on`) });
  await expect(there).toBeVisible();
  await expect.poll(() => there.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(320);
  const address = (await there.getAttribute("src"))!.replace("?small", "");
  const whole = await page.request.get(server.url + address);
  expect(await sharp(await whole.body()).metadata()).toMatchObject({ width: 1600, height: 800 });
  await expect(page.getByRole("gridcell", { name: /^Plant 2, .*keep, 1 picture/, includeHidden: true })).toHaveCount(1);
  // Taken away, and brought back by its undo.
  await there.tap();
  await sheet(page).last().getByRole("button", { name: "Take it away" }).tap();
  await expect(there).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).last().tap();
  await expect(page.getByRole("gridcell", { name: /^Plant 2, .*1 picture/, includeHidden: true })).toHaveCount(1);
  await context.close();
  await server.stop();
});

test("a blind tasting: set up, tasted by two on their phones, closed, and taken as scores", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  const code = await family(page.request, demo.url, "Tasted bed", 6);
  await page.goto(`/nursery/${code}`);
  await page.getByText("More to do with it").click();
  await page.getByRole("link", { name: "Taste", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Not tasted yet" })).toBeVisible();
  await page.getByRole("button", { name: "Set up a tasting" }).click();
  for (const number of [1, 2, 3])
    await sheet(page)
      .getByRole("button", { name: `Plant ${number}`, exact: true })
      .click();
  await sheet(page).getByLabel("How many taste").fill("2");
  await sheet(page).getByRole("button", { name: "Serve 3 plants" }).click();
  await expect(page.getByRole("heading", { name: "Heart: 0 of 6 bites" })).toBeVisible();
  await page.getByText("What lies under which code").click();
  const codes = new Map<string, number>();
  for (const row of await page
    .getByRole("row")
    .filter({ hasText: /plant \d/ })
    .all()) {
    const [served, plantName] = await row.getByRole("cell").allTextContents();
    codes.set(served!, Number(plantName!.replace("plant ", "")));
  }
  expect([...codes.values()].sort()).toEqual([1, 2, 3]);
  // The first plant is far better to both; the second taster is harder by one.
  for (const taster of [1, 2]) {
    const context = await browser.newContext({ baseURL: demo.url, ...PHONE });
    const phone = await context.newPage();
    await phone.goto(
      (await page.getByRole("link", { name: new RegExp(`^Taster ${taster}`) }).getAttribute("href")) as string,
    );
    await expect(phone.getByRole("heading", { name: `Taster ${taster}: Heart` })).toBeVisible();
    await expect(phone.getByRole("main")).not.toContainText(/plant \d/);
    if (taster === 2) await context.setOffline(true);
    for (const [served, number] of codes)
      await phone
        .getByRole("group", { name: served })
        .or(phone.getByRole("radiogroup", { name: served }))
        .getByRole("radio", { name: String((number === 1 ? 9 : 3) - taster) })
        .tap();
    await expect(phone.getByText("All tasted. Thank you.")).toBeVisible();
    await context.setOffline(false);
    await expect(async () => {
      await page.reload();
      await expect(page.getByRole("heading", { name: `Heart: ${3 * taster} of 6 bites` })).toBeVisible({
        timeout: 500,
      });
    }).toPass({ timeout: 30_000 });
    await context.close();
  }
  await page.getByRole("button", { name: "Close it, take as scores" }).click();
  await expect(page.getByRole("heading", { name: "Plant 1 tasted best" })).toBeVisible();
  await page.goto(`/nursery/${code}`);
  await expect(plant(page, 1)).toHaveAccessibleName("Plant 1, Heart 7.5");
  await expect(plant(page, 3)).toHaveAccessibleName("Plant 3, Heart 1.5");
  await page.close();
});
