import { expect, test } from "vitest";
import { asFlowerOnDay } from "./commands";

const DAYS = {
  coveredOn: "2027-07-01",
  gatheredOn: "2027-07-02",
  pollinatedOn: "2027-07-03",
  uncoveredOn: "2027-07-04",
  checkedOn: "2027-07-09",
};
const on = (state: string, more: object = {}) =>
  asFlowerOnDay({ id: "f", number: 2, state, passes: 1, lastPass: "2027-07-03", ...DAYS, ...more } as never).on;

test("a flower's days are those of its steps, and looking is a step only where the fruit had set", () => {
  const steps = { cover: "2027-07-01", gather: "2027-07-02", pollinate: "2027-07-03", uncover: "2027-07-04" };
  expect(on("set")).toEqual({ ...steps, check: "2027-07-09" });
  expect(on("harvested")).toEqual({ ...steps, check: "2027-07-09" });
  expect(on("failed")).toEqual(steps);
  expect(on("covered", { gatheredOn: null, pollinatedOn: null, uncoveredOn: null, checkedOn: null })).toEqual({
    cover: "2027-07-01",
  });
});
