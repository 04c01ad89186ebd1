import { awake } from "./screens";
import { expect, PHONE, startServer, test } from "./server";

test("every screen says what to do first in an empty garden", async ({ browser }) => {
  // Of its own: other files begin the garden of the server that they share.
  const empty = await startServer("empty");
  const page = await browser.newPage({ baseURL: empty.url });
  const first: Record<string, string> = {
    "/": "Where is your garden?",
    "/ground": "No beds yet",
    "/season": "Nothing stands in",
    "/round": "The round is done",
    "/crosses": "No crosses planned yet",
    "/crosses/plan": "Nothing grows in this season yet",
    "/crosses/book": "No cross has been planned yet",
    "/crosses/works": "No flower has been looked at yet",
    "/nursery": "No families yet",
    "/seed": "The table is empty",
    "/seed/drawer": "The drawer is empty",
    "/seed/ripening": "Nothing ripens for seed this season",
    "/seed/sharing": "No day for sharing is set down yet",
    "/lines": "No lines yet",
    "/shed/history": "Nothing has been recorded yet",
  };
  for (const [path, words] of Object.entries(first)) {
    await page.goto(path);
    await expect(page.getByText(words).first()).toBeVisible();
  }
  await page.goto("/lines/999");
  await expect(page.getByText("Nothing hangs on this label")).toBeVisible();
  await page.close();
  await empty.stop();
});

test("keys find, go and explain; the band's stake moves the day of this device alone", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  await page.goto("/");
  await awake(page);
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("/");
  await page.keyboard.type("X27-010-F");
  await expect(page.getByText("one character is wrong or two are swapped")).toBeVisible();
  await page.keyboard.press("Control+a");
  await page.keyboard.type("lantern 7");
  // Enter opens what is chosen: it comes a moment after it is listed.
  await expect(page.getByRole("option", { name: /plant 7/, selected: true })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Plant 7" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("g");
  await page.keyboard.press("s");
  await expect(page).toHaveURL(/season/);
  const stake = page.getByRole("slider", { name: /As-of day/ });
  await stake.focus();
  await page.keyboard.press("PageUp");
  await page.keyboard.press("Enter");
  const back = page.getByRole("button", { name: "this device stands on 16 Jul: back to today" });
  await expect(back).toBeVisible();
  // The day belongs to this device: another one still stands where it stood.
  const other = await (await browser.newContext({ baseURL: demo.url })).newPage();
  await other.goto("/season");
  await expect(other.getByRole("slider", { name: /As-of day/ })).toHaveAttribute("aria-valuetext", /9 July 2027/);
  await other.context().close();
  await stake.focus();
  await page.keyboard.press("PageDown");
  await page.keyboard.press("Enter");
  await expect(stake).toHaveAttribute("aria-valuetext", /9 July 2027/);
  await page.close();
});

test("on the phone the dawn is recorded by thumb, with targets large enough", async ({ browser, demo }) => {
  const context = await browser.newContext({ baseURL: demo.url, ...PHONE });
  const page = await context.newPage();
  await page.goto("/crosses");
  const lost = page
    .getByRole("row", { name: /X27-001-F/ })
    .getByRole("cell")
    .nth(5);
  const before = Number(await lost.textContent());
  await page.goto("/");
  await expect(page.getByText("Fri 9 July 2027").filter({ visible: true }).first()).toBeVisible();
  const dawn = page.getByRole("region", { name: "Dawn" }).getByRole("listitem");
  await dawn.filter({ hasText: "Pollinate at dawn" }).getByRole("button", { name: "Record" }).first().tap();
  const sheet = page.getByRole("dialog");
  for (const target of await sheet.locator("button").all())
    expect((await target.boundingBox())!.height).toBeGreaterThanOrEqual(44);
  await sheet.getByRole("radio", { name: "Limp" }).first().tap();
  const press = sheet.getByRole("button", { name: "4 pollinated, 1 otherwise" });
  await press.dblclick();
  await expect(page.getByText(/X27-001-F: .*1 unusable \(limp\)/).first()).toBeVisible();
  await page.goBack();
  await expect(page).toHaveURL(/crosses/);
  await page.reload();
  await expect(lost).toHaveText(String(before + 1));
  await context.close();
});

test("two tabs change one line: the second is told, keeps its words, and may put them over", async ({
  browser,
  demo,
}) => {
  const [one, two] = [await browser.newPage({ baseURL: demo.url }), await browser.newPage({ baseURL: demo.url })];
  for (const page of [one, two]) {
    await page.goto("/lines");
    await page
      .getByRole("row", { name: /Low Kiln/ })
      .getByRole("link")
      .first()
      .click();
    await page.getByText("More about it").click();
    await page.getByRole("button", { name: "Change the line" }).click();
    await page.getByRole("button", { name: "Where it comes from" }).click();
  }
  await one.getByLabel("Origin").fill("first tab");
  await one.getByRole("button", { name: "Save", exact: true }).click();
  await expect(one.getByText("From first tab.")).toBeVisible();
  await two.getByLabel("Origin").fill("second tab");
  await two.getByRole("button", { name: "Save", exact: true }).click();
  await expect(two.getByText("changed elsewhere since you opened it")).toBeVisible();
  await expect(two.getByLabel("Origin")).toHaveValue("second tab");
  await expect(two.getByText("From first tab.")).toBeAttached();
  await two.getByRole("button", { name: "Save", exact: true }).click();
  await expect(two.getByText("From second tab.")).toBeVisible();
  await one.close();
  await two.close();
});
