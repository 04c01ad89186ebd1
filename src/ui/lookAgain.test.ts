import { afterEach, expect, test, vi } from "vitest";
import { lookAgain } from "./lookAgain";

afterEach(() => vi.unstubAllGlobals());

test.each([
  ["there", async () => new Response(), 1],
  ["failing", async () => new Response(null, { status: 500 }), 0],
  ["away", async () => Promise.reject(new TypeError("no network")), 0],
])("with the server %s the page is drawn anew, or left as it is", async (_, answer, times) => {
  const refresh = vi.fn();
  vi.stubGlobal("fetch", answer);
  await lookAgain({ refresh });
  expect(refresh).toHaveBeenCalledTimes(times);
});
