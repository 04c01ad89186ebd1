import { expect, test } from "vitest";
import { chanceInWords } from "./words";

test.each([
  [0, "under 1 %"],
  [0.0099, "under 1 %"],
  [0.01, "1 %"],
  [0.555, "56 %"],
  [0.99, "99 %"],
  [0.991, "over 99 %"],
  [1, "over 99 %"],
])("a chance of %d is said as %s: no model is certain", (chance, words) => {
  expect(chanceInWords(chance)).toBe(words);
});

test("where there is little room, by signs", () => {
  expect([0.001, 0.5, 0.999].map((chance) => chanceInWords(chance, ">", "<"))).toEqual(["< 1 %", "50 %", "> 99 %"]);
});
