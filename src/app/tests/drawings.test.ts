import { expect, test } from "vitest";
import { PROTOCOLS } from "@/catalogue/catalogue";
import { DRAWING_NAMES } from "@/screens/common/drawings/FlowerStage";

test("every stage that the catalogue names is drawn, nothing is drawn for no step, and words go with it", () => {
  const steps = PROTOCOLS.flatMap((p) => p.steps);
  expect([...new Set(steps.flatMap((s) => s.drawing ?? []))].sort()).toEqual([...DRAWING_NAMES].sort());
  for (const step of steps) expect(step.stages === null, step.title).toBe(step.drawing === null);
  for (const { id, steps: own } of PROTOCOLS) expect(own[0]!.drawing, id).not.toBeNull();
});
