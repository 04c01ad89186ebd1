import { describe, expect, test } from "vitest";
import { seeded } from "../numbers/chance";
import { dryingRun, LEFT } from "../tests/dryingRun";
import { fermentHours } from "./cleaning/ferment";
import { type RunFacts, stepsOf, WAY_IDS } from "./cleaning/ways";
import { drying, massAt, storageMoisture, usualDays } from "./drying";
import { HANDLING_IDS } from "./handlings";
import { mergedShares, originsOf } from "./lineage";
import { countByWeight } from "./seedCount";
import { clockAtHour, dayAtHour, type Handled, hoursAt, isDry, onTable, type TableLot, whyNot } from "./table";

const RUN: RunFacts = { way: "ferment", warmth: 20, starter: false, goodSeed: "sinks", chaff: "sieve", hot: false };
const DAY = 24;

describe("hours on the table's clock", () => {
  test("go on over midnight, and an hour nobody kept is noon", () => {
    expect(hoursAt("2027-07-10", "00:30") - hoursAt("2027-07-09", "23:45")).toBeCloseTo(0.75, 9);
    expect(hoursAt("2027-07-09", null)).toBe(hoursAt("2027-07-09", "12:00"));
    expect([dayAtHour(hoursAt("2027-07-09", "23:59")), clockAtHour(hoursAt("2027-07-09", "23:59"))]).toEqual([
      "2027-07-09",
      "23:45",
    ]);
    expect(clockAtHour(hoursAt("2027-07-09", "07:15"))).toBe("07:15");
  });
});

describe("ferments", () => {
  test("take half as long for ten degrees more, and a starter spares a third", () => {
    expect(fermentHours(20, false)).toEqual({ from: 36, best: 66, last: 96, sprouts: 120 });
    expect(fermentHours(30, false)).toEqual({ from: 18, best: 33, last: 48, sprouts: 60 });
    expect(fermentHours(20, true)).toEqual({ from: 23, best: 43, last: 62, sprouts: 78 });
    // Where nobody ferments the rule is held.
    expect(fermentHours(50, false)).toEqual(fermentHours(35, false));
    expect(fermentHours(2, false)).toEqual(fermentHours(12, false));
  });
});

describe("ways of cleaning", () => {
  const acts = (more: Partial<RunFacts>) => stepsOf({ ...RUN, ...more }).map(({ act }) => act);

  test("are the steps that growers take", () => {
    expect(acts({})).toEqual(["open", "stir", "rinse", "float", "spread"]);
    expect(acts({ way: "rinse" })).toEqual(["open", "rinse", "float", "spread"]);
    expect(acts({ way: "scoop" })).toEqual(["open", "spread"]);
    expect(acts({ way: "thresh", chaff: "winnow" })).toEqual(["thresh", "sieve", "winnow", "spread"]);
    expect(acts({ way: "bag" })).toEqual(["thresh", "sieve", "spread"]);
    expect(acts({ way: "shell", chaff: "winnow" })).toEqual(["thresh", "spread"]);
  });

  test("good seed that may float is not poured away, and cautions stand where they belong", () => {
    const step = (more: Partial<RunFacts>, act: string) => stepsOf({ ...RUN, ...more }).find((s) => s.act === act)!;
    expect(step({}, "float").how).toContain("Good seed sinks");
    expect(step({ goodSeed: "floats" }, "float").how).toContain("good seed floats");
    expect(step({ goodSeed: "either" }, "float").how).toContain("may float");
    expect(step({}, "stir").hazards).toEqual(["ferment"]);
    expect(step({ way: "blender", hot: true }, "open").hazards).toEqual(["hot-pepper", "blade"]);
    expect(step({ way: "thresh" }, "thresh").hazards).toEqual(["dust"]);
    expect(step({ way: "scoop", hot: true }, "spread").hazards).toEqual(["hot-pepper"]);
  });

  test("every step is one that can be recorded", () => {
    for (const way of WAY_IDS) for (const { act } of stepsOf({ ...RUN, way })) expect(HANDLING_IDS).toContain(act);
  });
});

const lot = (more: Partial<TableLot> = {}): TableLot => ({
  run: RUN,
  gathered: 0,
  afterRipening: null,
  fleshy: true,
  handled: [],
  perGram: 300,
  larvae: false,
  ...more,
});
const done = (act: Handled["act"], at: number, value: number | null = null): Handled => ({ act, at, value });
const calls = (more: Partial<TableLot>) =>
  onTable(lot(more)).calls.map(({ act, from, best, last }) => [act, from, best, last]);

describe("what a lot on the table calls for", () => {
  test("fruit is begun once it has ripened on, before it rots", () => {
    expect(calls({ run: null, afterRipening: { low: 5, high: 14 } })).toEqual([
      ["begin", 5 * DAY, 9.5 * DAY, (14 + 21) * DAY],
    ]);
    expect(calls({ run: null })).toEqual([["begin", 0, 0, 21 * DAY]]);
    expect(calls({ run: null, fleshy: false })).toEqual([["begin", 0, 0, 90 * DAY]]);
    expect(onTable(lot({ run: null, afterRipening: { low: 5, high: 14 } })).stage).toBe("ripening");
  });

  test("a ferment is stirred daily and rinsed when the gel is off, before it sprouts", () => {
    const open = [done("open", 10)];
    expect(calls({ handled: open })).toEqual([
      ["rinse", 46, 76, 130],
      ["stir", 22, 34, 46],
    ]);
    expect(calls({ handled: [...open, done("stir", 30)] })[1]).toEqual(["stir", 42, 54, 66]);
    const rinsed = [...open, done("rinse", 80, 3)];
    expect(calls({ handled: rinsed })).toEqual([["float", 80, 80, 86]]);
    expect(calls({ handled: [...rinsed, done("float", 80.5)] })).toEqual([["spread", 80.5, 80.5, 86.5]]);
  });

  test("spread seed is turned, and tried when it may be dry; what was soft is tried again in two days", () => {
    const spread = [done("open", 0), done("rinse", 60), done("float", 60), done("spread", 61)];
    const at = onTable(lot({ handled: spread }));
    expect(at.stage).toBe("drying");
    expect(at.calls.map(({ act, from, best, last }) => [act, from, Math.round(best), last])).toEqual([
      ["turn", 79, 85, 133],
      ["nail", 61 + 3 * DAY, Math.round(61 + Math.sqrt(24) * DAY), null],
    ]);
    expect(calls({ handled: [...spread, done("turn", 90), done("nail", 150, 1)] })).toEqual([
      ["turn", 108, 114, 162],
      ["nail", 174, 198, null],
    ]);
  });

  test("dry seed goes into its packet; what larvae eat is frozen first and warms up closed for a day", () => {
    const dry = [done("open", 0), done("rinse", 1), done("float", 1), done("spread", 2), done("nail", 100, 0)];
    expect(calls({ handled: dry })).toEqual([["pack", 100, 100, 100 + 21 * DAY]]);
    expect(calls({ handled: dry, larvae: true }).map(([act]) => act)).toEqual(["freeze", "pack"]);
    const frozen = [...dry, done("freeze", 110)];
    expect(onTable(lot({ handled: frozen, larvae: true })).stage).toBe("frozen");
    expect(calls({ handled: frozen, larvae: true })).toEqual([["thaw", 182, 182, null]]);
    expect(calls({ handled: [...frozen, done("thaw", 190)], larvae: true })).toEqual([
      ["pack", 214, 214, 214 + 21 * DAY],
    ]);
  });

  test("the last trial tells whether it is dry", () => {
    expect(isDry([])).toBe(false);
    expect(isDry([done("nail", 1, 1)])).toBe(false);
    expect(isDry([done("nail", 1, 1), done("snap", 2, 1)])).toBe(true);
    expect(isDry([done("nail", 1, 0), done("snap", 2, 0)])).toBe(false);
  });
});

describe("what can't be done", () => {
  const not = (act: Handled["act"], handled: Handled[] = [], run: RunFacts | null = RUN) =>
    whyNot(act, { handled, run });
  test("is told with what comes before", () => {
    expect(not("open", [], null)).toBe("Say first how it is cleaned.");
    expect(not("open")).toBeNull();
    expect(not("rinse")).toBe("Before that comes: open the fruit, scoop out the seed.");
    expect(not("rinse", [done("open", 0)])).toBeNull();
    expect(not("rinse", [done("open", 0), done("rinse", 1)])).toBeNull();
    expect(not("winnow", [done("open", 0)])).toBe("That is no step of this way: ferment.");
    expect(not("stir")).toBe("Nothing was put to ferment yet.");
    for (const act of ["turn", "nail", "snap"] as const) expect(not(act)).toBe("It was not spread to dry yet.");
    expect(not("weigh")).toBe("Weigh it once it is spread to dry.");
    expect(not("freeze", [done("spread", 0)])).toContain("Only dry seed is frozen");
    expect(not("freeze", [done("spread", 0), done("nail", 1, 0)])).toBeNull();
    expect(not("thaw")).toBe("It does not lie in the freezer.");
    expect(not("thaw", [done("freeze", 0)])).toBeNull();
  });
});

describe("drying", () => {
  test("takes longer the larger the seed", () => {
    expect([1, 2.9, 3, 9, 10, 59, 60, 5000].map((perGram) => usualDays(perGram).high)).toEqual([
      42, 42, 24, 24, 14, 14, 8, 8,
    ]);
  });

  test("without weigh-ins it is what such seed usually takes", () => {
    expect(drying([], 10, 300, true)).toEqual({
      early: 10 + 72,
      likely: 10 + 24 * Math.sqrt(24),
      late: 10 + 192,
      mass: null,
      course: null,
    });
  });

  test("weigh-ins narrow the range around the truth, and tell what it comes to", () => {
    // One weigh-in says nothing of the loss: 38 ± 12 % of ten grams, its parts of equal weight about the middle.
    const once = drying([{ at: 0, mass: 10 }], 0, 300, true);
    expect(once.mass!.likely).toBeCloseTo(6.2, 9);
    expect(once.mass!.low).toBeCloseTo(6.2 - 1.593 * 1.2, 9);
    expect(once.mass!.high).toBeCloseTo(6.2 + 1.593 * 1.2, 9);
    expect(once.course!.loss).toBeCloseTo(3.8, 9);
    const course = { rate: 0.04, shape: 1, loss: 9, end: 12 };
    const truth = Math.log(9 / (0.01 * 12)) / 0.04;
    const run = (count: number) =>
      drying(
        dryingRun(
          (hours) => massAt(course, hours),
          Array.from({ length: count }, (_, i) => 12 * i),
          seeded(4),
        ),
        0,
        300,
        true,
      );
    const [one, five] = [run(1), run(5)];
    expect(five.late - five.early).toBeLessThan((one.late - one.early) / 1.5);
    expect(truth).toBeGreaterThan(five.early);
    expect(truth).toBeLessThan(five.late);
    expect(five.mass!.likely).toBeCloseTo(12, 0);
    expect(massAt(five.course!, 24)).toBeCloseTo(12 + 9 * Math.exp(-0.96), 0);
    expect(five.mass!.low).toBeLessThan(12.3);
    // What no longer loses anything is dry by now.
    const still = drying(
      [0, 24, 48].map((at) => ({ at, mass: 10 })),
      0,
      300,
      false,
    );
    expect(still.early).toBeLessThan(48);
  });

  test.each([
    ["an even share", LEFT.even, 4.8],
    ["as solids do", LEFT.sphere, 0.4],
  ])("nine tenths of made-up dryings end in the range, losing %s", (_, left, usual) => {
    const luck = seeded(77);
    let inside = 0;
    const rounds = 120;
    const days = usualDays(300);
    for (let i = 0; i < rounds; i++) {
      const draw = () => Math.sqrt(-2 * Math.log(1 - luck())) * Math.cos(2 * Math.PI * luck());
      const share = Math.max(0.05, 0.38 + 0.12 * draw());
      const rate = (usual / (24 * Math.sqrt(24))) * Math.exp((Math.log(days.high / days.low) / 3.29) * draw());
      const [loss, end] = [20 * share, 20 * (1 - share)];
      const done = (hours: number) => loss * left(rate * hours) <= 0.01 * end;
      let truth = 0;
      while (!done(truth)) truth++;
      // Weighed four times until half of it is over.
      const hours = [0, 1, 2, 3].map((n) => (n * truth) / 6);
      const { early, late } = drying(
        dryingRun((at) => end + loss * left(rate * at), hours, luck),
        0,
        300,
        true,
      );
      if (truth >= early - 1 && truth <= late + 1) inside++;
    }
    expect(inside / rounds).toBeGreaterThan(0.83);
    expect(inside / rounds).toBeLessThan(0.97);
  });

  test("oily seed is to be drier", () => {
    expect(storageMoisture(0)).toBeCloseTo(0.0982, 3);
    expect(storageMoisture(0.4)).toBeLessThan(0.065);
  });
});

describe("seeds by weight", () => {
  test("one sample says so much, more samples say it better", () => {
    const one = countByWeight([{ seeds: 100, mass: 0.4 }], 12);
    expect(one.perGram.likely).toBeCloseTo(250, 9);
    expect(one.seeds.likely).toBe(3000);
    // Student's 0.95 of four degrees is 2.1318; 0.04 of the weight.
    expect(one.perGram.low).toBeCloseTo(250 / (1 + 2.13185 * 0.04), 2);
    expect(one.perGram.high).toBeCloseTo(250 / (1 - 2.13185 * 0.04), 2);
    const alike = countByWeight(
      Array.from({ length: 5 }, () => ({ seeds: 100, mass: 0.4 })),
      12,
    );
    expect(alike.perGram.high - alike.perGram.low).toBeLessThan((one.perGram.high - one.perGram.low) / 2);
    const apart = countByWeight(
      [0.3, 0.5, 0.4, 0.3, 0.5].map((mass) => ({ seeds: 100, mass })),
      12,
    );
    expect(apart.perGram.likely).toBeCloseTo(250, 9);
    expect(apart.perGram.high - apart.perGram.low).toBeGreaterThan(alike.perGram.high - alike.perGram.low);
  });
});

describe("shares of lots", () => {
  test("are by mass, by seeds, or alike", () => {
    expect(
      mergedShares([
        { mass: 3, seeds: 10 },
        { mass: 1, seeds: 90 },
      ]),
    ).toEqual({ shares: [0.75, 0.25], by: "mass" });
    expect(
      mergedShares([
        { mass: 3, seeds: 10 },
        { mass: null, seeds: 90 },
      ]),
    ).toEqual({ shares: [0.1, 0.9], by: "seeds" });
    expect(
      mergedShares([
        { mass: 3, seeds: null },
        { mass: null, seeds: 90 },
      ]),
    ).toEqual({
      shares: [0.5, 0.5],
      by: "equal parts",
    });
  });

  test("go back through merges and splits to what was gathered", () => {
    const parts = [
      { lotId: "m", fromId: "a", share: 0.75 },
      { lotId: "m", fromId: "b", share: 0.25 },
      { lotId: "sunk", fromId: "m", share: 0.8 },
      { lotId: "all", fromId: "sunk", share: 0.5 },
      { lotId: "all", fromId: "b", share: 0.5 },
    ];
    expect(originsOf("sunk", parts)).toEqual([
      { id: "a", share: 0.75 },
      { id: "b", share: 0.25 },
    ]);
    expect(originsOf("all", parts)).toEqual([
      { id: "b", share: 0.625 },
      { id: "a", share: 0.375 },
    ]);
    expect(originsOf("a", parts)).toEqual([{ id: "a", share: 1 }]);
    // A ring, which no garden should hold, ends.
    const ring = [
      { lotId: "x", fromId: "y", share: 1 },
      { lotId: "y", fromId: "x", share: 1 },
    ];
    expect(originsOf("x", ring)).toHaveLength(1);
  });
});
