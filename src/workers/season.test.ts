import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { bed, scene, source, stand } from "@/core/tests/place";
import { type Caller, caller, type FromWorker, type ToWorker } from "./jobs";
import type { Found } from "./season";

let said: FromWorker[];
let calls: Caller;
beforeEach(async () => {
  said = [];
  vi.resetModules();
  vi.stubGlobal("postMessage", (message: FromWorker) => {
    said.push(message);
    calls.hear(message);
  });
  vi.stubGlobal("addEventListener", (_: string, take: (event: { data: ToWorker }) => void) => {
    calls = caller((data) => take({ data }));
  });
  await import("./season");
});
afterEach(() => vi.unstubAllGlobals());

const three = scene(
  [stand(1), stand(2, { bed: bed(2, 12) }), stand(3, { bed: bed(3, 40) })].map((s) => ({ ...s, limit: 1e-9 })),
  { beds: [bed(4, 60), bed(5, 90)], sources: [source(9, 30)] },
);
const task = {
  stands: three.stands.map(({ id }) => id),
  windows: three.stands.map(() => ({ from: "2027-03-20", to: "2027-06-10" })),
  step: 7,
  beds: three.beds.map(({ id }) => id),
  means: ["open", "cage", "hand"] as ("open" | "cage" | "hand")[],
};
const asked = <R>(job: string, input: unknown): Promise<R> =>
  new Promise((resolve) => {
    calls.start(job, input, (message) => message.kind === "done" && resolve(message.result as R));
  });

test("changes are tried on the scene that was told last", async () => {
  await asked("scene", { scene: three, locale: "en-GB" });
  const before = await asked<{ share: { likely: number } }[]>("try", []);
  await asked("scene", { scene: { ...three, sources: [] }, locale: "en-GB" });
  const after = await asked<{ share: { likely: number } }[]>("try", []);
  expect(before).toHaveLength(3);
  expect(after[0]!.share.likely).toBeLessThan(before[0]!.share.likely);
});

test("a search tells what it has with what it changes, ends with the best, and is over when it is stopped", async () => {
  await asked("scene", { scene: three, locale: "en-GB" });
  const progress: Found[] = [];
  const stop = calls.start("arrange", { task, seed: 1 }, (message) => {
    if (message.kind === "progress") progress.push(message.progress as Found);
  });
  await vi.waitFor(() => expect(progress.length).toBeGreaterThan(1), { timeout: 20_000 });
  expect(progress[0]).toMatchObject({ after: { length: 3 }, judged: { labour: expect.any(Number) } });
  expect(progress.at(-1)!.judged.score).toBeLessThanOrEqual(progress[0]!.judged.score);
  stop();
  const told = said.length;
  await new Promise((wait) => setTimeout(wait, 600));
  // One slice may have been told already when the stop came.
  expect(said.length - told).toBeLessThanOrEqual(1);
  expect(said.some(({ kind }, i) => i >= told && kind === "done")).toBe(false);
}, 40_000);
