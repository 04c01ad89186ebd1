import { expect, test } from "vitest";
import { isPutOff, type PutOff } from "./task";

const BEGAN = "2027-01-01";
const off = (how: PutOff["how"], on: string, until: string | null, day: string) =>
  isPutOff({ how, on, until }, day, BEGAN);

test("what is put off is asked from its day on, what is left in the next season, what is never to be asked not any more", () => {
  const putOff = (day: string) => off("put-off", "2027-04-01", "2027-04-08", day);
  expect([putOff("2027-04-01"), putOff("2027-04-07"), putOff("2027-04-08")]).toEqual([true, true, false]);
  expect([off("cannot", "2027-01-01", null, "2027-06-01"), off("cannot", "2026-12-31", null, "2027-06-01")]).toEqual([
    true,
    false,
  ]);
  expect(off("never", "2020-01-01", null, "2027-06-01")).toBe(true);
  // A day that was never said puts nothing off.
  expect(off("put-off", "2027-04-01", null, "2027-04-01")).toBe(false);
});
