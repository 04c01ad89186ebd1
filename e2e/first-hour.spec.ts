import type { Locator, Page } from "@playwright/test";
import { expect, type Server, startServer, test } from "./server";

/** What a hand does: each press and each field that is typed is counted. */
function hand(page: Page) {
  const done = { presses: 0, typed: 0 };
  return {
    done,
    press: async (of: Locator) => {
      done.presses++;
      await of.click();
    },
    type: async (of: Locator, text: string) => {
      done.presses++;
      done.typed++;
      await of.click();
      await of.fill(text);
    },
    sheet: page.getByRole("dialog"),
  };
}

for (const { where, place, frosts, viewport } of [
  {
    where: "in the north, at a desk",
    place: "48.6, 9.3",
    frosts: ["20 May", "28 Sept"],
    viewport: { width: 1280, height: 800 },
  },
  {
    where: "in the south, on a phone",
    place: "43.5 S, 172.6 E",
    frosts: ["20 Oct", "28 April"],
    viewport: { width: 390, height: 844 },
  },
] as const)
  test.describe(where, () => {
    let page: Page;
    let empty: Server;
    test.beforeAll(async ({ browser }) => {
      empty = await startServer("empty");
      page = await browser.newPage({ baseURL: empty.url, viewport });
    });
    test.afterAll(async () => {
      await page.close();
      await empty.stop();
    });

    test("from an empty garden to the first planned cross in 25 presses and 4 typed fields at most", async () => {
      const { press, type, done, sheet } = hand(page);
      await page.goto("/");
      await type(page.getByLabel("Latitude"), place);
      await type(page.getByLabel("Last frost"), frosts[0]);
      await type(page.getByLabel("First frost"), frosts[1]);
      await press(page.getByRole("button", { name: "Begin with this garden" }));
      await expect(page.getByRole("heading", { name: "What do you want to begin?" })).toBeVisible();
      await press(page.getByRole("button", { name: "Make a cross" }));
      const species = sheet.getByRole("combobox", { name: "What do you grow?" });
      await type(species, "melo");
      // What the word begins with is proposed first.
      await expect(page.getByRole("option").first()).toContainText("Melon");
      await species.press("Enter");
      done.presses++;
      await expect(species).toHaveValue("Melon");
      // When it is sown here, and how many of it, stand there by themselves.
      await expect(sheet.getByLabel("Sow on")).not.toHaveValue("");
      await expect(sheet.getByLabel("Plants of each")).not.toHaveValue("");
      await press(sheet.getByRole("button", { name: "Save" }));
      await expect(page.getByRole("heading", { name: "Melon 1 × Melon 2" })).toBeVisible();
      await expect(page.getByText("Nothing to do here before Melon 1 and Melon 2 are sown.")).toBeVisible();
      await expect(page.getByRole("heading", { name: "Not in flower yet" })).toBeVisible();
      expect(done.presses).toBeLessThanOrEqual(25);
      expect(done.typed).toBeLessThanOrEqual(4);
      await page.goto("/");
      await expect(page.getByText("Next, from")).toContainText("Sow: Melon 1 and Melon 2");
      await expect(page.getByRole("heading", { name: "What do you want to begin?" })).toBeHidden();
    });

    test("a word that several kinds have is asked about, not guessed", async () => {
      await page.goto("/lines");
      await page.getByRole("button", { name: "Add a line" }).click();
      const { sheet } = hand(page);
      await sheet.getByLabel("Name").fill("Ember");
      const species = sheet.getByRole("combobox", { name: "Species" });
      await species.fill("vulgaris");
      await species.press("Enter");
      await expect(sheet.getByText("Several are called so. Which one?")).toBeVisible();
      await expect(species).toHaveValue("vulgaris");
      await page.getByRole("option", { name: "Common bean" }).click();
      await expect(species).toHaveValue("Common bean");
      // What is typed whole stays what it is.
      await species.fill("Runner bean");
      await species.press("Enter");
      await expect(species).toHaveValue("Runner bean");
    });
  });
