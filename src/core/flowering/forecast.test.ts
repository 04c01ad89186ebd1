import { describe, expect, test } from "vitest";
import { flowering, ripensBeforeFrost } from "./forecast";

const FACTS = {
  daysToFlower: { low: 50, high: 60 },
  flowerDays: { low: 30, high: 40 },
  daysToRipe: { low: 40, high: 50 },
};

describe("flowering", () => {
  test("likely days lie between the earliest and the latest", () => {
    const window = flowering("2027-05-01", FACTS);
    expect(window).toMatchObject({
      start: "2027-06-25",
      end: "2027-07-29",
      earliest: "2027-06-20",
      latest: "2027-08-08",
      ripe: "2027-08-09",
    });
  });

  test("a first flower that was seen leaves no doubt of the start", () => {
    const window = flowering("2027-05-01", FACTS, "2027-07-10");
    expect(window).toMatchObject({
      start: "2027-07-10",
      earliest: "2027-07-10",
      observed: true,
      ripeEarliest: "2027-08-19",
      ripeLatest: "2027-08-29",
    });
  });

  test("the race with the frost has four ends", () => {
    const window = flowering("2027-05-01", FACTS);
    expect(ripensBeforeFrost(window, "2027-10-01").verdict).toBe("safe");
    expect(ripensBeforeFrost(window, window.ripe).verdict).toBe("doubtful");
    expect(ripensBeforeFrost(window, window.ripeEarliest).verdict).toBe("too-late");
    expect(ripensBeforeFrost(window, null).verdict).toBe("no-frost");
  });
});
