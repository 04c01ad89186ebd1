import { describe, expect, test } from "vitest";
import { atFather, bedOf, malesFor } from "./fathers";
import type { Protocol, ProtocolStep, StepAction } from "./protocol";

const step = (action: StepAction, each: number | null, after = { low: 1, high: 1 }) =>
  ({ action, after, father: each === null ? null : { title: "", look: "", each, unit: "male" } }) as ProtocolStep;
const protocol = (unit: Protocol["unit"], ...steps: ProtocolStep[]) => ({ unit, steps }) as Protocol;

const NONE = { males: null, malesOn: null, fetchedOn: null };
const melon = protocol("flower", step("cover", 2), step("pollinate", 2));
const tomato = protocol("flower", step("cover", null), step("pollinate", 0.34));
const bagged = protocol("flower", step("cover", null), step("pollinate", null));
const ears = protocol("ear", step("cover", null), step("gather", 1), step("pollinate", null));
const on = (
  made: Partial<typeof NONE | { males: number; malesOn: string; fetchedOn: string }>,
  females: { cover: number; pollinate: number },
  self = false,
  day = "2027-07-10",
) =>
  atFather(melon, self, females, { ...NONE, ...made }, day).map(({ step, count, ready }) => [
    step.action,
    count,
    ready,
  ]);

describe("the father's part", () => {
  test("two males are tied for each female of the evening, once", () => {
    expect(on({}, { cover: 3, pollinate: 0 })).toEqual([["cover", 6, null]]);
    expect(on({ males: 6, malesOn: "2027-07-10" }, { cover: 3, pollinate: 0 })).toEqual([]);
    // Those of the evening before are another evening's.
    expect(on({ males: 6, malesOn: "2027-07-09" }, { cover: 3, pollinate: 0 })).toEqual([["cover", 6, null]]);
  });

  test("at dawn those that were tied the evening before are cut; without any, as many as are wanted", () => {
    expect(on({ males: 5, malesOn: "2027-07-09" }, { cover: 0, pollinate: 3 })).toEqual([["pollinate", 5, 5]]);
    expect(on({ males: 5, malesOn: "2027-07-08" }, { cover: 0, pollinate: 3 })).toEqual([["pollinate", 6, null]]);
    expect(on({ fetchedOn: "2027-07-10" }, { cover: 0, pollinate: 3 })).toEqual([]);
    expect(on({ fetchedOn: "2027-07-09" }, { cover: 0, pollinate: 3 })).toEqual([["pollinate", 6, null]]);
  });

  test("a plant that is selfed has its males tied beside it, and nothing is fetched", () => {
    expect(on({}, { cover: 1, pollinate: 2 }, true)).toEqual([["cover", 2, null]]);
  });

  test("where one flower gives pollen for several, fewer are taken along; what has no father's part asks for none", () => {
    const fetched = atFather(tomato, false, { cover: 4, pollinate: 4 }, NONE, "2027-07-10");
    // A third of a flower each: 1.36, so two.
    expect(fetched.map(({ step, count }) => [step.action, count])).toEqual([["pollinate", 2]]);
    expect(atFather(bagged, true, { cover: 4, pollinate: 4 }, NONE, "2027-07-10")).toEqual([]);
  });

  test("males at hand are spread over the flowers; of tassels all are mixed", () => {
    expect(malesFor(melon, NONE, 3)).toBe(2);
    expect(malesFor(melon, { ...NONE, males: 9 }, 3)).toBe(3);
    expect(malesFor(melon, { ...NONE, males: 2 }, 3)).toBe(1);
    expect(malesFor(tomato, { ...NONE, males: 9 }, 3)).toBe(1);
    expect(malesFor(bagged, NONE, 3)).toBe(2);
    const sparing = protocol("ear", step("gather", 0.5), step("pollinate", null));
    expect([malesFor(sparing, NONE, 3), malesFor(sparing, NONE, 0)]).toEqual([2, 1]);
    expect([malesFor(ears, NONE, 4), malesFor(ears, { ...NONE, males: 7 }, 4)]).toEqual([4, 7]);
  });

  test("tassels are bagged and males tied at the father's bed, flowers are done at the mother's", () => {
    const state = { cross: { motherBed: "A", fatherBed: "B" } };
    expect(bedOf({ kind: "father", state })).toBe("B");
    expect(bedOf({ kind: "cross", step: step("gather", 1), state })).toBe("B");
    expect(bedOf({ kind: "cross", step: step("gather", null), state })).toBe("A");
    expect(bedOf({ kind: "cross", step: step("pollinate", 2), state })).toBe("A");
  });
});
