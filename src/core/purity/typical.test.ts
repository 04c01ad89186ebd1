import { expect, test } from "vitest";
import { alike } from "../writing/alike";
import { typicalOf } from "./typical";

const plant = (id: string, figures: Record<string, number>, words: Record<string, string> = {}) => ({
  id,
  figures,
  words,
});

test("the typical plant is nearest to all means, of the words most show, and was looked at well", () => {
  const three = [plant("a", { m: 1, n: 30 }), plant("b", { m: 2, n: 20 }), plant("c", { m: 3, n: 10 })];
  expect(typicalOf(three)).toBe("b");
  // Nearest on one yardstick, but hardly looked at.
  expect(
    typicalOf([plant("a", { m: 1, n: 3, o: 2 }), plant("b", { m: 2, n: 1, o: 2 }), plant("c", { m: 1.5 })]),
  ).not.toBe("c");
  // Another word than most show counts as three standard deviations.
  const words = [
    plant("a", { m: 1 }, { w: "red" }),
    plant("b", { m: 2 }, { w: "pale" }),
    plant("c", { m: 4 }, { w: "red" }),
  ];
  expect(typicalOf(words)).toBe("a");
  expect(typicalOf([plant("a", {}), plant("b", {})])).toBe(null);
  expect(typicalOf([])).toBe(null);
});

test.each([
  ["Ember Sweet", "ember-sweet", true],
  ["Ember Sweet", "Ember Swet", true],
  ["Émber", "Ember", true],
  ["Ember", "Amber", true],
  ["Oak", "Oat", false],
  ["Ember", "Embers two", false],
  ["Ля", "ля", true],
])("%s and %s are alike: %s", (one, other, same) => {
  expect(alike(one, other)).toBe(same);
});
