import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { bed, scene, source, stand } from "@/core/tests/place";
import type { FromSeasonWorker, ToSeasonWorker } from "./season";

let said: FromSeasonWorker[];
let tell: (message: ToSeasonWorker) => void;
beforeEach(async () => {
  said = [];
  vi.resetModules();
  vi.stubGlobal("postMessage", (message: FromSeasonWorker) => said.push(message));
  vi.stubGlobal("addEventListener", (_: string, take: (event: { data: ToSeasonWorker }) => void) => {
    tell = (data) => take({ data });
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

test("an answer bears the number of the scene that was asked about", () => {
  tell({ kind: "scene", of: 4, scene: three });
  tell({ kind: "try", changes: [] });
  expect(said).toMatchObject([{ kind: "tried", of: 4 }]);
  tell({ kind: "scene", of: 5, scene: three });
  tell({ kind: "try", changes: [] });
  expect(said.at(-1)).toMatchObject({ kind: "tried", of: 5 });
});

test("a new scene ends the search on the old one, and no later answer is of it", async () => {
  tell({ kind: "scene", of: 1, scene: three });
  tell({ kind: "arrange", of: 7, task, seed: 1 });
  await vi.waitFor(() => expect(said.some((m) => m.kind === "found" && m.of === 7)).toBe(true), { timeout: 20_000 });
  const old = () => said.filter((m) => m.kind === "found" && m.of === 7);
  const before = old().length;
  expect(old().every((m) => m.kind === "found" && !m.done)).toBe(true);
  tell({ kind: "scene", of: 2, scene: three });
  tell({ kind: "try", changes: [] });
  await new Promise((wait) => setTimeout(wait, 600));
  // It says once more what it had, and that it is over.
  const last = old().slice(before);
  expect(last.length).toBeLessThanOrEqual(1);
  expect(last.every((m) => m.kind === "found" && m.done)).toBe(true);
}, 40_000);
