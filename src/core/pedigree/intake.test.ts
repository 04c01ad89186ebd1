import { expect, test } from "vitest";
import { orderedKin, type ToldKin } from "./intake";

const kin = (name: string, mother: string | null, father: string | null, more: Partial<ToldKin> = {}): ToldKin => ({
  name,
  mother,
  father,
  year: null,
  line: 1,
  ...more,
});
const troubles = (...told: ToldKin[]) => orderedKin(told).troubles.map(({ line, message }) => `${line}: ${message}`);

test("parents come first, those that are only named too", () => {
  const { kin: all, troubles: none } = orderedKin([kin("C", "B", "A"), kin("B", "A", "F")]);
  expect(none).toEqual([]);
  expect(all.map(({ name }) => name)).toEqual(["A", "F", "B", "C"]);
  expect(all[0]).toMatchObject({ mother: null, father: null });
  // A parent of both sides is one.
  expect(orderedKin([kin("S", "A", "A")]).kin.map(({ name }) => name)).toEqual(["A", "S"]);
});

test("what can't be so is named with its line", () => {
  expect(troubles(kin("A", "B", "C"), kin("B", "A", "C", { line: 2 }))).toEqual([
    "1: “A” is its own forebear: A from B from A.",
  ]);
  expect(troubles(kin("A", "A", "B", { line: 4 }))).toEqual(["4: “A” is its own forebear: A from A."]);
  expect(troubles(kin("A", "B", "C"), kin("A", "B", "C", { line: 3 }))).toEqual(["3: “A” stands on line 1 already."]);
  expect(troubles(kin("A", "B", "C"), kin("A", "C", "B", { line: 3 }))[0]).toContain("with other parents");
  expect(troubles(kin("A", "B", null, { line: 7 }))[0]).toContain("7: “A” has one parent only");
  expect(troubles(kin("C", "P", "Q", { year: 2020, line: 2 }), kin("P", null, null, { year: 2021 }))).toEqual([
    "2: “P” of 2021 is younger than its child “C” of 2020.",
  ]);
  expect(troubles(kin("C", "P", "Q", { year: 2020 }), kin("P", null, null, { year: 2020 }))).toEqual([]);
});
