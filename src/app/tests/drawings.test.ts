import { expect, test } from "vitest";
import { PROTOCOLS } from "@/catalogue/catalogue";
import { FILES } from "@/screens/common/drawings/pieces";

test("every stage that the catalogue names is drawn, nothing is drawn for no step, and words go with it", () => {
  const steps = PROTOCOLS.flatMap((p) => p.steps);
  expect([...new Set(steps.flatMap((s) => s.drawing ?? []))].sort()).toEqual(Object.values(FILES).flat().sort());
  for (const step of steps) expect(step.stages === null, step.title).toBe(step.drawing === null);
  for (const { id, steps: own } of PROTOCOLS) expect(own[0]!.drawing, id).not.toBeNull();
});

test.each(Object.entries(FILES))("the file of %s holds the drawings that are said to be in it", async (file, names) => {
  const held = (await import(`../../screens/common/drawings/${file}.tsx`)) as Record<string, object>;
  expect(Object.keys(held[file.toUpperCase()]!)).toEqual(names);
});
