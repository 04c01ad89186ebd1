import type { Page } from "@playwright/test";
import { expect, test } from "./server";

const sheet = (page: Page) => page.getByRole("dialog");
const toast = (page: Page, words: string | RegExp) =>
  page.locator("[data-sonner-toast]").filter({ hasText: words }).first();
const row = (page: Page, name: RegExp) => page.getByRole("group", { name });

async function openPlan(page: Page): Promise<void> {
  await page.goto("/season?season=2028");
  await page.waitForLoadState("networkidle");
}

test("a sowing is dragged out of its clash, and undo brings it back", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await openPlan(page);
  const moon = row(page, /Nettle Moon/);
  await expect(moon).toContainText("over your limit");
  const handle = page.getByRole("slider", { name: /Sowing of .* Nettle Moon/ });
  await handle.scrollIntoViewIfNeeded();
  const box = (await handle.boundingBox())!;
  await page.mouse.move(box.x + 60, box.y + 10);
  await page.mouse.down();
  // Thirty days are about a hundred pixels of a 1280-pixel year.
  await page.mouse.move(box.x - 50, box.y + 10, { steps: 12 });
  await expect(page.getByRole("status").filter({ hasText: "days earlier" })).toContainText("Enter keeps it");
  await expect(moon).not.toContainText("over your limit");
  await page.mouse.up();
  await expect(toast(page, "Nettle Moon: sowing moved to")).toBeVisible();
  await expect(moon).not.toContainText("over your limit");
  await toast(page, "sowing moved").getByRole("button", { name: "Undo" }).click();
  await expect(moon).toContainText("over your limit");
  await page.close();
});

test("a sowing is moved by keys, dropped by Escape, kept by Enter", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await openPlan(page);
  const handle = page.getByRole("slider", { name: /Sowing of .* Ashlar Gold/ });
  await handle.focus();
  await page.keyboard.press("PageUp");
  await page.keyboard.press("ArrowRight");
  await expect(handle).toHaveAttribute("aria-valuenow", "8");
  await expect(handle).toHaveAttribute("aria-valuetext", /sown 12 May/);
  await page.keyboard.press("Escape");
  await expect(handle).toHaveAttribute("aria-valuenow", "0");
  await page.keyboard.press("PageUp");
  await page.keyboard.press("Enter");
  await expect(toast(page, "Ashlar Gold: sowing moved to 11 May")).toBeVisible();
  await expect(handle).toHaveAttribute("aria-valuetext", /sown 11 May/);
  await toast(page, "sowing moved").getByRole("button", { name: "Undo" }).click();
  await expect(handle).toHaveAttribute("aria-valuetext", /sown 4 May/);
  await page.close();
});

test("an arrangement is found, compared, accepted, and undone as one", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await openPlan(page);
  const headline = page.getByRole("heading", { name: /stands? takes? more strange pollen/ });
  const before = (await headline.textContent())!;
  await page.getByRole("button", { name: "Arrange the season" }).click();
  await sheet(page).getByText("Beds, dates and means it may use").click();
  for (const end of ["from", "until"]) await sheet(page).getByLabel(`Ashlar Gold, sown ${end}`).fill("2028-05-04");
  await sheet(page).getByRole("button", { name: "Search" }).click();
  await expect(sheet(page).getByRole("button", { name: "Accept this arrangement" })).toBeVisible({ timeout: 60_000 });
  // No sowing makes peppers sure to ripen in a cool valley: that is said.
  await expect(sheet(page).getByText(/0 stands over the limit, 3 not ripe in time/)).toBeVisible();
  await expect(sheet(page).getByRole("row", { name: /Nettle Moon/ })).toContainText("→");
  // Its sowing was held to the one day.
  await expect(sheet(page).getByRole("row", { name: /^Ashlar Gold/ })).not.toContainText("sown");
  await sheet(page).getByRole("button", { name: "Accept this arrangement" }).click();
  await expect(headline).toBeHidden();
  await toast(page, "Way out taken for").getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("heading", { name: before })).toBeVisible();
  await page.close();
});

test("a search is stopped with the best so far", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await openPlan(page);
  await page.getByRole("button", { name: "Arrange the season" }).click();
  await sheet(page).getByRole("button", { name: "Search" }).click();
  await expect(sheet(page).getByText("Best so far after")).toBeVisible();
  await sheet(page).getByRole("button", { name: "Stop" }).click();
  await expect(sheet(page).getByText("Best found after")).toBeVisible();
  await page.close();
});

test("the band is filtered, shows two seasons, and goes out as a calendar", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/season");
  await page.getByLabel("Species").selectOption("Leek");
  await expect(row(page, /Slatefoot/)).toHaveCount(2);
  await expect(row(page, /Duskwing/)).toHaveCount(0);
  await page.getByRole("link", { name: "With the season before" }).click();
  await expect(page.getByRole("link", { name: "This season only" })).toBeVisible();
  await expect(page.getByText("Jan", { exact: true })).toHaveCount(2);
  const calendar = await (await page.request.get("/api/calendar?season=2028")).text();
  expect(calendar).toContain("BEGIN:VCALENDAR");
  expect(calendar).toMatch(/DTSTART;VALUE=DATE:20280504/);
  expect(calendar).toContain("SUMMARY:Sow 8 seeds: Ashlar Gold");
  await page.close();
});
