import type { Page } from "@playwright/test";
import { expect, type Server, startServer, test } from "./server";

const sheet = (page: Page) => page.getByRole("dialog");
const said = (page: Page, words: string | RegExp) =>
  expect(page.locator("[data-sonner-toast]").filter({ hasText: words }).first()).toBeVisible();

async function addLine(page: Page, name: string) {
  await page.getByRole("button", { name: "Add a line" }).click();
  await sheet(page).getByLabel("Name").fill(name);
  await sheet(page).getByRole("combobox", { name: "Species" }).fill("Melon");
  await sheet(page).getByRole("button", { name: "Save" }).click();
  await said(page, `Line ${name} added`);
}

async function sow(page: Page, line: string, bed: string, sown: string) {
  await page.getByRole("button", { name: "Sow a planting" }).click();
  await sheet(page)
    .getByLabel("Line")
    .selectOption({ label: `${line}, melon` });
  await sheet(page).getByLabel("Bed").selectOption({ label: bed });
  await sheet(page).getByLabel("Sown on").fill(sown);
  await sheet(page).getByLabel("Plants", { exact: true }).fill("6");
  await sheet(page).getByRole("button", { name: "Sow it" }).click();
  await said(page, `${line} planted`);
}

async function dayIs(page: Page, day: string) {
  await page.context().addCookies([{ name: "day", value: day, url: new URL(page.url()).origin }]);
}

test.describe
  .serial("one cross, from an empty garden to chosen seedlings", () => {
    let page: Page;
    let empty: Server;
    test.beforeAll(async ({ browser }) => {
      empty = await startServer("empty");
      page = await browser.newPage({ baseURL: empty.url });
    });
    test.afterAll(async () => {
      await page.close();
      await empty.stop();
    });

    test("the garden, with a latitude that does not exist first", async () => {
      await page.goto("/");
      await page.getByLabel("Name of the place").fill("Tarnholt");
      await page.getByLabel("Latitude").fill("91");
      await page.getByLabel("Last frost").fill("20 May");
      await page.getByLabel("First frost").fill("28/9");
      await page.getByRole("button", { name: "Begin with this garden" }).click();
      await expect(page.getByText("A latitude lies between -90 and 90.")).toBeVisible();
      await expect(page.getByLabel("Latitude")).toHaveValue("91");
      // As a map gives a place: both fields are filled, and said back.
      await page.getByLabel("Latitude").fill("48°36' N, 9,3 E");
      await expect(page.getByLabel("Longitude")).toHaveValue("9.3");
      await expect(page.getByText("Read as 48.6° north")).toBeVisible();
      await page.getByRole("button", { name: "Begin with this garden" }).click();
      await said(page, "Garden Tarnholt begun");
      await dayIs(page, "2027-07-09");
      await page.reload();
      await expect(page.getByText("Fri 9 July 2027").filter({ visible: true }).first()).toBeVisible();
    });

    test("the Shed shows what is stored, and asks before the frost goes", async () => {
      const change = page.getByRole("button", { name: "Change the garden" });
      await page.goto("/shed");
      await change.click();
      await expect(page.getByLabel("Name of the place")).toHaveValue("Tarnholt");
      await expect(page.getByLabel("Last frost")).toHaveValue("20 May");
      await expect(page.getByLabel("First frost")).toHaveValue("28 Sept");
      await page.getByLabel("Last frost").fill("");
      await page.getByLabel("First frost").fill("");
      await page.getByRole("button", { name: "Save" }).click();
      await expect(page.getByText("This takes both frost days away")).toBeVisible();
      await page.getByLabel("Last frost").fill("11-20");
      await page.getByLabel("First frost").fill("04-10");
      await page.getByRole("button", { name: "Save" }).click();
      await expect(page.getByText("The last frost at 48.6° north can hardly be in that month.")).toBeVisible();
      await page.goto("/shed");
      await change.click();
      // What was typed and refused is there again.
      await expect(page.getByLabel("Last frost")).toHaveValue("20 Nov");
      await page.getByLabel("Last frost").fill("05-21");
      await page.getByLabel("First frost").fill("09-28");
      await page.getByRole("button", { name: "Save" }).click();
      await said(page, "Garden Tarnholt kept");
      await page.reload();
      await expect(page.getByText("usually last 21 May, first 28 Sept")).toBeVisible();
      await change.click();
      await expect(page.getByLabel("Last frost")).toHaveValue("21 May");
      await page.getByLabel("Last frost").fill("05-20");
      await page.getByRole("button", { name: "Save" }).click();
      await expect(page.getByText("usually last 20 May, first 28 Sept")).toBeVisible();
    });

    test("beds, typed, then moved by keyboard and taken back", async () => {
      await page.getByRole("link", { name: "Ground" }).first().click();
      for (const [name, east] of [
        ["A", "0"],
        ["B", "20"],
      ] as const) {
        await page.getByRole("button", { name: "Add beds" }).click();
        await sheet(page).getByLabel("Name").fill(name);
        await sheet(page).getByRole("button", { name: "Where it lies" }).click();
        await sheet(page).getByRole("textbox", { name: /^East/ }).fill(east);
        await sheet(page)
          .getByRole("textbox", { name: /^Width/ })
          .fill("6");
        await sheet(page)
          .getByRole("textbox", { name: /^Length/ })
          .fill("4");
        await sheet(page).getByRole("button", { name: "Add", exact: true }).click();
        await said(page, `Bed ${name} added`);
      }
      await page.getByRole("button", { name: /^Bed B/ }).press("Shift+ArrowRight");
      await said(page, "Bed B moved");
      await page.getByRole("button", { name: "Undo" }).first().click();
      await said(page, "Undone: Bed B moved");
    });

    test("lines and stands; a reload in mid-form keeps what was typed", async () => {
      await page.goto("/lines");
      await addLine(page, "Ashlar Gold");
      await page.getByRole("button", { name: "Add a line" }).click();
      await sheet(page).getByLabel("Name").fill("Nettle Moon");
      await page.reload();
      await page.getByRole("button", { name: "Add a line" }).click();
      await expect(sheet(page).getByLabel("Name")).toHaveValue("Nettle Moon");
      await sheet(page).getByRole("combobox", { name: "Species" }).fill("Melon");
      await sheet(page).getByLabel("Status").selectOption({ label: "Bought F1 hybrid" });
      await expect(sheet(page).getByText("does not come true")).toBeVisible();
      await sheet(page).getByLabel("Status").selectOption({ label: "Open-pollinated" });
      await sheet(page).getByRole("button", { name: "Save" }).click();
      await said(page, "Line Nettle Moon added");
      await page.goto("/ground");
      await sow(page, "Ashlar Gold", "A", "2027-04-24");
      await sow(page, "Nettle Moon", "B", "2027-04-27");
    });

    test("a clash names both and a way out is applied, then taken back", async () => {
      await expect(page.getByRole("heading", { name: "2 lines may take strange pollen" })).toBeVisible();
      await page.getByRole("button", { name: "Apply: Hand-pollinate" }).first().click();
      await expect(page.getByRole("heading", { name: "1 line may take strange pollen" })).toBeVisible();
      await page.getByRole("button", { name: "Undo" }).first().click();
      await expect(page.getByRole("heading", { name: "2 lines may take strange pollen" })).toBeVisible();
    });

    test("a cross is planned with its working shown", async () => {
      await page.getByRole("link", { name: "Crosses" }).first().click();
      await page.getByLabel("Mother", { exact: true }).selectOption({ index: 1 });
      await page.getByLabel("Father", { exact: true }).selectOption({ index: 2 });
      await expect(page.getByText("In flower together for about")).toBeVisible();
      await page.getByLabel("Fruits wanted").fill("2");
      await page.getByRole("button", { name: "9 flowers: show the working" }).click();
      await page.getByLabel("Set rate").fill("0.5");
      await expect(page.getByText("7 flowers").first()).toBeVisible();
      await expect(page.getByText("tried, not saved")).toBeVisible();
      await page.keyboard.press("Escape");
      await page.getByRole("button", { name: "Plan it" }).click();
      await expect(page.getByText("Give the new line a working name.").first()).toBeVisible();
      await page.getByLabel("Working name of the new line").fill("Lantern");
      await page.getByRole("button", { name: "Plan it" }).click();
      await expect(page.getByRole("heading", { name: "Ashlar Gold × Nettle Moon" })).toBeVisible();
    });

    test("Today leads from dusk to dawn to fruit, a flower found open with them", async () => {
      await page.goto("/");
      const record = (words: string) =>
        page.getByRole("listitem").filter({ hasText: words }).getByRole("button", { name: "Record" });
      await record("mother flower").click();
      await sheet(page).getByRole("button", { name: "more mother flowers covered" }).click();
      await page.reload();
      await record("mother flower").click();
      await sheet(page).getByRole("button", { name: "3 flowers covered" }).click();
      await said(page, "3 flowers covered");
      await dayIs(page, "2027-07-10");
      await page.reload();
      // The father comes first: six males were to be tied for three flowers.
      await record("Cut the tied males").click();
      await sheet(page).getByRole("button", { name: "6 males fetched" }).click();
      await said(page, "Nettle Moon, fetched, 6");
      await record("Pollinate at dawn").click();
      await sheet(page).getByRole("group", { name: "Flower 2" }).getByRole("radio", { name: "Found open" }).click();
      await sheet(page).getByRole("button", { name: "2 pollinated, 1 otherwise" }).click();
      await said(page, /2 pollinated, 1 unusable \(found open\)|1 unusable \(found open\)/);
      await dayIs(page, "2027-07-18");
      await page.reload();
      await page.getByRole("region", { name: "Any hour" }).getByRole("button", { name: "Record" }).click();
      await sheet(page).getByRole("button", { name: "2 set" }).click();
      await expect(page.getByText("2 set, 0 waiting, 2 wanted.")).toBeVisible();
    });

    test("fruit becomes a lot with a tag to print, the lot a family", async () => {
      await dayIs(page, "2027-09-01");
      await page.goto("/");
      await page.getByRole("region", { name: "Any hour" }).getByRole("button", { name: "Record" }).click();
      await sheet(page).getByLabel("Or so many of the oldest").fill("5");
      await sheet(page).getByLabel("Seeds, counted").fill("60");
      await sheet(page).getByRole("button", { name: "Make the lot" }).click();
      await expect(sheet(page).getByText("5 can't be brought in")).toBeVisible();
      await sheet(page).getByLabel("Or so many of the oldest").fill("2");
      await sheet(page).getByRole("button", { name: "Make the lot" }).click();
      await said(page, "2 fruits of");
      await page.goto("/seed/drawer");
      await page.locator("td a[href^='/seed/']").first().click();
      const tag = await page.request.get(
        (await page.getByRole("link", { name: "Print its tag" }).getAttribute("href"))!,
      );
      expect(tag.headers()["content-type"]).toBe("application/pdf");
      expect((await tag.body()).subarray(0, 5).toString()).toBe("%PDF-");
      await dayIs(page, "2028-05-06");
      await page.reload();
      await page.getByRole("button", { name: "Sow the next generation" }).click();
      const bed = sheet(page).getByLabel("Bed");
      await bed.selectOption(await bed.locator("option", { hasText: /^Bed A / }).getAttribute("value"));
      await sheet(page).getByLabel("Seeds: ").fill("61");
      await sheet(page).getByRole("button", { name: "Save sowing" }).click();
      await expect(sheet(page).getByText("holds 60 seeds more")).toBeVisible();
      await expect(sheet(page).getByLabel("Seeds: ")).toHaveValue("61");
      await sheet(page).getByLabel("Seeds: ").fill("10");
      await sheet(page).getByRole("button", { name: "Save sowing" }).click();
      await expect(page.getByText("No plants stand here yet")).toBeVisible();
    });

    test("counted, scored by keyboard, ranked, rogued", async () => {
      await page.getByRole("button", { name: "Count", exact: true }).click();
      await sheet(page).getByLabel("Came up").fill("4");
      await sheet(page).getByLabel("Plants", { exact: true }).fill("5");
      await sheet(page).getByRole("button", { name: "Save" }).click();
      await expect(sheet(page).getByText("only 4 came up")).toBeVisible();
      await sheet(page).getByLabel("Plants", { exact: true }).fill("4");
      await sheet(page).getByRole("button", { name: "Save" }).click();
      await expect(page.getByRole("button", { name: "Plant 4" })).toBeVisible();
      await page.getByRole("button", { name: "Add a yardstick" }).click();
      await sheet(page).getByLabel("Name").fill("Mass");
      await sheet(page).getByLabel("Unit").fill("kg");
      await sheet(page).getByRole("button", { name: "Add it" }).click();
      const plant = (number: number) => page.getByRole("gridcell", { name: new RegExp(`^Plant ${number},`) });
      await plant(1).focus();
      await page.keyboard.type("0.8");
      await page.keyboard.press("Enter");
      await expect(plant(2)).toBeFocused();
      await page.keyboard.type("1.4.2");
      await page.keyboard.press("Enter");
      await expect(page.getByRole("status", { name: "Last score" })).toContainText("Mass takes a number");
      // What was typed stays where it was typed.
      await expect(plant(2)).toContainText("1.4.2");
      await page.keyboard.press("ArrowLeft");
      await page.keyboard.type("1.4");
      await page.keyboard.press("Enter");
      await expect(plant(2)).toHaveAccessibleName("Plant 2, Mass 1.4");
      const better = page.getByRole("region", { name: "Who is really better" });
      await expect(better.getByRole("listitem").first()).toContainText("Plant 2");
      await plant(2).press("s");
      await said(page, "plant 2: seed parent");
      await plant(1).press("k");
      await said(page, "plant 1: keep");
      await plant(3).press("o");
      await sheet(page).getByRole("button", { name: "Taken out today" }).click();
      await expect(sheet(page).getByText("Say why it goes out")).toBeVisible();
      await sheet(page).getByLabel("Reason").fill("dwarf");
      await sheet(page).getByRole("button", { name: "Taken out today" }).click();
      await expect(sheet(page).getByText("Taken out on 6 May")).toBeVisible();
      await page.keyboard.press("Escape");
    });

    test("the kept plants give the next generation, and the line shows its ladder", async () => {
      await page.getByRole("button", { name: "Self or intercross by hand" }).click();
      await sheet(page).getByRole("button", { name: "Plan it" }).click();
      await expect(page).toHaveURL(/crosses\?season=2028/);
      await expect(page.getByText("Lantern F2")).toHaveCount(2);
      await page.goto("/lines");
      await page
        .getByRole("row", { name: /Lantern/ })
        .getByRole("link")
        .first()
        .click();
      const rung = page.getByRole("row", { name: /^F1/ });
      await expect(rung).toContainText("over 99 in 100");
      await expect(rung.getByRole("cell").nth(2)).toHaveText("4");
      await page.goto("/shed/history");
      await expect(page.getByText("2 selfings planned")).toBeVisible();
      await page.getByRole("button", { name: /^Undo: .*yardstick/i }).click();
      await expect(page.getByRole("alert").filter({ hasText: "can't be undone any more" })).toBeVisible();
    });
  });
