import type { Page } from "@playwright/test";
import { awake, holding, lastEntry } from "./screens";
import { expect, PHONE, test } from "./server";

const dialog = (page: Page) => page.getByRole("dialog");

test("the band opens by a press; the index stays at the top, and whole at 200 %; a device that is not at today goes back", async ({
  browser,
  demo,
}) => {
  const context = await browser.newContext({ baseURL: demo.url, viewport: { width: 1280, height: 800 } });
  await context.addCookies([{ name: "day", value: "2027-08-20", url: demo.url }]);
  const page = await context.newPage();
  const [index, band] = [
    page.getByRole("navigation", { name: "Main" }).first(),
    page.getByLabel("Season band").first(),
  ];
  await page.goto("/seed");
  await page
    .getByRole("button", { name: /^\d+ more$/ })
    .first()
    .click();
  expect((await band.boundingBox())!.height).toBeGreaterThan(150);
  // The index stays where it is when the page is scrolled.
  await page.mouse.wheel(0, 600);
  await expect.poll(async () => (await index.boundingBox())!.y).toBe(0);
  // At 200 % of 1280 the whole index is still there.
  await page.setViewportSize({ width: 640, height: 400 });
  const [last, scan] = [index.getByRole("link").last(), index.getByRole("button").first()];
  const shed = (await last.boundingBox())!;
  expect(shed.x + shed.width).toBeLessThan((await scan.boundingBox())!.x);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto("/round");
  await page
    .getByRole("button", { name: /stands on 20 Aug/ })
    .filter({ visible: true })
    .click();
  await expect(page.getByRole("button", { name: /stands on/ })).toHaveCount(0);
  await context.close();
});

test("it can be put beside a device's own programs: manifest and icons are there", async ({ demo, page }) => {
  await page.goto(`${demo.url}/guide`);
  const manifest = await page.locator("link[rel=manifest]").getAttribute("href");
  const { icons, start_url } = await (await page.request.get(`${demo.url}${manifest}`)).json();
  expect(start_url).toBe("/");
  const apple = (await page.locator("link[rel=apple-touch-icon]").getAttribute("href"))!;
  for (const src of [...icons.map((icon: { src: string }) => icon.src), apple]) {
    const answer = await page.request.get(new URL(src, demo.url).href);
    expect([answer.status(), answer.headers()["content-type"]]).toEqual([200, "image/png"]);
  }
  await expect(page.locator("meta[name=theme-color]")).toHaveCount(1);
});

test("Back closes a sheet and stays on its page; what was in hand has the focus again", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/guide");
  await page.goto("/lines");
  const open = page.getByRole("button", { name: "Add a line" });
  for (const close of [() => page.goBack(), () => page.keyboard.press("Escape")]) {
    await open.click();
    await dialog(page).getByLabel("Name").waitFor();
    await close();
    await expect(dialog(page)).toHaveCount(0);
    await expect(page).toHaveURL(/\/lines$/);
    await expect(open).toBeFocused();
  }
  // A form that is kept closes its sheet too, and one Back leads to the page before.
  await open.click();
  await dialog(page).getByLabel("Name").fill("Back and forth");
  await dialog(page).getByRole("combobox", { name: "Species" }).fill("courgette");
  await dialog(page).getByRole("button", { name: "Save" }).click();
  await expect(dialog(page)).toHaveCount(0);
  await expect(page.getByText("Back and forth").first()).toBeVisible();
  await page.goBack();
  await expect(page).toHaveURL(/\/guide$/);
  await page.close();
});

test("what a press opens is fetched with it, and while the server is away as soon as it is back", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/shed");
  const away = (on: boolean) =>
    on ? page.route("**/_next/static/**", (route) => route.abort()) : page.unroute("**/_next/static/**");
  await away(true);
  await page.getByRole("button", { name: "Change the garden" }).click();
  await expect(page.getByText("Being fetched.")).toBeVisible();
  await away(false);
  await expect(dialog(page).getByLabel("Name of the place")).toHaveValue("Tarnholt");
  // A page that was read for a while has fetched the rest by itself.
  await page.goto("/ground");
  await page.waitForTimeout(6_000);
  // One by one: a busy machine takes its time over them.
  let before = -1;
  const still = async () => {
    const all = await page.evaluate(() => performance.getEntriesByType("resource").length);
    const same = all === before;
    before = all;
    return same;
  };
  await expect.poll(still, { intervals: [1_500], timeout: 30_000 }).toBe(true);
  await away(true);
  await page.getByRole("button", { name: "Add beds" }).click();
  await expect(dialog(page).getByLabel("Name")).toBeVisible();
  await page.close();
});

test("any record is found in six keys and Enter; acts and screens by what they are called", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  const find = async (words: string, to: RegExp) => {
    await page.goto("/guide");
    await awake(page);
    await page.keyboard.press("/");
    await dialog(page).getByRole("combobox").waitFor();
    await page.keyboard.type(words);
    await page.keyboard.press("Enter");
    await expect(page, words).toHaveURL(to);
  };
  await page.goto("/seed/drawer");
  const lot = (await page.locator("td a[href^='/seed/']").first().getAttribute("href"))!.split("/").at(-1)!;
  await find(lot.replaceAll("-", "").slice(-6), new RegExp(`/seed/${lot}$`));
  await find("lant", /\/(nursery|lines)\//);
  await find("solanum mel", /\/guide\/aubergine$/);
  await find("drawer", /\/seed\/drawer$/);
  await find("sow a", /\/ground$/);
  await expect(dialog(page).getByText("Sow a planting").first()).toBeVisible();
  await page.keyboard.press("Escape");
  await page.goto("/guide");
  await awake(page);
  await page.keyboard.press("?");
  await dialog(page).getByLabel("Keys pressed by themselves work on this device").uncheck();
  await page.keyboard.press("Escape");
  await page.keyboard.press("/");
  await page.waitForTimeout(300);
  await expect(dialog(page)).toHaveCount(0);
  await page.keyboard.press("Control+k");
  await expect(dialog(page)).toHaveCount(1);
  await page.close();
});

test("on the phone five screens lie under the thumb, the rest one press further", async ({ browser, demo }) => {
  const context = await browser.newContext({ baseURL: demo.url, ...PHONE });
  const page = await context.newPage();
  await page.goto("/");
  const bar = page.getByRole("navigation", { name: "Main" }).filter({ visible: true });
  for (const one of await bar.locator("a, button").all())
    expect((await one.boundingBox())!.height).toBeGreaterThanOrEqual(44);
  await bar.getByRole("link", { name: "Beds" }).tap();
  await expect(page).toHaveURL(/\/ground$/);
  await bar.getByRole("button", { name: "More" }).tap();
  await dialog(page).getByRole("link", { name: "Seed" }).tap();
  await expect(page).toHaveURL(/\/seed$/);
  await page.goBack();
  await expect(page).toHaveURL(/\/ground$/);
  await page.getByRole("button", { name: /2027/ }).first().tap();
  await expect(page.getByLabel("Season band").filter({ visible: true })).toBeVisible();
  await context.close();
});

test("five plants are rogued in eight presses, with a reason of before, and stand again by one", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/nursery/F27-003-0");
  const out = page.getByText(/standing, \d+ kept, \d+ taken out/);
  const before = await out.textContent();
  let presses = 0;
  const press = async (name: string | RegExp, within = dialog(page).getByRole("button", { name }).first()) => {
    await within.click();
    presses++;
  };
  await press("", page.getByRole("button", { name: "Mark several" }));
  const plants = dialog(page).getByRole("group", { name: "Which plants?" }).getByRole("button");
  for (let i = 0; i < 5; i++) await press("", plants.nth(i));
  await press("", dialog(page).getByRole("group", { name: "Usual reasons" }).getByRole("button").first());
  await press("Take out 5 plants today");
  expect(presses).toBe(8);
  await expect(page.getByText(/5 plants taken out of F27-003-0/)).toBeVisible();
  await expect(out).not.toHaveText(before!);
  await page.getByRole("button", { name: "Undo" }).first().click();
  await expect(out).toHaveText(before!);
  await page.close();
});

/** Keeps a page's scripts from it until they are let go. */
const heldScripts = (page: Page) => holding(page, /_next\/static\/.*\.js/);

test("a flower is pollinated at dawn in two presses from Today, and taken back by one", async ({ browser, demo }) => {
  const context = await browser.newContext({ baseURL: demo.url, ...PHONE });
  const page = await context.newPage();
  const act = page.getByRole("status", { name: "Last act" });
  const said = async (words: RegExp) => {
    await expect(act).toContainText(words);
    await expect(act).not.toContainText("Waits here");
  };
  // The male flowers are fetched first, as they are on the way: pressed, and again, before the page can answer.
  const { held, letGo } = await heldScripts(page);
  await page.goto("/round", { waitUntil: "commit" });
  const fetched = page.getByRole("button", { name: /males fetched/ });
  await fetched.tap();
  await fetched.tap();
  expect(held()).toBeGreaterThan(5);
  await expect(act).not.toContainText("fetched");
  await letGo();
  await said(/fetched/);
  await page.goto("/");
  await page.getByRole("link", { name: "Walk the round" }).tap();
  await expect(page.getByText("X27-001-N14-7").first()).toBeVisible();
  await page.getByRole("button", { name: "Pollinated", exact: true }).tap();
  await said(/Flower 14 of X27-001-F: pollinated/);
  await act.getByRole("button", { name: "Undo" }).tap();
  await said(/[Uu]ndone|taken back/);
  // The first flower of a page stood there before the page could answer: a press for it counts.
  const again = await heldScripts(page);
  await page.goto("/round", { waitUntil: "commit" });
  await page.getByRole("button", { name: "Pollinated", exact: true }).tap();
  await again.letGo();
  await said(/Flower 14 of X27-001-F: pollinated/);
  await act.getByRole("button", { name: "Undo" }).tap();
  await said(/[Uu]ndone|taken back/);
  await page.goto("/shed/history");
  await expect(page.getByRole("button", { name: "Undo: X27-001-F: Lantern melon, fetched" })).toHaveCount(1);
  const entry = await lastEntry(page, "X27-001-F: Lantern melon, fetched");
  expect((await page.request.post("/api/undo", { data: { entry } })).ok()).toBe(true);
  await page.goto("/");
  await expect(page.getByText("Cut the tied males: 11 males")).toBeVisible();
  await context.close();
});

test("a press on its way moves nothing under the next one; it is spoken of once it takes long", async ({
  browser,
  demo,
}) => {
  const context = await browser.newContext({ baseURL: demo.url, ...PHONE });
  const page = await context.newPage();
  const { letGo } = await holding(page, "**/api/commands/**");
  await page.goto("/round");
  await awake(page);
  const top = () => page.locator("main").evaluate((main) => main.getBoundingClientRect().top + scrollY);
  const [before, sent] = [await top(), page.waitForRequest("**/api/commands/**")];
  await page.getByRole("button", { name: /males fetched/ }).tap();
  await sent;
  for (let i = 0; i < 5; i++) {
    expect(await top()).toBe(before);
    await page.waitForTimeout(100);
  }
  const kept = page.getByRole("region", { name: "Kept on this device" });
  await expect(kept).toContainText("1 kept on this device. Still on the way.");
  await letGo();
  await expect(kept).toHaveCount(0);
  expect(await top()).toBe(before);
  const act = page.getByRole("status", { name: "Last act" });
  await act.getByRole("button", { name: "Undo" }).tap();
  await expect(act).toContainText(/[Uu]ndone|taken back/);
  await context.close();
});

test("a press in whose midst the page wakes is answered once", async ({ browser, demo }) => {
  const context = await browser.newContext({ baseURL: demo.url });
  await context.addCookies([{ name: "day", value: "2027-08-20", url: demo.url }]);
  const page = await context.newPage();
  // Pressed just before the page begins to listen, and again before it stands: the second press makes it stand.
  await page.addInitScript(() => {
    const listen = EventTarget.prototype.addEventListener;
    EventTarget.prototype.addEventListener = function (...its: Parameters<typeof listen>) {
      if (this === document && its[0] === "click") {
        EventTarget.prototype.addEventListener = listen;
        const button = document.querySelector("header button[aria-expanded=false]")!;
        const press = () => button.dispatchEvent(new MouseEvent("click", { bubbles: true }));
        press();
        setTimeout(() => {
          document.documentElement.dataset.early = String("earlyPresses" in window);
          press();
        });
      }
      listen.apply(this, its);
    };
  });
  await page.goto("/seed");
  await awake(page);
  await expect(page.locator("html")).toHaveAttribute("data-early", "true");
  await expect(page.locator("header button[aria-expanded=true]")).not.toHaveCount(0);
  await context.close();
});

test("what is typed before a page is awake stays, and is read", async ({ browser, empty }) => {
  const page = await browser.newPage({ baseURL: empty.url });
  const { letGo } = await heldScripts(page);
  await page.goto("/", { waitUntil: "commit" });
  await page.getByLabel("Name of the place").fill("Tarnholt");
  await page.getByLabel("Latitude").fill("48°36' N, 9,3 E");
  await page.getByLabel("First frost").fill("28/9");
  letGo();
  await page.locator("form[data-ready=true]").waitFor();
  await expect(page.getByText("Read as 48.6° north")).toBeVisible();
  await expect(page.getByText("Read as 28 Sept")).toBeVisible();
  await expect(page.getByLabel("Longitude")).toHaveValue("9.3");
  await expect(page.getByLabel("Name of the place")).toHaveValue("Tarnholt");
  await page.close();
});

test("the locale decides how days and numbers are written and read", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  const choose = async (locale: string) => {
    await page.goto("/shed");
    await page.getByRole("button", { name: "Change the garden" }).click();
    await page.locator("form[data-ready=true]").first().waitFor();
    await page.getByLabel("Days and numbers").selectOption(locale);
    await page.getByRole("button", { name: "Save" }).click();
  };
  await choose("de");
  await expect(page.getByText(/Garden Tarnholt kept/)).toBeVisible();
  await page.reload();
  await page.getByRole("button", { name: "Change the garden" }).click();
  await expect(page.getByLabel("Longitude")).toHaveValue("9,3");
  await expect(page.getByLabel("Last frost")).toHaveValue("20. Mai");
  await expect(page.getByLabel("Season band").first().getByText("Fr. 9. Juli 2027")).toBeVisible();
  await page.goto("/ground#sow");
  const form = dialog(page);
  await form.getByLabel("Sown on").fill("3/4");
  await expect(form.getByText("Read as Sa. 3. April 2027")).toBeVisible();
  await form.getByLabel("Seeds sown").fill("1.250");
  // Thousands first, as they are marked there.
  await form.getByRole("button", { name: "1250", exact: true }).click();
  await expect(form.getByLabel("Seeds sown")).toHaveValue("1250");
  await page.keyboard.press("Escape");
  await choose("en-GB");
  await expect(page.getByText("48.6° north, 9.3° east")).toBeVisible();
  await page.close();
});

test("a list is searched, sifted and sorted in its address, and gone back to as it was looked at", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/lines");
  await awake(page);
  // What the headline counts stands first under it.
  const waiting = Number(
    /^(\d+) lines? wait/.exec((await page.getByRole("heading", { level: 2 }).first().textContent())!)![1],
  );
  const rows = page.locator("tbody tr");
  expect(waiting).toBeGreaterThan(3);
  for (let i = 0; i < waiting; i++) await expect(rows.nth(i).locator("td").nth(3)).not.toBeEmpty();
  await expect(rows.nth(waiting).locator("td").nth(3)).toBeEmpty();
  await page.getByRole("searchbox").fill("melon");
  await expect(page).toHaveURL(/\/lines\?q=melon&by=waits$/);
  await page.getByRole("link", { name: /^Growing/ }).click();
  await expect(page).toHaveURL(/show=growing/);
  await page.getByLabel("By").selectOption("name");
  await expect(page).toHaveURL(/by=name/);
  const names = await rows.locator("strong:first-child").allTextContents();
  expect(names.length).toBeGreaterThan(1);
  await rows.first().getByRole("link").first().click();
  await expect(page).toHaveURL(/\/lines\/L/);
  await page.goBack();
  await expect(page.getByRole("searchbox")).toHaveValue("melon");
  await expect(page.getByLabel("By")).toHaveValue("name");
  await expect(page.getByRole("link", { name: /^Growing/ })).toHaveAttribute("aria-current", "page");
  expect(await rows.locator("strong:first-child").allTextContents()).toEqual(names);
  await page.getByRole("searchbox").fill("melon pea");
  await expect(page.getByText("No line has all of these words.")).toBeVisible();
  for (const [path, words] of [
    ["/nursery", "lantern"],
    ["/crosses", "lantern"],
    ["/seed/drawer", "orach 2024"],
  ] as const) {
    await page.goto(path);
    const all = await rows.count();
    await page.goto(`${path}?q=${words}`);
    await expect(page.getByRole("searchbox")).toHaveValue(words);
    expect(await rows.count()).toBeGreaterThan(0);
    expect(await rows.count()).toBeLessThan(all);
    for (const row of await rows.allTextContents()) expect(row.toLowerCase()).toContain(words.split(" ")[0]);
  }
  await page.close();
});
