import { describe, expect, test } from "vitest";
import { TRAIT_KIND_IDS, TRAIT_KINDS, type TraitKindId } from "./kinds";
import { type Look, valueOfLooks, withRatios } from "./trait";

const look = (number: number | null, word: string | null = null): Look => ({ number, word, scoredOn: "2027-07-01" });
const number = (value: number) => ({ number: value, word: null });
const colours = ["orange", "pale", "white"];
const many = Array.from({ length: 10 }, (_, i) => `w${i}`);

describe("several looks at one plant", () => {
  test.each<[string, Look[], "once" | "again" | "pass", boolean, object]>([
    ["numbers are their mean", [look(4), look(7)], "once", true, number(5.5)],
    ["again and again too", [look(4), look(7), look(7)], "again", true, number(6)],
    ["pickings add up", [look(0.4), look(0.8)], "pass", true, { number: expect.closeTo(1.2, 12), word: null }],
    [
      "of words the last one stands",
      [look(null, "pale"), look(null, "orange")],
      "once",
      false,
      { number: null, word: "orange" },
    ],
    ["of yes or no too", [look(1), look(0)], "once", false, number(0)],
  ])("%s", (_, looks, often, counted, value) => expect(valueOfLooks(looks, often, counted)).toEqual(value));
});

test("a ratio is computed where both parts are there and the lower is something", () => {
  const ratio = [{ id: "r", ofId: "a", byId: "b" }];
  expect(withRatios({ a: number(6), b: number(4) }, ratio).r).toEqual(number(1.5));
  expect(withRatios({ a: number(6) }, ratio).r).toBeUndefined();
  expect(withRatios({ a: number(6), b: number(0) }, ratio).r).toBeUndefined();
  expect(withRatios({ a: number(0), b: number(4) }, ratio).r).toEqual(number(0));
  expect(withRatios({ a: number(6), b: number(4) }, [{ id: "n", ofId: null, byId: null }]).n).toBeUndefined();
});

describe("scores by keys", () => {
  test.each<[TraitKindId, string, string | null]>([
    ["scale", "7", "7"],
    ["scale", "0", null],
    ["yes-no", "y", "y"],
    ["yes-no", "1", "y"],
    ["yes-no", "0", "n"],
    ["yes-no", "x", null],
    ["category", "2", "pale"],
    ["category", "4", null],
    ["number", "7", null],
    ["date", "7", null],
    ["ratio", "7", null],
  ])("on a %s %s says %s", (kind, key, score) => expect(TRAIT_KINDS[kind].byKey(key, colours)).toBe(score));

  test("of more than nine categories none has a key: the first letters are typed", () => {
    const { byKey, begins, goesOn, keys, entry } = TRAIT_KINDS.category;
    expect([byKey("1", many), begins("w", many), begins("1", many), goesOn("1", many)]).toEqual([
      null,
      true,
      false,
      true,
    ]);
    expect([begins("w", colours), goesOn("w", colours)]).toEqual([false, false]);
    expect([keys(colours), keys(many)]).toEqual([
      "1 orange, 2 pale, 3 white: scores and goes on",
      "type the word, Enter goes on",
    ]);
    expect([entry(colours).by, entry(many)]).toEqual(["press", { by: "typing", keyboard: "text" }]);
  });

  test.each<[TraitKindId, string, boolean, boolean]>([
    ["number", "5", true, true],
    ["number", "-", true, true],
    ["number", ",", false, true],
    ["number", "k", false, false],
    ["count", "5", true, true],
    ["count", "Enter", false, false],
    ["scale", "5", false, false],
    ["date", "9", true, true],
    ["date", "J", false, true],
    ["date", "Enter", false, false],
    ["ratio", "5", false, false],
    ["yes-no", "5", false, false],
  ])("on a %s %s begins a score: %s, goes on with one: %s", (kind, key, begins, goesOn) => {
    const of = TRAIT_KINDS[kind];
    expect([of.begins(key, colours), of.goesOn(key, colours)]).toEqual([begins, goesOn]);
  });
});

describe("a score", () => {
  const on = { unit: "", categories: colours, sown: "2027-05-01", today: "2027-07-09" };
  test.each<[TraitKindId, string, object]>([
    ["number", "1,5", { value: number(1.5) }],
    ["number", "1000001", { takes: "a number from -1000000 to 1000000" }],
    ["count", "0", { value: number(0) }],
    ["count", "1.5", { takes: "a whole number from 0 to 1000000" }],
    ["scale", "9", { value: number(9) }],
    ["scale", "10", { takes: "a whole number from 1 to 9" }],
    ["category", "OR", { value: { number: null, word: "orange" } }],
    ["category", "white", { value: { number: null, word: "white" } }],
    ["category", "", { takes: "one of: orange, pale, white" }],
    ["yes-no", "No", { value: number(0) }],
    ["yes-no", "maybe", { takes: "y or n" }],
    ["date", "69", { value: number(69) }],
    // Nine days later than May's last, and two months on.
    ["date", "9 July", { value: number(69) }],
    ["date", "70", { why: "That day is before sowing or still to come." }],
    ["date", "soon", { takes: "a day as 9 July or 2027-07-09, or days from sowing" }],
    ["ratio", "1", { why: "It is reckoned of two others; score those." }],
  ])("on a %s “%s” is %j", (kind, typed, read) => expect(TRAIT_KINDS[kind].read(typed, on)).toEqual(read));

  test("in another unit is turned into the trait's own", () => {
    expect(TRAIT_KINDS.number.read("2 lb", { ...on, unit: "g" })).toEqual({ value: number(907.18474) });
  });

  test("that was typed looks as it will be kept, and is typed as it was", () => {
    const { category, date } = TRAIT_KINDS;
    expect(TRAIT_KINDS["yes-no"].meant("n")).toEqual(number(0));
    expect(category.meant("pale")).toEqual({ number: null, word: "pale" });
    expect(date.meant("12 June")).toEqual({ number: null, word: "12 June" });
    expect(date.shown({ number: null, word: "12 June" })).toBe("12 June");
    for (const id of TRAIT_KIND_IDS) {
      const kind = TRAIT_KINDS[id];
      const [first] = ["7", "y", "orange"].filter((typed) => "value" in kind.read(typed, on));
      if (first) expect(kind.typed(kind.meant(first))).toBe(first);
    }
  });

  test("is shown rounded and typed whole", () => {
    const shown = (value: number) => TRAIT_KINDS.number.shown(number(value));
    expect([1.2345, 12.345, 123.45, 7, 100.04, 10.04, -10.04].map(shown)).toEqual([
      "1.23",
      "12.3",
      "123",
      "7",
      "100",
      "10",
      "-10",
    ]);
    expect(TRAIT_KINDS.number.typed(number(1.2345))).toBe("1.2345");
    expect(TRAIT_KINDS["yes-no"].shown(number(1))).toBe("y");
    expect(TRAIT_KINDS.category.shown({ number: null, word: "pale" })).toBe("pale");
  });
});

test("a kind offers to want only what it can tell apart, and says what its figures are", () => {
  for (const id of TRAIT_KIND_IDS) {
    const { measured, wanted, categories, heritability, often } = TRAIT_KINDS[id];
    expect(wanted.includes("high"), id).toBe(measured);
    expect(categories(colours).length > 0, id).toBe(!measured);
    expect(often, id).toContain("once");
    expect(heritability.low, id).toBeLessThan(heritability.high);
  }
  expect(TRAIT_KINDS.date.units("g")).toEqual({ value: "days", difference: "days", axis: "days from sowing" });
  expect(TRAIT_KINDS.scale.units("")).toEqual({ value: "", difference: "steps", axis: "1–9" });
  expect(TRAIT_KINDS.count.units("fruits").difference).toBe("fruits");
});
