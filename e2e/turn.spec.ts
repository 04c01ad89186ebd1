import { beside, expect, startServer, test } from "./server";

const FIRST = "2027-03-01";

test("an F2 is led over the winter: chosen among, each kept plant's seed its own lot, and a row of each planned", async ({
  browser,
}) => {
  test.slow();
  const server = await startServer("empty");
  const page = await browser.newPage({ baseURL: server.url });
  const { on, send } = beside(page, server.url, FIRST);
  const place = { latitude: 50, longitude: 14, timezone: "Europe/Prague", lastFrost: "05-12", firstFrost: "10-10" };
  await send("garden.begin", { name: "Plot", units: "metric", ...place });
  for (const [i, name] of ["A", "B"].entries()) await send("bed.add", { name, x: i * 12, y: 0, width: 10, length: 2 });
  const bedId = await send("bed.add", { name: "C", x: 24, y: 0, width: 10, length: 2 });
  const line = { name: "Rook", species: "pea", school: "cross-and-fix", status: "breeding-line" };
  const lineId = await send("line.add", line);
  const lotId = await send("lot.receive", { lineId, gathered: FIRST, seeds: 90, generation: 2 });
  const standId = await send("stand.sow", { lots: [{ lotId, seeds: 60, wanted: 24 }], bedId, sown: FIRST });
  await send("deed.done", { standId, act: "look-up", counted: 40, on: FIRST });
  await send("deed.done", { standId, act: "thin", counted: 24, on: FIRST });

  await test.step("Today asks for the six best, and leads to the bench", async () => {
    await on("2027-06-20");
    await page.goto("/");
    const row = page.getByRole("listitem").filter({ hasText: "Choose the 6 best plants" });
    await row.getByRole("link", { name: /^Choose/ }).click();
    const sheet = page.getByRole("dialog");
    for (const number of [2, 5, 9, 14, 20, 23])
      await sheet.getByRole("button", { name: `Plant ${number}`, exact: true }).click();
    await sheet.getByRole("button", { name: "Keep", exact: true }).click();
    await expect(page.getByText("24 plants standing, 6 kept")).toBeVisible();
  });

  await test.step("the seed of each is gathered and kept apart", async () => {
    await on("2027-07-20");
    await page.goto("/");
    const row = page.getByRole("listitem").filter({ hasText: "Gather the seed of 6 kept plants, each apart" });
    await row.getByRole("button", { name: /^Done/ }).click();
    await page.getByRole("dialog").getByRole("button", { name: "Save" }).click();
    await expect(page.getByRole("dialog")).toBeHidden();
    await on("2027-08-10");
    await page.goto("/");
    await page.getByRole("button", { name: /^Make the lot/ }).click();
    await page.getByRole("dialog").getByLabel("Seeds of each").fill("40");
    await page.getByRole("dialog").getByRole("button", { name: "Make 6 lots" }).click();
    await expect(page.getByRole("dialog")).toBeHidden();
  });

  await test.step("after the harvest a press from Today and one more plan the rows", async () => {
    await on("2027-11-03");
    await page.goto("/");
    await page.getByRole("link", { name: /^2028: decide on 1 line/ }).click();
    await expect(page.getByRole("heading", { name: "1 line to decide for 2028" })).toBeVisible();
    await expect(page.getByText("Seed of all 6 kept plants is there.")).toBeVisible();
    await expect(page.getByText("48 plants, a row from each of 6 mothers.")).toBeVisible();
    // Peas stood in bed C.
    await expect(page.getByText(/Bed [AB], /)).toBeVisible();
    // Left by choice, and taken back.
    await page.getByRole("button", { name: "Not this season: Rook F3" }).click();
    await expect(page.getByRole("region", { name: "Left by choice" })).toContainText("stays in the drawer");
    await page.getByRole("button", { name: "Undo" }).first().click();
    await page.getByRole("button", { name: "Plan it: Rook F3" }).click();
    await expect(page.getByRole("heading", { name: "2028 is decided: 1 line to be sown" })).toBeVisible();
    await expect(page.getByText("48 plants in 6 rows, bed")).toBeVisible();
    // A label for each row and each plant.
    await expect(page.getByText("54 labels")).toBeVisible();
    await page.goto("/");
    await expect(page.getByText(/decide on/)).toBeHidden();
  });

  await page.close();
  await server.stop();
});
