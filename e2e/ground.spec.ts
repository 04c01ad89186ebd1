import type { Page } from "@playwright/test";
import { holding } from "./screens";
import { expect, PHONE, test } from "./server";

const sheet = (page: Page) => page.getByRole("dialog");
const toast = (page: Page, words: string | RegExp) =>
  page.locator("[data-sonner-toast]").filter({ hasText: words }).first();
const undo = (page: Page, words: string | RegExp) => toast(page, words).getByRole("button", { name: "Undo" }).click();

/** The figure at the head of the isolation page: one seed in so many. */
async function oneIn(page: Page): Promise<number> {
  const words = await page.getByRole("region", { name: "Isolation" }).locator("article > p").first().textContent();
  return Number(/1 seed in ([\d.,]+)/.exec(words ?? "")![1]!.replace(",", ""));
}

async function openStand(page: Page, name: string): Promise<void> {
  await page.goto("/ground");
  await page
    .getByRole("row", { name: new RegExp(name) })
    .getByRole("link")
    .click();
  // Before, the page shows another stand's.
  await page.waitForURL(/stand=/);
  await expect(page.getByRole("heading", { name: "Strange pollen" })).toBeVisible();
  await page.waitForLoadState("networkidle");
}

test("a hedge is drawn and the share of strange fathers falls", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await openStand(page, "Tarnholt mixed orach");
  const before = await oneIn(page);
  await page.getByRole("button", { name: "Draw a hedge or wall" }).click();
  const sheetOfGround = page.getByRole("group", { name: /The ground to scale/ });
  await sheetOfGround.scrollIntoViewIfNeeded();
  const map = (await sheetOfGround.boundingBox())!;
  await page.mouse.click(map.x + map.width * 0.6, map.y + map.height * 0.93);
  await page.mouse.click(map.x + map.width * 0.98, map.y + map.height * 0.93);
  await page.keyboard.press("Enter");
  await sheet(page).getByLabel("Name").fill("hazel hedge");
  await sheet(page).getByLabel("Share of pollen that passes").fill("2");
  await sheet(page).getByRole("button", { name: "Draw it" }).click();
  await expect(sheet(page).getByText("must be at most 1.")).toBeVisible();
  await sheet(page).getByLabel("Share of pollen that passes").fill("0.3");
  await sheet(page).getByRole("button", { name: "Draw it" }).click();
  await expect(toast(page, "hazel hedge drawn")).toBeVisible();
  await expect(page.getByText("behind hazel hedge and hornbeam hedge")).toBeVisible();
  expect(await oneIn(page)).toBeGreaterThan(before * 2);
  await undo(page, "hazel hedge drawn");
  await expect.poll(() => oneIn(page)).toBe(before);
  await page.close();
});

test("a barrier typed by keyboard alone, with a point that is none, is said beside it", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/ground");
  await page.waitForLoadState("networkidle");
  await page.getByRole("button", { name: /^hornbeam hedge/ }).focus();
  await page.keyboard.press("Enter");
  await sheet(page)
    .getByLabel(/^Its line/)
    .fill("0, 3\nover there");
  await sheet(page).getByRole("button", { name: "Save" }).click();
  await expect(sheet(page).getByText("one point a line")).toHaveCount(2);
  await sheet(page)
    .getByLabel(/^Its line/)
    .fill("-4, -3\n46, -3.5");
  await sheet(page).getByRole("button", { name: "Save" }).click();
  await expect(toast(page, "hornbeam hedge changed")).toBeVisible();
  await undo(page, "hornbeam hedge changed");
  await page.close();
});

test("a bed is moved, sized and turned by keys", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/ground");
  await page.waitForLoadState("networkidle");
  const bed = page.getByRole("button", { name: /^Bed J/ });
  const box = async () => (await bed.boundingBox())!;
  const before = await box();
  await bed.focus();
  await page.keyboard.press("Alt+ArrowRight");
  await expect.poll(async () => (await box()).width).toBeGreaterThan(before.width + 1);
  await bed.focus();
  for (let i = 0; i < 3; i++) {
    await page.keyboard.press(".");
    await expect(toast(page, "Bed J moved")).toBeVisible();
    await page.waitForTimeout(300);
  }
  await expect.poll(async () => (await box()).height).toBeGreaterThan(before.height + 5);
  await page.close();
});

test("a bed's corner is dragged to size it", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/ground");
  await page.waitForLoadState("networkidle");
  const bed = page.getByRole("button", { name: /^Bed H/ });
  await bed.focus();
  const before = (await bed.boundingBox())!;
  const corner = (await page.locator("[data-drag^='size']").boundingBox())!;
  await page.mouse.move(corner.x + 5, corner.y + 5);
  await page.mouse.down();
  await page.mouse.move(corner.x + 45, corner.y + 5, { steps: 5 });
  await page.mouse.up();
  await expect(toast(page, "Bed H moved")).toBeVisible();
  await expect.poll(async () => (await bed.boundingBox())!.width).toBeGreaterThan(before.width + 25);
  await undo(page, "Bed H moved");
  await page.close();
});

const field = {
  type: "FeatureCollection",
  features: [
    {
      type: "Feature",
      properties: { name: "melon field by the river" },
      geometry: {
        type: "Polygon",
        coordinates: [
          [
            [9.3015, 48.6],
            [9.303, 48.6],
            [9.303, 48.601],
            [9.3015, 48.601],
            [9.3015, 48.6],
          ],
        ],
      },
    },
  ],
};
const upload = (name: string, text: string) => ({ name, mimeType: "application/json", buffer: Buffer.from(text) });

test("a neighbour's field comes in from GeoJSON, and one that crosses itself does not", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/ground");
  await page.getByRole("button", { name: "Map file" }).click();
  const pick = sheet(page).getByLabel("GeoJSON file");
  const crossed = structuredClone(field);
  crossed.features[0]!.geometry.coordinates[0]!.splice(1, 2, [9.303, 48.601], [9.303, 48.6]);
  await pick.setInputFiles(upload("crossed.geojson", JSON.stringify(crossed)));
  await expect(sheet(page).getByText("the polygon crosses itself")).toBeVisible();
  await pick.setInputFiles(upload("field.geojson", JSON.stringify(field)));
  await expect(sheet(page).getByText("does not say which species grows there")).toBeVisible();
  await sheet(page).getByRole("combobox", { name: "Species" }).fill("Melon");
  await sheet(page).getByLabel("Plants").fill("40000");
  await sheet(page).getByRole("button", { name: "Take it in" }).click();
  await expect(toast(page, "Taken in: 1 source (melon field by the river)")).toBeVisible();
  await expect(page.getByRole("row", { name: /Lantern melon/ })).toContainText("melon field by the river");
  await undo(page, "Taken in");
  await expect(page.getByRole("row", { name: /Lantern melon/ })).toContainText("Ashlar Gold");
  const saved = await page.request.get("/api/ground");
  const { features } = (await saved.json()) as { features: { properties: { kind: string } }[] };
  expect(features.filter((f) => f.properties.kind === "bed")).toHaveLength(10);
  await page.close();
});

test("outside pollen by distance and bearing, with what is wrong said beside its field", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/ground");
  await page.getByRole("button", { name: "Add outside pollen" }).click();
  await sheet(page).getByLabel("Name").fill("gourds by the bus stop");
  await sheet(page).getByRole("combobox", { name: "Species" }).fill("Pepo squash");
  await sheet(page).getByLabel("Plants").fill("6");
  await sheet(page)
    .getByLabel(/^Distance/)
    .fill("-20");
  await sheet(page)
    .getByLabel(/^Bearing/)
    .fill("300");
  await sheet(page).getByRole("button", { name: "Put it on the map" }).click();
  await expect(sheet(page).getByText("Distance must be at least 0.")).toBeVisible();
  await sheet(page)
    .getByLabel(/^Distance/)
    .fill("120");
  await sheet(page).getByRole("button", { name: "Put it on the map" }).click();
  await expect(toast(page, "gourds by the bus stop, pepo squash, put on the map")).toBeVisible();
  await expect(page.getByRole("row", { name: /Brindle Lamp/ })).toContainText("gourds by the bus stop");
  await undo(page, "gourds by the bus stop");
  await page.close();
});

test("a grower's own readings come in from a file, looked at first; a broken one says its line", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/shed");
  await page.getByRole("button", { name: "Import readings" }).click();
  const pick = sheet(page).getByLabel("CSV file");
  await pick.setInputFiles(upload("bad.csv", "date,min,max\n2027-03-01,2,9\n2027-03-02,12,4\n"));
  await expect(sheet(page).getByText("Line 3: min 12 lies above max 4. Nothing was saved.")).toBeVisible();
  await pick.setInputFiles(upload("big.csv", "x".repeat(1_100_000)));
  await expect(sheet(page).getByText("The file holds 1.1 megabytes")).toBeVisible();
  // A January in °F whose days could be read in two ways.
  await pick.setInputFiles(upload("us.csv", "date,min,max\n1/2/2027,28,41\n1/3/2027,27,40\n"));
  await sheet(page).getByRole("button", { name: "Month first: 12/31" }).click();
  await sheet(page).getByRole("button", { name: "°F" }).click();
  await expect(
    sheet(page).getByText("To import: 2 days, 2 Jan 2027 to 3 Jan 2027 (month first, from °F)."),
  ).toBeVisible();
  await pick.setInputFiles(upload("good.csv", "date,min,max\n2027-03-01,2,9\n2027-03-05,1,8\n"));
  await expect(sheet(page).getByText("3 days are missing in 1 gap")).toBeVisible();
  await sheet(page).getByRole("button", { name: "Import these readings" }).click();
  await expect(toast(page, "Readings imported: 2 days")).toBeVisible();
  await expect(page.getByText("2 days of your own readings")).toBeVisible();
  await undo(page, "Readings imported: 2 days");
  await page.close();
});

test("what grows wild is entered as what it is, and off-types counted correct how far pollen reaches", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/ground");
  await page.getByRole("button", { name: "Add outside pollen" }).click();
  await sheet(page).getByLabel("Name").fill("wayside");
  await sheet(page).getByLabel("What it is").selectOption("wild");
  await sheet(page).getByRole("combobox", { name: "Species" }).fill("Fat hen");
  await sheet(page).getByLabel("Plants").fill("30");
  await sheet(page).getByLabel("Distance").fill("50");
  await sheet(page).getByLabel("Bearing").fill("0");
  await sheet(page).getByRole("button", { name: "Put it on the map" }).click();
  await expect(toast(page, "wayside, fat hen, put on the map")).toBeVisible();
  await page.goto("/seed/K26-001-P");
  await expect(page.getByText("Foreseen for its year")).toBeVisible();
  await page.getByRole("button", { name: "Count off-types" }).click();
  await sheet(page).getByLabel("Plants looked at").fill("20");
  await sheet(page).getByLabel("Of a strange father").fill("30");
  await sheet(page).getByRole("button", { name: "Write it down" }).click();
  await expect(sheet(page).getByText("More than the 20 plants that were looked at.")).toBeVisible();
  await sheet(page).getByLabel("Of a strange father").fill("2");
  await sheet(page).getByRole("button", { name: "Write it down" }).click();
  await expect(page.locator("main").getByText(/: 2 of 20 plants/)).toBeVisible();
  await page.goto("/ground?stand=F27-001-6");
  await expect(page.getByText("20 plants that you counted put the reach of its pollen at")).toBeVisible();
  await page.close();
});

test("six beds in rows in no more than twelve presses, one drawn by dragging, one copied", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/ground");
  await page.waitForLoadState("networkidle");
  let presses = 0;
  const press = async (name: string) => {
    presses++;
    await page.getByRole("button", { name, exact: true }).click();
  };
  const type = async (label: string | RegExp, words: string) => {
    presses++;
    await sheet(page).getByRole("textbox", { name: label }).fill(words);
  };
  await press("Add beds");
  await type("Name", "P");
  await type("How many", "6");
  await expect(sheet(page).getByText("They are called P, Q, R, S, T, U.")).toBeVisible();
  await type(/^Width/, "8");
  await type(/^Length/, "1,2");
  await type("Side by side", "3");
  await press("Add");
  await expect(toast(page, "6 beds added, P to U")).toBeVisible();
  expect(presses).toBeLessThanOrEqual(12);
  await expect(page.getByRole("button", { name: /^Bed [P-U][.,]/ })).toHaveCount(6);
  await undo(page, "6 beds added");
  await expect(page.getByRole("button", { name: /^Bed [P-U][.,]/ })).toHaveCount(0);

  await page.getByRole("button", { name: "Add beds" }).click();
  await sheet(page).getByRole("button", { name: "draw one on the map" }).click();
  await expect(page.getByText("Drag from one corner of the bed")).toBeVisible();
  const map = (await page.getByRole("group", { name: /The ground to scale/ }).boundingBox())!;
  const from = { x: map.x + 60, y: map.y + map.height - 120 };
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + 120, from.y - 40, { steps: 6 });
  await page.mouse.up();
  const [width, length] = [/^Width/, /^Length/].map((name) => sheet(page).getByRole("textbox", { name }));
  const [drawn, across] = [Number(await width!.inputValue()), Number(await length!.inputValue())];
  expect(drawn % 0.25).toBe(0);
  expect(Math.abs(drawn / across - 3)).toBeLessThan(0.5);
  await sheet(page).getByRole("textbox", { name: "Name" }).fill("Drawn");
  await sheet(page).getByRole("button", { name: "Add", exact: true }).click();
  await expect(toast(page, "Bed Drawn added")).toBeVisible();

  await page.getByRole("button", { name: /^Bed Drawn/ }).click();
  await sheet(page).getByRole("button", { name: "Copy it" }).click();
  await expect(sheet(page).getByRole("textbox", { name: "Name" })).toHaveValue("Drawn 2");
  await sheet(page).getByRole("button", { name: "Add", exact: true }).click();
  await expect(toast(page, "Bed Drawn 2 added")).toBeVisible();
  await undo(page, "Bed Drawn 2 added");
  await expect(page.getByRole("button", { name: /^Bed Drawn/ })).toHaveCount(1);
  await page.getByRole("button", { name: /^Bed Drawn/ }).click();
  await sheet(page).getByRole("button", { name: "Take this bed off the ground" }).click();
  await expect(toast(page, "Bed Drawn taken off")).toBeVisible();
  await page.close();
});

test("every stand of a bed is open to a press in its own part, and what lies far off at the sheet's edge", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/ground");
  await page.waitForLoadState("networkidle");
  for (const name of ["Low Kiln", "Wren's Thimble", "Cinder Tooth"]) {
    await page.getByRole("button", { name: new RegExp(`^${name}`) }).click();
    await expect(page.getByRole("region", { name: /^Stand/ }).getByRole("heading", { level: 2 })).toContainText(name);
  }
  await page.getByRole("button", { name: /^Bed far bed, 50 m/ }).click();
  await expect(page.getByRole("region", { name: /^Stand/ })).toContainText("Brindle Lamp");
  // Nothing that takes the focus lies off the sheet.
  const map = (await page.getByRole("group", { name: /The ground to scale/ }).boundingBox())!;
  for (const shape of await page.locator("svg [tabindex='0']").all()) {
    const box = (await shape.boundingBox())!;
    expect(box.x + box.width).toBeGreaterThan(map.x);
    expect(box.x).toBeLessThan(map.x + map.width);
    expect(box.y + box.height).toBeGreaterThan(map.y);
    expect(box.y).toBeLessThan(map.y + map.height);
  }
  // The far bed drawn by itself: all else stands at the edge.
  await page.getByRole("button", { name: "All, however far" }).click();
  await expect(page.locator("[data-edge]")).toHaveCount(0);
  await page.close();
});

test("a name that is proposed anew while it is chosen is written over, not written on", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/ground");
  await page.getByRole("button", { name: "Add beds" }).click();
  const name = sheet(page).getByLabel("Name");
  const proposed = await name.inputValue();
  const { letGo } = await holding(page, /ground\?_rsc=/);
  await sheet(page).getByRole("button", { name: "Add", exact: true }).click();
  await expect(toast(page, `Bed ${proposed} added`)).toBeVisible();
  await page.getByRole("button", { name: "Add beds" }).click();
  await name.selectText();
  await letGo();
  await expect(name).not.toHaveValue(proposed);
  await page.keyboard.type("Qx");
  await expect(name).toHaveValue("Qx");
  await page.close();
});

test("on the phone a finger opens a stand, turns the page over the map, and carries no bed away", async ({
  browser,
  demo,
}) => {
  const context = await browser.newContext({ ...PHONE, baseURL: demo.url });
  const page = await context.newPage();
  await page.goto("/ground");
  await page.waitForLoadState("networkidle");
  const bed = (await page.getByRole("button", { name: /^Bed H/ }).boundingBox())!;
  const touch = await context.newCDPSession(page);
  const at = (type: string, x: number, y: number) =>
    touch.send("Input.dispatchTouchEvent", {
      type: type as "touchStart",
      touchPoints: type === "touchEnd" ? [] : [{ x, y }],
    });
  const before = await page.evaluate(() => scrollY);
  await at("touchStart", bed.x + 10, bed.y + 10);
  for (let i = 1; i <= 8; i++) await at("touchMove", bed.x + 10, bed.y + 10 - i * 25);
  await at("touchEnd", 0, 0);
  await expect.poll(() => page.evaluate(() => scrollY)).toBeGreaterThan(before + 60);
  await expect(page.locator("[data-sonner-toast]")).toHaveCount(0);
  await page.getByRole("button", { name: /^Ashlar Gold/ }).tap();
  await expect(page).toHaveURL(/stand=/);
  await context.close();
});
