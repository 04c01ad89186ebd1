import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { readAirLog } from "./airLog";
import { hygrometerLog } from "./hygrometer";
import { gramsIn, scaleAtLast, scaleLines, scaleState } from "./scale";

describe("a scale's lines", () => {
  test.each([
    ["12.34 g", 12.34],
    ["+  12.34 g", 12.34],
    ["-0.02 g", -0.02],
    [" 1.2 kg ", 1200],
    ["------", null],
    ["12.34", null],
    ["12.34 oz", null],
    ["1e9 g", null],
    ["12.3.4 g", null],
    ["NaN g", null],
    ["", null],
    ["99999999 g", null],
  ])("%j is %j", (line, grams) => {
    expect(gramsIn(line)).toBe(grams);
  });

  test("six that agree are a weight; what moves, drops out or says nothing is none", () => {
    const still = Array.from({ length: 6 }, (_, i) => `${(5 + (i % 2) / 100).toFixed(2)} g`);
    expect(scaleState(still)).toMatchObject({ kind: "settled" });
    expect(scaleState(still.slice(1))).toMatchObject({ kind: "moving" });
    expect(scaleState([...still, "5.30 g"])).toEqual({ kind: "moving", grams: 5.3 });
    expect(scaleState([...still, "------"])).toEqual({ kind: "silent" });
    expect(scaleState([...still, "------", "5.00 g"])).toEqual({ kind: "moving", grams: 5 });
    expect(scaleState([])).toEqual({ kind: "silent" });
    // The middle one, not the last.
    expect(scaleState(["5.00 g", "5.00 g", "5.01 g", "5.01 g", "5.02 g", "5.02 g"])).toEqual({
      kind: "settled",
      grams: 5.01,
    });
    expect(scaleState(["5.02 g", "5.00 g", "5.02 g", "5.00 g", "5.00 g", "5.01 g"])).toEqual({
      kind: "settled",
      grams: 5.01,
    });
  });

  test("one that was switched off keeps what it settled on, unless another weight came after", () => {
    const still = Array(6).fill("5.00 g");
    expect(scaleAtLast([...still, "------", "5.02 g"])).toEqual({ kind: "settled", grams: 5 });
    expect(scaleAtLast([...still, "5.03 g"])).toEqual({ kind: "moving", grams: 5.03 });
    expect(scaleAtLast([...still, "9.00 g", "------"])).toEqual({ kind: "silent" });
    // Grains were put on: of the two it settled on the later one stands.
    expect(scaleAtLast([...still, ...Array(6).fill("7.50 g"), "------"])).toEqual({ kind: "settled", grams: 7.5 });
    expect(scaleAtLast(still.slice(1))).toEqual({ kind: "moving", grams: 5 });
    expect(scaleAtLast([])).toEqual({ kind: "silent" });
    // Of every sixth run the last six lines hold one that was dropped.
    for (let seed = 0; seed < 300; seed++)
      expect(scaleAtLast(scaleLines(0.49, seed, 40, "none")), String(seed)).toMatchObject({ kind: "settled" });
  });

  test("the simulated scale settles on what lies on it", () => {
    for (const grams of [0.41, 12.5, 310]) {
      const settled = Array.from({ length: 12 }, (_, seed) => {
        const lines = scaleLines(grams, seed, 40, "none");
        const at = lines.findIndex((_, i) => scaleState(lines.slice(0, i + 1)).kind === "settled");
        return scaleState(lines.slice(0, at + 1));
      });
      for (const state of settled) {
        expect(state.kind).toBe("settled");
        if (state.kind === "settled") expect(Math.abs(state.grams - grams)).toBeLessThan(0.02 + 0.005 * grams);
      }
    }
    expect(scaleLines(5, 3, 20, "none")).toEqual(scaleLines(5, 3, 20, "none"));
  });

  test("one that drifts, drops out, sends rubbish or stalls gives no wrong weight", () => {
    for (const fault of ["drift", "dropouts", "rubbish", "stall"] as const)
      for (let seed = 0; seed < 40; seed++) {
        const lines = scaleLines(12.5, seed, 60, fault);
        for (let i = 1; i <= lines.length; i++) {
          const state = scaleState(lines.slice(0, i));
          if (state.kind === "settled" && fault !== "drift") expect(Math.abs(state.grams - 12.5)).toBeLessThan(0.1);
          if (fault === "drift") expect(state.kind).not.toBe("settled");
        }
      }
  });

  test("any bytes at all are either a weight of the last line's size or none", () => {
    fc.assert(
      fc.property(fc.array(fc.string({ unit: "binary", maxLength: 12 }), { maxLength: 12 }), (lines) => {
        const state = scaleState(lines);
        if (state.kind !== "silent") expect(Number.isFinite(state.grams)).toBe(true);
      }),
    );
  });
});

describe("a logger's file", () => {
  const day = (text: string) => readAirLog(text);

  test("gives the mean air of each day, in whatever order, with or without heading and hour", () => {
    const { days, leftOut } = day(
      "time,temperature,humidity\n2027-07-10,20,50\n2027-07-09T06:00:30; 14.5 ;40\r\n2027-07-09 18:00\t15.5\t44\n\n",
    );
    expect(days).toEqual([
      { on: "2027-07-09", temperature: 15, humidity: 0.42, readings: 2 },
      { on: "2027-07-10", temperature: 20, humidity: 0.5, readings: 1 },
    ]);
    expect(leftOut).toEqual([]);
  });

  test.each([
    ["2027-02-30T06:00,12,40", "names no day and hour that exist"],
    ["2027-07-09T25:00,12,40", "names no day and hour that exist"],
    ["2027-07-09T06:00,--,--", "holds no reading: the logger dropped out"],
    ["2027-07-09T06:00,,40", "holds no reading: the logger dropped out"],
    ["2027-07-09T06:00,85,40", "lies outside what air can be"],
    ["2027-07-09T06:00,12,0", "lies outside what air can be"],
    ["2027-07-09T06:00,12,101", "lies outside what air can be"],
    ["rubbish", "is not a day, a temperature and a humidity"],
    ["2027-07-09T06:00,12", "is not a day, a temperature and a humidity"],
  ])("leaves out %j: it %s", (line, why) => {
    expect(day(`2027-07-09T05:00,12,40\n${line}`)).toEqual({
      days: [{ on: "2027-07-09", temperature: 12, humidity: 0.4, readings: 1 }],
      leftOut: [{ line: 2, why }],
    });
  });

  test("one reading that jumps is left out; air that has changed is kept", () => {
    const line = (hour: number, warm: number) => `2027-07-09T${String(hour).padStart(2, "0")}:00,${warm},40`;
    const jump = day([line(1, 12), line(2, 30), line(3, 12.4)].join("\n"));
    expect(jump.leftOut).toEqual([{ line: 2, why: "jumps from the readings beside it" }]);
    expect(jump.days[0]!.readings).toBe(2);
    const changed = day([line(1, 12), line(2, 30), line(3, 30.5), line(4, 31)].join("\n"));
    expect(changed.leftOut).toEqual([]);
    expect(changed.days[0]!.readings).toBe(4);
    expect(day([line(1, 12), line(2, 30)].join("\n")).leftOut).toHaveLength(1);
    expect(day([line(1, 12), line(2, 30), line(3, 50), line(4, 12)].join("\n")).days[0]!.readings).toBe(2);
  });

  test("the simulated logger tells its place's air, with its faults left out, and the same each time", () => {
    const log = hygrometerLog({ temperature: 8, humidity: 0.35 }, 7, "2027-01-01", "2027-12-31", false);
    const { days, leftOut } = day(log);
    expect(days).toHaveLength(365);
    const mean = (of: (d: (typeof days)[number]) => number) => days.reduce((sum, d) => sum + of(d), 0) / days.length;
    expect(mean((d) => d.temperature)).toBeCloseTo(8.2, 0);
    expect(mean((d) => d.humidity)).toBeCloseTo(0.355, 1);
    const lines = log.split("\n").length - 1;
    expect(lines).toBe(365 * 6);
    expect(leftOut.length / lines).toBeGreaterThan(0.01);
    expect(leftOut.length / lines).toBeLessThan(0.06);
    // A week in which it lay warm and damp.
    expect(days.filter(({ temperature }) => temperature > 16).length).toBe(6);
    expect(hygrometerLog({ temperature: 8, humidity: 0.35 }, 7, "2027-01-01", "2027-12-31", false)).toBe(log);
    const july = (south: boolean) =>
      readAirLog(hygrometerLog({ temperature: 8, humidity: 0.35 }, 9, "2027-07-20", "2027-07-20", south)).days[0]!
        .temperature;
    expect(july(false)).toBeGreaterThan(july(true) + 2);
  });
});
