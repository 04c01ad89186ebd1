import { expect, test } from "vitest";
import type { BenchPart, BenchPlant } from "@/views/family";
import { rowsOf } from "./benchWalk";

const part = (code: string, numbers: number[], perRow: number, mother: number | null = null): BenchPart => ({
  ...{ code, mother, perRow },
  plants: numbers.map((number) => ({ id: `${code}.${number}`, number, code }) as BenchPlant),
});
const told = (bench: BenchPart[]) =>
  rowsOf(bench).map(({ name, heading, plants }) => [name, heading, plants.map(({ number }) => number).join(" ")]);

test("rows stand as they were planted; where several families share the bed each is named, by its mother where known", () => {
  // Plants 4 to 6, the second row of three, have no number any more.
  expect(told([part("F1", [1, 2, 3, 7, 8], 3)])).toEqual([
    ["Row 1", null, "1 2 3"],
    ["Row 2", null, "7 8"],
  ]);
  expect(told([part("F1", [1, 2, 3], 2, 14), part("F2", [1], 1)])).toEqual([
    ["F1, row 1", "F1, seed of plant 14", "1 2"],
    ["F1, row 2", null, "3"],
    ["F2, row 1", "F2", "1"],
  ]);
  expect(told([])).toEqual([]);
});
