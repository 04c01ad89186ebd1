import { describe, expect, test } from "vitest";
import { quieterDay, type WorkDay } from "./weeks";

describe("a quieter day", () => {
  const day = (n: number, minutes: number): WorkDay<unknown> => ({ day: `2027-04-0${n}`, minutes, works: [] });
  const piece = (more: object = {}) =>
    ({ minutes: 60, last: null, standing: "due", ...more }) as Parameters<typeof quieterDay>[0];
  const quieter = (days: WorkDay<unknown>[], more: object = {}) => quieterDay(piece(more), "2027-04-01", days);

  test("is one on which the piece stands in less work than where it is, the least first, the sooner of two alike", () => {
    const crowded = day(1, 180);
    // Sixty minutes more make of 119 less than 180, of 120 as much.
    expect(quieter([crowded, day(2, 120)])).toBeNull();
    expect(quieter([crowded, day(2, 119)])).toBe("2027-04-02");
    expect(quieter([crowded, day(2, 90), day(4, 30), day(3, 30)])).toBe("2027-04-03");
    expect(quieter([crowded, day(2, 90), day(3, 30)], { last: "2027-04-02" })).toBe("2027-04-02");
    expect(quieter([crowded, day(2, 90)], { last: "2027-04-01" })).toBeNull();
  });

  test("is not looked for where two hours or less are to be done", () => {
    expect(quieter([day(1, 120), day(2, 0)])).toBeNull();
    expect(quieter([day(1, 121), day(2, 0)])).toBe("2027-04-02");
    expect(quieter([day(2, 0)])).toBeNull();
  });
});
