import type { Page } from "@playwright/test";
import { expect, test } from "./server";

const sheet = (page: Page) => page.getByRole("dialog");
const toast = (page: Page, words: string | RegExp) =>
  page.locator("[data-sonner-toast]").filter({ hasText: words }).first();

test("a first flower seen from Today replaces the forecast, and a day to come is refused beside its field", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/");
  const row = page.getByRole("listitem").filter({ hasText: "First flower: Ashlar Gold" });
  await page.getByRole("button", { name: /tasks can wait/ }).click();
  await row.getByRole("button", { name: "Seen" }).click();
  await sheet(page).getByLabel("First open flower").fill("2027-07-20");
  await sheet(page).getByRole("button", { name: "Save" }).click();
  await expect(sheet(page).getByText("That day is still to come.")).toBeVisible();
  await sheet(page).getByLabel("First open flower").fill("2027-07-07");
  await sheet(page).getByRole("button", { name: "Save" }).click();
  await expect(toast(page, "in flower 7 Jul")).toBeVisible();
  await expect(row).toHaveCount(0);
  await page.goto("/season");
  await expect(page.getByRole("group", { name: /Ashlar Gold/ })).toContainText("first flower seen");
  await page.close();
});

test("a task of one's own is written down, done, comes again, and can be taken back", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/");
  const own = page.getByRole("region", { name: "Later" });
  const due = page.getByRole("region", { name: "Any hour" });
  await own.getByRole("button", { name: "Write down a task" }).click();
  await sheet(page).getByRole("button", { name: "Save" }).click();
  await expect(sheet(page).getByText("What to do is needed.")).toBeVisible();
  await sheet(page).getByLabel("What to do").fill("Water the seed trays");
  await sheet(page).getByLabel("Again after").fill("2");
  await sheet(page).getByRole("button", { name: "Save" }).click();
  const done = due.getByRole("button", { name: "Done: Water the seed trays" });
  await done.click();
  await own.getByRole("button", { name: /of your own from/ }).click();
  await expect(own.getByText("Sun 11 July 2027: Water the seed trays")).toBeVisible();
  await expect(done).toBeHidden();
  await toast(page, "Water the seed trays: done, again on 11 Jul").getByRole("button", { name: "Undo" }).click();
  await expect(done).toBeVisible();
  await page.close();
});

test("a stand is changed on the Ground: sowing after flowering and too many planted are caught", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/season");
  await page
    .getByRole("group", { name: /Brindle Lamp/ })
    .getByRole("link")
    .first()
    .click();
  await expect(page.getByRole("heading", { name: "Brindle Lamp" })).toBeVisible();
  await page.getByRole("button", { name: "Change the planting" }).click();
  // What is seldom asked for is behind a press.
  await expect(sheet(page).locator("label:visible")).toHaveCount(6);
  await sheet(page).getByLabel("First flower", { exact: true }).fill("2027-05-01");
  await sheet(page).getByRole("button", { name: "Save" }).click();
  await expect(sheet(page).getByText("A stand can't flower before it was sown.")).toBeVisible();
  await sheet(page).getByLabel("First flower", { exact: true }).fill("");
  await sheet(page).getByRole("button", { name: "Sowing and raising" }).click();
  await sheet(page).getByLabel("Came up", { exact: true }).fill("4");
  await sheet(page).getByRole("button", { name: "Save" }).click();
  await expect(sheet(page).getByText("5 can't be planted: only 4 came up.")).toBeVisible();
  await expect(sheet(page).getByLabel("Came up", { exact: true })).toHaveValue("4");
  await sheet(page).getByLabel("Came up", { exact: true }).fill("9");
  await sheet(page).getByLabel("Flowers", { exact: true }).selectOption({ label: "Covered" });
  await sheet(page).getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Flowers: covered.")).toBeVisible();
  await toast(page, "Brindle Lamp changed").getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("Flowers: uncovered.")).toBeVisible();
  await page.close();
});

test("an earlier season is looked at without moving the day", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/crosses");
  await page.getByRole("combobox", { name: /Season/ }).selectOption("2021");
  await expect(page).toHaveURL(/season=2021/);
  await expect(page.getByRole("row", { name: /Ashlar Gold × Nettle Moon/ })).toContainText("Lantern melon F1");
  await page.goBack();
  await expect(page.getByRole("row", { name: /X27-001-F/ })).toBeVisible();
  await expect(page.getByRole("button", { name: "this device stands on 9 Jul: back to today" })).toBeVisible();
  await page.close();
});

test("a cross of two species is refused with what would fit, and stays as typed", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/crosses");
  const option = async (label: string, words: RegExp) => {
    const select = page.getByLabel(label, { exact: true });
    const value = await select.locator("option").filter({ hasText: words }).first().getAttribute("value");
    await select.selectOption(value!);
    return value!;
  };
  await option("Mother", /Duskwing/);
  const father = await option("Father", /Ember-sweet/);
  await expect(page.getByText("do not cross freely: different crossing groups")).toBeVisible();
  await page.getByRole("button", { name: "Plan it" }).click();
  await expect(page.getByText("Choose a father of the group Phaseolus coccineus.")).toBeVisible();
  await expect(page.getByLabel("Father", { exact: true })).toHaveValue(father);
  await page.close();
});

test("a cross is closed and opened again, and fewer fruits are accepted", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/crosses");
  await page
    .getByRole("row", { name: /X27-003-9/ })
    .getByRole("link")
    .first()
    .click();
  await page.getByRole("button", { name: "Close the cross" }).click();
  await expect(page.getByText("2 fruits wanted; closed")).toBeVisible();
  await expect(page.getByRole("button", { name: "Cover", exact: true })).toHaveCount(0);
  await page.getByRole("button", { name: "Open it again" }).click();
  await expect(page.getByRole("button", { name: "Cover", exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Accept 1 fruit" }).click();
  await expect(page.getByText("gives Lantern back to Nettle Moon BC1; 1 fruit wanted")).toBeVisible();
  await page.close();
});

test("seed of kept plants is saved as a lot each, one generation on", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/nursery");
  await page.locator("a[href='/nursery/F27-004-X']").click();
  await page.getByRole("button", { name: "Save seed of each" }).click();
  await sheet(page).getByLabel("Gathered on").fill("2027-07-09");
  await sheet(page).getByLabel("Seeds of each").fill("40");
  await sheet(page).getByRole("button", { name: "Make the lots" }).click();
  await expect(toast(page, /2 lots saved from/)).toBeVisible();
  await page.goto("/seed/drawer");
  await expect(page.getByRole("row", { name: /Lantern melon F6/ })).toHaveCount(2);
  await page.close();
});

test("the second of two tabs may load the newer version instead of its own", async ({ browser, demo }) => {
  const [one, two] = [await browser.newPage({ baseURL: demo.url }), await browser.newPage({ baseURL: demo.url })];
  for (const page of [one, two]) {
    await page.goto("/lines");
    await page
      .getByRole("row", { name: /Tallow Root/ })
      .getByRole("link")
      .first()
      .click();
    await page.getByText("More about it").click();
    await page.getByRole("button", { name: "Change the line" }).click();
    await page.getByRole("button", { name: "Where it comes from" }).click();
  }
  await one.getByLabel("Year").fill("1999");
  await one.getByRole("button", { name: "Save", exact: true }).click();
  await expect(toast(one, "Line Tallow Root changed")).toBeVisible();
  await two.getByLabel("Year").fill("2001");
  await two.getByRole("button", { name: "Save", exact: true }).click();
  await expect(two.getByText("year is now “1999”")).toBeVisible();
  await expect(two.getByText(/, 1999\./)).toBeAttached();
  await two.getByRole("button", { name: "Load the newer version" }).click();
  await expect(two.getByLabel("Year")).toHaveValue("1999");
  await one.close();
  await two.close();
});

test("every tag prints, from the page of its thing", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/crosses");
  await page.locator("td a[href^='/crosses/']").first().click();
  await page.getByRole("button", { name: "Print tags" }).click();
  await sheet(page).getByLabel("Square code").selectOption("datamatrix");
  for (const name of ["Make the PDF", "Only the cross's own tag"]) {
    const href = await sheet(page).getByRole("link", { name }).getAttribute("href");
    expect((await (await page.request.get(href!)).body()).length, name).toBeGreaterThan(3000);
  }
  await sheet(page).getByLabel("Width, mm").fill("5");
  const small = await sheet(page).getByRole("link", { name: "Make the PDF" }).getAttribute("href");
  expect((await page.request.get(small!)).status()).toBe(400);
  for (const [list, link] of [
    ["/nursery", "td a[href^='/nursery/']"],
    ["/seed/drawer", "td a[href^='/seed/']"],
    ["/lines", "td a[href^='/lines/']"],
  ] as const) {
    await page.goto(list);
    await page.locator(link).first().click();
    if (list !== "/seed/drawer") await page.getByText(/^More (to do with|about) it$/).click();
    const href = await page.getByRole("link", { name: "Print its tag" }).getAttribute("href");
    const answer = await page.request.get(href!);
    expect(answer.headers()["content-type"]).toBe("application/pdf");
    expect((await answer.body()).length).toBeGreaterThan(3000);
  }
  expect((await page.request.get("/api/tags/lot/99999")).status()).toBe(404);
  expect((await page.request.get("/api/tags/spell/1")).status()).toBe(404);
  await page.close();
});

test("the guide is narrowed by a name, by kin, and to what is grown", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/guide");
  await page.waitForLoadState("networkidle");
  const rows = page.locator("tbody tr");
  const all = await rows.count();
  expect(all).toBeGreaterThan(44);
  await page.getByLabel("Name, family or kin").fill("wild carrot");
  await expect(rows).toHaveCount(1);
  await expect(rows.first()).toContainText("Daucus carota");
  await page.getByLabel("Name, family or kin").fill("");
  await page.getByLabel("Only what I grow").check();
  await expect(rows.filter({ hasText: "you grow it" })).not.toHaveCount(0);
  expect(await rows.count()).toBeLessThan(12);
  await page.close();
});
