import { expect, test } from "vitest";
import { arrowOf, plotByKey, turned } from "./plot";

const BED = { x: 10, y: 20, width: 4, length: 1, turn: 2 };
const key = (name: string, shiftKey = false, altKey = false) => ({ key: name, shiftKey, altKey });

test.each([
  ["an arrow moves it half a metre", key("ArrowUp"), { y: 20.5 }],
  ["with Shift five", key("ArrowLeft", true), { x: 5 }],
  ["with Alt it is sized", key("ArrowRight", false, true), { width: 4.5 }],
  ["never to nothing", key("ArrowDown", true, true), { length: 0.5 }],
  ["a full stop turns it to the next step of five degrees", key("."), { turn: 5 }],
  ["a comma back, round the circle", key(","), { turn: 355 }],
] as const)("%s", (_, event, change) => {
  expect(plotByKey(event, BED)).toEqual({ ...BED, ...change });
});

test("other keys are no business of a bed's", () => {
  expect(plotByKey(key("a"), BED)).toBeNull();
  expect(arrowOf(key("a"))).toBeUndefined();
  expect([turned(-3), turned(-2), turned(358), turned(722)]).toEqual([355, 0, 0, 0]);
});
