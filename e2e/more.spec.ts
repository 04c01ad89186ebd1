import type { Page } from "@playwright/test";
import { lastEntry } from "./screens";
import { expect, PHONE, test } from "./server";

const sheet = (page: Page) => page.getByRole("dialog");
const toast = (page: Page, words: string | RegExp) =>
  page.locator("[data-sonner-toast]").filter({ hasText: words }).first();

test("a bed is dragged across the ground and put back", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/ground");
  const bed = page.getByRole("button", { name: /^Bed J/ });
  await bed.waitFor();
  await page.waitForLoadState("networkidle");
  const before = (await bed.boundingBox())!;
  await page.mouse.move(before.x + 20, before.y + 10);
  await page.mouse.down();
  await page.mouse.move(before.x - 60, before.y + 30, { steps: 6 });
  await page.mouse.up();
  await expect(toast(page, "Bed J moved")).toBeVisible();
  await expect.poll(async () => (await bed.boundingBox())!.x).toBeLessThan(before.x - 40);
  await toast(page, "Bed J moved").getByRole("button", { name: "Undo" }).click();
  await expect.poll(async () => Math.abs((await bed.boundingBox())!.x - before.x)).toBeLessThan(2);
  await page.close();
});

test("feet and ounces are typed and shown, metres are kept", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/shed");
  await page.getByRole("button", { name: "Change the garden" }).click();
  await page.getByLabel("Units").selectOption({ label: "Feet and ounces" });
  await page.getByRole("button", { name: "Save" }).click();
  await expect(toast(page, "Garden Tarnholt kept")).toBeVisible();
  await page.goto("/ground");
  await page.getByRole("button", { name: "Add beds" }).click();
  await sheet(page).getByLabel("Name").fill("In feet");
  await sheet(page).getByRole("textbox", { name: "Width, east–west (ft)" }).fill("10");
  await sheet(page)
    .getByRole("textbox", { name: /^Length/ })
    .fill("0");
  await sheet(page).getByRole("button", { name: "Add", exact: true }).click();
  await expect(sheet(page).getByText("Length, north–south").locator("..").getByText("must be at least")).toBeVisible();
  await expect(sheet(page).getByRole("textbox", { name: /^Width/ })).toHaveValue("10");
  await sheet(page)
    .getByRole("textbox", { name: /^Length/ })
    .fill("20");
  await sheet(page).getByRole("button", { name: "Add", exact: true }).click();
  await expect(toast(page, "Bed In feet added")).toBeVisible();
  await expect(
    page.getByText("459 ft").or(page.getByText("98.4 ft")).or(page.getByText("32.8 ft")).first(),
  ).toBeVisible();
  // A form sends what was changed in it: a bed given another name keeps its metres to the millimetre.
  await page.goto("/ground");
  const named = page.waitForRequest("**/api/commands/bed.change");
  await page.getByRole("link", { name: "Duskwing" }).first().click();
  await page.getByRole("button", { name: /^Change bed/ }).click();
  await sheet(page).getByLabel("Name").fill("Bean bed");
  await sheet(page).getByRole("button", { name: "Save" }).click();
  expect(Object.keys((await named).postDataJSON() as object).sort()).toEqual(["id", "name", "version"]);
  await expect(toast(page, "Bean bed changed")).toBeVisible();
  await page.request.post("/api/undo", { data: { entry: await lastEntry(page, "Bed Bean bed changed") } });
  await page.request.post("/api/undo", { data: { entry: await lastEntry(page, "Garden Tarnholt kept") } });
  await page.close();
});

test("while the server is away nothing typed is lost, and it is sent once when it is back", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/lines");
  await page.getByRole("button", { name: "Add a line" }).click();
  await sheet(page).getByLabel("Name").fill("Kept through the outage");
  await sheet(page).getByRole("combobox", { name: "Species" }).fill("Tomato");
  await page.context().setOffline(true);
  await sheet(page).getByRole("button", { name: "Save" }).click();
  await expect(sheet(page).getByText("The server did not answer. Nothing was lost here; try again.")).toBeVisible();
  await expect(sheet(page).getByLabel("Name")).toHaveValue("Kept through the outage");
  await page.context().setOffline(false);
  await sheet(page).getByRole("button", { name: "Save" }).dblclick();
  await expect(toast(page, "Line Kept through the outage added")).toBeVisible();
  await page.goto("/lines");
  await expect(page.getByText("Kept through the outage")).toHaveCount(1);
  await page.close();
});

test("the theme chosen in the Shed holds on the next page and after a reload", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/shed");
  await page.getByRole("radio", { name: "Before dawn" }).click();
  await page.getByRole("link", { name: "Seed" }).first().click();
  await expect(page).toHaveURL(/seed/);
  await expect(page.locator("html")).toHaveAttribute("data-theme", "dawn");
  await page.reload();
  await expect(page.locator("html")).toHaveAttribute("data-theme", "dawn");
  await page.close();
});

test("a figure opens, is tried, and is as before when opened again", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/season");
  const figure = page
    .getByRole("group", { name: /Lantern melon/ })
    .first()
    .getByRole("button", { name: /9 Sept: show the working/ });
  await figure.click();
  const days = page.getByLabel("Days to ripe seed");
  await expect(days).toHaveValue("65");
  await days.fill("60");
  await expect(page.getByText("4 Sept").first()).toBeVisible();
  await expect(page.getByText("Changes it most:")).toBeVisible();
  await page.keyboard.press("Escape");
  await figure.click();
  await expect(days).toHaveValue("65");
  // What is reckoned is never all nor none; the scale it is read on is.
  await page.goto("/crosses/works");
  const chart = page.getByRole("region", { name: "Heat of the day" });
  for (const end of ["0 %", "50 %", "100 %"]) await expect(chart.getByText(end, { exact: true })).toBeVisible();
  await page.close();
});

test("seed from elsewhere goes into the drawer, by count or mass, and bad days are caught", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/seed");
  await page.getByRole("button", { name: "Received seed" }).click();
  await sheet(page).getByLabel("Line").selectOption({ label: "Low Kiln, tomato" });
  await sheet(page).getByLabel("Gathered on").fill("2027-12-24");
  await sheet(page).getByRole("button", { name: "Put it in the drawer" }).click();
  await expect(sheet(page).getByText("That day is still to come.")).toBeVisible();
  await sheet(page).getByLabel("Gathered on").fill("2026-09-24");
  await sheet(page).getByRole("button", { name: "Put it in the drawer" }).click();
  await expect(sheet(page).getByText("Count the seeds or weigh them.")).toBeVisible();
  await sheet(page).getByLabel("or weighed").fill("2");
  await sheet(page).getByRole("button", { name: "Put it in the drawer" }).click();
  await expect(toast(page, "of Low Kiln put in the drawer")).toBeVisible();
  await page.goto("/seed/drawer");
  await expect(page.getByText("680 (560–800)")).toBeVisible();
  // Of seed that is dead no number would do; what its mass comes to is told as a range.
  await page.goto("/seed/K21-004-G");
  const many = page.getByRole("region", { name: "How many seeds" });
  await expect(many).toContainText("more than ten times what is left");
  await expect(many.getByRole("button", { name: /^Sow so/ })).toHaveCount(0);
  await expect(page.getByText(/About 318 of \d+ seeds left by their mass, \d+ to 396/)).toBeVisible();
  await page.close();
});

test("on the phone a plant is scored by thumb, marked, and the next one opened", async ({ browser, demo }) => {
  const context = await browser.newContext({ baseURL: demo.url, ...PHONE });
  const page = await context.newPage();
  await page.goto("/nursery");
  await page.locator("tr:has-text('Lantern melon F4') a[href^='/nursery/']").first().tap();
  await page.getByRole("gridcell", { name: /^Plant 3,/ }).tap();
  const flavour = sheet(page)
    .getByRole("radiogroup", { name: "Flavour" })
    .or(sheet(page).getByRole("group", { name: "Flavour" }));
  await flavour.getByRole("radio", { name: "9" }).tap();
  await expect(sheet(page).getByRole("status", { name: "Last score" })).toContainText("plant 3: Flavour 9");
  await expect(flavour.getByRole("radio", { name: "9" })).toHaveAttribute("aria-checked", "true");
  await sheet(page).getByLabel("Reason").fill("mildew");
  await sheet(page).getByRole("radio", { name: "Watch" }).tap();
  await expect(toast(page, "plant 3: watch")).toBeVisible();
  await sheet(page).getByRole("button", { name: "Next plant" }).tap();
  await expect(page.getByRole("heading", { name: "Plant 4" })).toBeVisible();
  for (const target of await sheet(page).getByRole("radio").all())
    expect((await target.boundingBox())!.height).toBeGreaterThanOrEqual(44);
  await context.close();
});
