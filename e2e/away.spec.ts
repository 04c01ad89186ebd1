import { expect, PHONE, startServer, test } from "./server";

test("what the garden needs is kept before it is asked for: the round is reached by its link with the server gone", async ({
  browser,
}) => {
  const server = await startServer("demo");
  const context = await browser.newContext({ ...PHONE, baseURL: server.url, serviceWorkers: "allow" });
  const page = await context.newPage();
  const kept = () =>
    page.evaluate(async () => {
      const names = (await caches.keys()).filter((name) => name.startsWith("garden-"));
      const pages = await Promise.all(
        names.map(async (name) => (await (await caches.open(name)).keys()).map(({ url }) => url)),
      );
      return pages.flat().map((url) => new URL(url).pathname);
    });
  await page.goto("/");
  // Another build's pages are thrown away.
  await page.evaluate(() => caches.open("garden-pages-of-last-year"));
  await expect.poll(kept).toEqual(expect.arrayContaining(["/", "/round"]));
  await expect.poll(async () => (await kept()).some((path) => path.endsWith(".js"))).toBe(true);
  await page.evaluate(() => navigator.serviceWorker.ready);
  await server.kill();
  await page.getByRole("link", { name: "Round", exact: true }).click();
  await expect(page).toHaveURL(/\/round$/);
  // It is drawn and answers: a press is kept on the device.
  const answer = page.getByRole("main").getByRole("button").first();
  await expect(answer).toBeEnabled();
  await page.goto("/lines");
  await expect(page.getByRole("heading", { name: "The server does not answer" })).toBeVisible();
  await page.getByRole("link", { name: "Today", exact: true }).click();
  await expect(page.getByRole("main").getByRole("heading").first()).toBeVisible();
  await expect(page.getByRole("heading", { name: "The server does not answer" })).toHaveCount(0);
  await page.goto("/lines");
  await server.restart();
  await page.getByRole("button", { name: "Try again" }).click();
  await expect(page.getByText(/in your care/)).toBeVisible();
  await page.unroute("**");
  // Pages kept by an older build went when this one was taken up.
  await page.evaluate(async () => (await navigator.serviceWorker.ready).unregister());
  // It goes only when no page is left that it looks after.
  await page.goto("about:blank");
  await page.goto("/");
  await page.evaluate(() => navigator.serviceWorker.ready);
  await expect.poll(() => page.evaluate(() => caches.has("garden-pages-of-last-year"))).toBe(false);
  await context.close();
  await server.stop();
});
