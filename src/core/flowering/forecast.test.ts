import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addDays, dayNumber, dayOf, daysBetween } from "../calendar/day";
import { ANNUAL, BIENNIAL, climate, south, tropics } from "../tests/place";
import { correctionFrom } from "./correction";
import type { FloweringFacts } from "./facts";
import { flowering } from "./forecast";
import { heatUntil, inTheOpen, outFrom, ripeBy } from "./heat";
import { ripensBeforeFrost } from "./ripening";
import { typicalFlowering } from "./typical";
import { winterSurvival } from "./winter";

describe("flowering by days", () => {
  test("likely days lie between the earliest and the latest", () => {
    expect(flowering({ sown: "2027-05-01" }, ANNUAL, null)).toMatchObject({
      start: "2027-06-25",
      end: "2027-07-29",
      earliest: "2027-06-20",
      latest: "2027-08-08",
      ripe: "2027-08-09",
      basis: "days",
    });
  });

  test("a first flower that was seen leaves no doubt of the start", () => {
    expect(flowering({ sown: "2027-05-01", firstFlower: "2027-07-10" }, ANNUAL, climate())).toMatchObject({
      start: "2027-07-10",
      earliest: "2027-07-10",
      observed: true,
    });
    // Forty to fifty days at the catalogue's warmth, from the day it was seen.
    const steady = climate({ daily: Array(366).fill({ min: 17, max: 17 }) });
    const plain = flowering(
      { sown: "2027-05-01", firstFlower: "2027-07-10" },
      { ...ANNUAL, heat: { ...ANNUAL.heat, base: 5 } },
      steady,
    );
    expect([plain.ripeEarliest, plain.ripeLatest]).toEqual(["2027-08-19", "2027-08-29"]);
  });

  test("females that follow the males open their window later, and ripen from then", () => {
    const late = flowering({ sown: "2027-05-01" }, { ...ANNUAL, femaleLag: { low: 4, high: 8 } }, null);
    expect(late.male.start).toBe("2027-06-25");
    expect(late.female).toMatchObject({ start: "2027-07-01", earliest: "2027-06-24" });
    expect(late.ripe).toBe("2027-08-15");
    const first = flowering({ sown: "2027-05-01" }, { ...ANNUAL, femaleLag: { low: -6, high: -2 } }, null);
    expect(first.female.start).toBe("2027-06-25");
    expect(first.male.start).toBe("2027-06-29");
  });

  test("the sex of the first flower that was seen rules out that the other came before it", () => {
    const either = { ...ANNUAL, femaleLag: { low: -4, high: 6 } };
    const seen = (firstSex: "male" | "female" | null) => {
      const { male, female } = flowering({ sown: "2027-05-01", firstFlower: "2027-06-25", firstSex }, either, null);
      return [male.start, female.start];
    };
    expect(seen("male")).toEqual(["2027-06-25", "2027-06-28"]);
    expect(seen("female")).toEqual(["2027-06-27", "2027-06-25"]);
    expect(seen(null)).toEqual(["2027-06-27", "2027-06-28"]);
  });
});

describe("flowering by warmth", () => {
  test("a late end that does not come is as far behind the likely day as the early one is before it", () => {
    const heat = { base: 8, ceiling: 30, degreeDays: { low: 350, high: 4000 } };
    const { start, earliest, latest } = flowering({ sown: "2027-05-01" }, { ...ANNUAL, heat }, climate());
    expect(daysBetween(start, latest)).toBe(daysBetween(earliest, start) + ANNUAL.flowerDays.high - 1);
  });

  test("the heat until the likely day is the middle of the range", () => {
    const sowing = { sown: "2027-05-01" };
    const window = flowering(sowing, ANNUAL, climate());
    expect(window.basis).toBe("heat");
    const heat = heatUntil(sowing, ANNUAL, climate(), window.start)!;
    expect(heat).toBeGreaterThanOrEqual(400);
    expect(heatUntil(sowing, ANNUAL, climate(), addDays(window.start, -1))!).toBeLessThan(400);
  });

  test("a warm spring brings flowers sooner, a cold one later", () => {
    const by = (degrees: number) => {
      const measured = new Map(
        Array.from({ length: 90 }, (_, i) => [dayNumber("2027-05-01") + i, { min: 8 + degrees, max: 18 + degrees }]),
      );
      return flowering({ sown: "2027-05-01" }, ANNUAL, climate({ measured })).start;
    };
    expect(by(4) < by(0) && by(0) < by(-3)).toBe(true);
  });

  test("later sowing never flowers earlier, and the range holds the likely day", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 120 }), fc.integer({ min: 1, max: 40 }), (from, later) => {
        const at = (days: number) => flowering({ sown: addDays("2027-03-01", days) }, ANNUAL, climate());
        const [one, two] = [at(from), at(from + later)];
        expect(one.start <= two.start).toBe(true);
        expect(one.earliest <= one.start && one.end <= one.latest).toBe(true);
        expect(one.ripeEarliest <= one.ripe && one.ripe <= one.ripeLatest).toBe(true);
      }),
    );
  });

  test("a tender crop sown early is raised under cover until the last frost, or until it was planted out", () => {
    const tender = { ...ANNUAL, tender: true };
    const hardy = flowering({ sown: "2027-04-10" }, ANNUAL, climate());
    const raised = flowering({ sown: "2027-04-10" }, tender, climate());
    expect(raised.start < hardy.start).toBe(true);
    const cut = flowering(
      { sown: "2027-04-10", firstFlower: "2027-06-20", cutBack: "2027-06-25" },
      { ...ANNUAL, cutBack: { low: 10, high: 20 } },
      climate(),
    );
    expect([cut.basis, cut.earliest, cut.start, cut.observed]).toEqual(["cut back", "2027-07-05", "2027-07-10", false]);
    const outEarly = flowering({ sown: "2027-04-10", plantedOut: "2027-04-15" }, tender, climate());
    expect(outEarly.start > raised.start).toBe(true);
  });

  test("long-day crops wait for the light, and say so where it never comes", () => {
    const long: FloweringFacts = { ...ANNUAL, light: { kind: "long", hours: { low: 14, high: 15 } } };
    const early = flowering(
      { sown: "2027-01-10" },
      { ...long, heat: { ...long.heat, degreeDays: { low: 5, high: 9 } } },
      climate(),
    );
    expect(early.start >= "2027-04-25" && early.start <= "2027-05-20").toBe(true);
    expect(early.notes.join()).toContain("long days");
    expect(flowering({ sown: "2027-01-10" }, long, tropics()).notes.join()).toContain("will hardly flower");
    const short: FloweringFacts = { ...ANNUAL, light: { kind: "short", hours: { low: 12.5, high: 13.5 } } };
    expect(flowering({ sown: "2027-05-01" }, short, climate()).start > "2027-08-15").toBe(true);
  });

  test("a second-year crop flowers after the winter, in the north and in the south, and not where none comes", () => {
    const north = flowering({ sown: "2026-04-01" }, BIENNIAL, climate());
    expect(north.start > "2027-05-20" && north.start < "2027-08-01").toBe(true);
    const inSouth = flowering({ sown: "2026-10-01" }, BIENNIAL, south());
    expect(inSouth.start > "2027-11-15" && inSouth.start < "2028-02-01").toBe(true);
    const warm = flowering({ sown: "2026-04-01" }, BIENNIAL, tropics());
    expect(warm.fate).toBe("needs-winter");
    expect(warm.notes.join()).toContain(
      "It will not flower here without a winter: keep its plants or roots for 9 to 14 weeks",
    );
  });

  test("sown late it still flowers the next summer; lifted roots count from replanting", () => {
    const late = flowering({ sown: "2026-08-20", overwinter: "late-sown" }, BIENNIAL, climate());
    expect(late.start.slice(0, 4)).toBe("2027");
    const lifted = { sown: "2026-04-01", overwinter: "lifted" as const };
    const one = flowering({ ...lifted, plantedOut: "2027-03-20" }, BIENNIAL, climate());
    const two = flowering({ ...lifted, plantedOut: "2027-05-01" }, BIENNIAL, climate());
    expect(one.start < two.start).toBe(true);
    expect(flowering(lifted, BIENNIAL, climate()).notes.join()).toContain("Replanting is taken as");
  });

  test("where the heat never comes, the catalogue's days stand in and say so", () => {
    const greedy = { ...ANNUAL, heat: { base: 20, ceiling: 30, degreeDays: { low: 5000, high: 6000 } } };
    const window = flowering({ sown: "2027-05-01" }, greedy, climate());
    expect(window.basis).toBe("days");
    expect(window.notes).toHaveLength(1);
  });
});

describe("a line's own first flowers", () => {
  const range = { low: 350, high: 450 };

  test("draw the figure towards what was seen, the more the more of them, and narrow it", () => {
    const one = correctionFrom([0.85], range)!;
    const many = correctionFrom([0.85, 0.84, 0.86, 0.85, 0.85, 0.86], range)!;
    expect(one.likely).toBeLessThan(1);
    expect(many.likely).toBeLessThan(one.likely);
    expect(many.likely).toBeGreaterThan(0.85);
    expect(many.high - many.low).toBeLessThan(one.high - one.low);
    expect(many.observations).toBe(6);
    expect(correctionFrom([], range)).toBeNull();
    expect(correctionFrom([Number.NaN, 0], range)).toBeNull();
  });

  test("never make the range wider than the catalogue's: of 410 to 440 days two in a hundred either side, twice", () => {
    const { low, likely, high } = correctionFrom([0.94], { low: 410, high: 440 })!;
    expect(high / likely).toBeCloseTo(Math.exp(0.04), 9);
    expect(likely / low).toBeCloseTo(Math.exp(0.04), 9);
    // Pulled by 0.0004 / (0.0004 + 0.0049) of what was seen.
    expect(likely).toBeCloseTo(0.94 ** (0.0004 / 0.0053), 9);
  });

  test("a line seen to be early is forecast earlier", () => {
    const plain = flowering({ sown: "2027-05-01" }, ANNUAL, climate());
    const early = flowering({ sown: "2027-05-01" }, ANNUAL, climate(), correctionFrom([0.8, 0.8, 0.82], range));
    expect(early.start < plain.start).toBe(true);
  });
});

describe("the race with the frost", () => {
  const window = flowering({ sown: "2027-05-01" }, ANNUAL, null);
  const withFrost = (day: string, spread = 7) =>
    climate({ frosts: { last: { day: "05-14", spread }, first: { day, spread }, from: "stated", seasons: 0 } });

  test("is a chance, even at the usual day, falling as sowing is put off", () => {
    expect(ripensBeforeFrost(window, withFrost("10-01"))).toMatchObject({ verdict: "safe", frost: "2027-10-01" });
    expect(ripensBeforeFrost(window, withFrost(window.ripe.slice(5))).chance).toBeCloseTo(0.5, 5);
    expect(ripensBeforeFrost(window, withFrost("07-15")).verdict).toBe("too-late");
    expect(ripensBeforeFrost(window, climate({ frosts: null }))).toMatchObject({ verdict: "no-frost", chance: 1 });
    const chances = [0, 20, 40, 60, 80].map(
      (later) =>
        ripensBeforeFrost(flowering({ sown: addDays("2027-05-01", later) }, ANNUAL, null), withFrost("10-01")).chance,
    );
    for (const i of [1, 2, 3, 4]) expect(chances[i]!).toBeLessThanOrEqual(chances[i - 1]!);
  });

  test("in the south the frost after the New Year is the one", () => {
    const sown = flowering({ sown: "2026-11-20" }, ANNUAL, south());
    expect(ripensBeforeFrost(sown, south()).frost).toBe("2027-04-07");
  });

  test("the later a tender crop is sown the less it ripens, also where its range reaches into the next year", () => {
    const chances = Array.from({ length: 32 }, (_, i) => {
      const facts = { ...ANNUAL, tender: true, heat: { base: 10, ceiling: 30, degreeDays: { low: 400, high: 560 } } };
      const window = flowering({ sown: addDays("2027-05-01", 3 * i) }, facts, climate());
      return ripensBeforeFrost(window, climate()).chance;
    });
    // But for a hundredth, where the early end falls before the winter and the likely day after it.
    chances.slice(1).forEach((chance, i) => {
      expect(chance).toBeLessThan(chances[i]! + 0.01);
    });
    expect([chances[0]! > 0.99, chances[15]! < 0.5, chances.at(-1)!]).toEqual([true, true, 0]);
  });
});

describe("what others grow", () => {
  test("flowers in the season asked for, with the sowing's doubt on top", () => {
    for (const facts of [ANNUAL, { ...ANNUAL, tender: true }, BIENNIAL])
      for (const place of [climate(), south(), tropics()]) {
        const window = typicalFlowering(facts, 2027, place);
        expect(window.earliest < window.start && window.end < window.latest).toBe(true);
        expect(daysBetween(window.earliest, window.start)).toBeGreaterThanOrEqual(14);
      }
    expect(typicalFlowering(ANNUAL, 2027, climate()).start.slice(0, 4)).toBe("2027");
  });
});

describe("winter", () => {
  const hardy = { low: -16, high: -9 };
  test("in the ground a hardier crop and a milder winter come through better; the store does not ask", () => {
    const left = winterSurvival("left", hardy, climate());
    expect(left.low <= left.likely && left.likely <= left.high).toBe(true);
    expect(winterSurvival("left", { low: -26, high: -20 }, climate()).likely).toBeGreaterThan(left.likely);
    // Carrots under thick mulch: the winter's coldest night, −15.5 °C, is −7.5 °C where they lie.
    const carrots = winterSurvival("left", { low: -12, high: -6 }, climate(), true);
    expect(carrots.likely).toBeGreaterThan(0.6);
    expect(carrots.likely).toBeLessThan(0.8);
    expect(winterSurvival("late-sown", hardy, climate()).likely).toBeGreaterThan(left.likely);
    expect(winterSurvival("left", hardy, tropics()).low).toBeGreaterThan(0.99);
    expect(winterSurvival("lifted", hardy, climate())).toEqual(winterSurvival("lifted", hardy, tropics()));
    expect(winterSurvival("left", hardy, climate({ daily: [] }))).toEqual({ low: 0, likely: 0.5, high: 1 });
  });
});

describe("what becomes of a stand", () => {
  const tender: FloweringFacts = {
    ...ANNUAL,
    tender: true,
    kills: { low: -2, high: 0 },
    flowerDays: { low: 100, high: 140 },
  };

  test("flowers that go on until the frost end with the cold that kills them", () => {
    const { end, latest, kill, fate } = flowering({ sown: "2027-05-20" }, tender, climate());
    expect(fate).toBe("flowers");
    expect(end).toBe(kill!.day);
    expect(end > "2027-10-06" && end < "2027-10-20").toBe(true);
    expect(daysBetween(end, latest)).toBeLessThanOrEqual(Math.round(2 * kill!.spread));
    const bare = flowering({ sown: "2027-05-20" }, { ...tender, tender: false, kills: null }, climate());
    expect(bare.end > end).toBe(true);
    expect(bare).toMatchObject({ kill: null, stands: false });
    expect(flowering({ sown: "2027-05-20" }, { ...tender, kills: { low: -30, high: -25 } }, climate())).toMatchObject({
      kill: null,
      stands: true,
    });
  });

  test("seed that is too cold to ripen never does, however little frost would harm it", () => {
    const hardy = { ...ANNUAL, heat: { ...ANNUAL.heat, base: 10 }, kills: { low: -30, high: -25 } };
    const late = flowering({ sown: "2027-07-20" }, hardy, climate());
    expect(late).toMatchObject({ fate: "flowers", ripens: false, stands: true });
    expect(ripensBeforeFrost(late, climate())).toMatchObject({ chance: 0, verdict: "too-late" });
    const early = flowering({ sown: "2027-05-01" }, hardy, climate());
    expect(early.ripens).toBe(true);
    expect(ripensBeforeFrost(early, climate())).toEqual({ chance: 1, verdict: "no-frost", frost: null });
  });

  test("ripening is the faster the warmer it is, up to 23.5 °C, and stands still where it is too cold", () => {
    const steady = (degrees: number) => climate({ daily: Array(366).fill({ min: degrees, max: degrees }) });
    const of = (degrees: number) => ripeBy(100, 40, 0, { base: 9 }, steady(degrees));
    // Dry seed ripens from five degrees below what its plant grows at, here 4 °C; its days are those at 17 °C.
    expect(of(17)).toEqual({ day: 140, ripens: true });
    expect(of(10.5)).toEqual({ day: 180, ripens: true });
    expect(of(23.5).day).toBe(100 + Math.ceil(40 / 1.5));
    expect(of(30)).toEqual(of(23.5));
    // Three times its days is the last that is waited for.
    expect(of(8.4)).toEqual({ day: 219, ripens: true });
    expect(of(8.3)).toEqual({ day: 220, ripens: false });
    expect(of(3)).toEqual({ day: 220, ripens: false });
    // In flesh as its kind says, its days at 21 °C.
    const flesh = (degrees: number) =>
      ripeBy(100, 54, 0, { base: 9, ripens: { from: 7.5, known: 21 } }, steady(degrees));
    expect(flesh(21)).toEqual({ day: 154, ripens: true });
    expect(flesh(14.25)).toEqual({ day: 208, ripens: true });
    // Under cover it is 18.5 °C.
    expect(ripeBy(100, 40, 200, { base: 9 }, steady(3)).day).toBe(100 + Math.ceil(40 / (14.5 / 13)));
  });

  test("seed in the ground stands any cold: it is met once it is up", () => {
    const day = (sown: string, more: object = {}, facts = ANNUAL) => {
      const sowing = { sown, ...more };
      return dayOf(inTheOpen(sowing, facts, climate(), outFrom(sowing, facts, climate())));
    };
    expect(day("2026-12-10") > "2027-03-15").toBe(true);
    expect(daysBetween("2027-07-01", day("2027-07-01"))).toBeLessThan(10);
    expect(day("2026-12-10", { plantedOut: "2027-02-01" })).toBe("2027-02-01");
    expect(day("2027-03-01", {}, tender)).toBe("2027-05-24");
  });

  test("a first flower that was seen is not argued with", () => {
    const seen = flowering({ sown: "2027-08-20", firstFlower: "2027-10-30" }, tender, climate());
    expect([seen.fate, seen.start]).toEqual(["flowers", "2027-10-30"]);
  });

  test("a seedling that hardly grew before the winter does not feel it", () => {
    const of = (sown: string) => flowering({ sown }, BIENNIAL, climate()).start.slice(0, 4);
    expect(of("2026-08-01")).toBe("2027");
    expect(of("2026-11-15")).toBe("2028");
  });
});
