import { expect, test } from "vitest";
import { line } from "@/records/line/line";
import { lot } from "@/records/lot/lot";
import { stand } from "@/records/stand/stand";
import { factorOf, fieldOf, shownIn } from "./recordFields";

test("a column says what is typed: a number, a day, a choice of words, a tick or one of two, a long text", () => {
  const { plants, sown, sownIn, seedWanted, family } = stand.columns;
  const words = { 1: "Seed", 0: "Eating only" };
  expect(fieldOf(plants, "metric")).toMatchObject({ label: "Plants", type: "number", choices: undefined });
  expect(fieldOf(sown, "metric")).toMatchObject({ type: "date", hint: "A day to come plans it." });
  expect(fieldOf(sownIn, "metric", { ground: "Its place", tray: "A tray" })).toMatchObject({
    type: "select",
    none: "As usual",
    choices: [
      { value: "ground", label: "Its place" },
      { value: "tray", label: "A tray" },
    ],
  });
  expect([fieldOf(family, "metric").type, fieldOf(seedWanted, "metric", words).type]).toEqual(["checkbox", "select"]);
  expect([fieldOf(line.columns.description, "metric").type, fieldOf(line.columns.origin, "metric").type]).toEqual([
    "textarea",
    "text",
  ]);
});

test("what is measured is typed in the garden's units, and kept in metres, grams and shares", () => {
  const { spacing, plants } = stand.columns;
  const { mass } = lot.columns;
  const { purity } = line.columns;
  const inFeet = (column: typeof spacing | typeof mass | typeof purity) => fieldOf(column, "imperial").unit;
  expect([inFeet(spacing), inFeet(mass), inFeet(purity)]).toEqual(["ft", "oz", "% true seed"]);
  expect(factorOf(spacing, "imperial")).toBeCloseTo(0.3048, 12);
  expect([factorOf(mass, "metric"), factorOf(purity, "metric"), factorOf(plants, "imperial")]).toEqual([1, 0.01, 1]);
  expect([shownIn(spacing, 0.3048, "imperial"), shownIn(purity, 0.995, "metric")]).toEqual([1, 99.5]);
  // What nobody measured stays empty, and a number that is not measured stays itself.
  expect([shownIn(spacing, null, "imperial"), shownIn(plants, 24, "imperial")]).toEqual([null, 24]);
});
