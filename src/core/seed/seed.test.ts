import { describe, expect, test } from "vitest";
import { normalFrom, seeded } from "../numbers/chance";
import { probit, shareBelow } from "../numbers/probit";
import {
  type AirOn,
  aged,
  ageing,
  clockOf,
  excursions,
  FRESH,
  ROOM,
  roomDays,
  type SeedFacts,
  type Stay,
} from "./ageing";
import { agedUntil, germinationAfter, germinationsAfter, learn, type Test } from "./alive";
import { germinationInterval, testPlan } from "./germination";
import { curveOf, lifeOf, limitsOf } from "./life";
import { airDryMoisture, moistureTarget } from "./moisture";
import { chanceFrom, stakeOf } from "./regrow";
import { chanceOfPlants, sowingNumber } from "./sowing";
import { probitDays, seedViability } from "./viability";

const ONION = { KE: 6.975, CW: 3.47, CH: 0.04, CQ: 0.000428 };
/** Four years, no oil, no constants. */
const BEAN: SeedFacts = { oil: 0, shelfYears: { low: 3, high: 5 }, viability: null };
const FRIDGE = { temperature: 5, humidity: 0.3 };

describe("probits", () => {
  test("are the inverse of the normal share, far into its tails", () => {
    for (const share of [1e-9, 0.001, 0.2, 0.5, 0.93, 0.9999]) expect(shareBelow(probit(share))).toBeCloseTo(share, 10);
    expect(probit(0.975)).toBeCloseTo(1.959963984540054, 10);
    expect([probit(0), probit(1)].every(Number.isFinite)).toBe(true);
  });
});

describe("the viability equation", () => {
  test("follows its published form, worked out by hand", () => {
    // log10(8) = 0.90309; 6.975 − 3.13372 − 0.48 − 0.061632 = 3.299648
    expect(Math.log10(probitDays(ONION, 0.08, 12))).toBeCloseTo(3.299648, 5);
    const alive = (days: number) =>
      seedViability({ initialGermination: 0.95, moisture: 0.08, temperature: 12, days, constants: ONION }).germination;
    expect(alive(0)).toBeCloseTo(0.95, 12);
    expect(alive(1460)).toBeCloseTo(0.8192533, 6);
    expect(alive(1.6448536 * probitDays(ONION, 0.08, 12))).toBeCloseTo(0.5, 6);
  });

  test("wetter and warmer seed dies sooner", () => {
    expect(probitDays(ONION, 0.1, 12)).toBeLessThan(probitDays(ONION, 0.08, 12));
    expect(probitDays(ONION, 0.08, 25)).toBeLessThan(probitDays(ONION, 0.08, 12));
  });
});

describe("moisture", () => {
  test("only water leaves", () => {
    const { massTarget } = moistureTarget({ massNow: 200, moistureNow: 0.18, moistureTarget: 0.07 });
    expect(massTarget).toBeCloseTo(176.344086, 6);
    expect(massTarget * 0.93).toBeCloseTo(200 * 0.82, 9);
  });

  test("oily seed holds less water, and air neither dries nor wets without end", () => {
    // √(440·0.693147 / (1.1 + 20/90)) = 15.188 % of the dry mass, 13.185 % of the wet
    expect(airDryMoisture({ humidity: 0.5, temperature: 20 }, 0)).toBeCloseTo(0.131854, 5);
    expect(airDryMoisture({ humidity: 0.5, temperature: 20 }, 0.4)).toBeCloseTo(0.0835, 4);
    expect(airDryMoisture({ humidity: 0, temperature: 20 }, 0.4)).toBe(0.03);
    expect(airDryMoisture({ humidity: 1, temperature: 20 }, 0)).toBeLessThanOrEqual(0.3);
    expect(airDryMoisture({ humidity: 1, temperature: 20 }, 0)).toBe(
      airDryMoisture({ humidity: 0.95, temperature: 20 }, 0),
    );
  });
});

describe("germination tests", () => {
  test.each([
    [18, 20, 0.95, 0.69896636, 0.97213352],
    [0, 10, 0.9, 0, 0.21294],
    [10, 10, 0.9, 0.78706, 1],
  ])("%d of %d at %d", (germinated, sown, confidence, low, high) => {
    const range = germinationInterval({ germinated, sown, confidence });
    expect(range.low).toBeCloseTo(low, 5);
    expect(range.high).toBeCloseTo(high, 5);
  });

  test("a test is as large as it must be, and small where seed is precious", () => {
    const { seeds, half, precious } = testPlan(0.5, null)!;
    expect([seeds, precious]).toEqual([50, false]);
    const { low, high } = germinationInterval({ germinated: 20, sown: 40, confidence: 0.9 });
    expect((high - low) / 2).toBeGreaterThan(0.12);
    expect(half).toBeLessThanOrEqual(0.12);
    expect(testPlan(0.5, 300)).toMatchObject({ seeds: 30, precious: true });
    expect(testPlan(0.5, 40)).toMatchObject({ seeds: 10, precious: true });
    expect(testPlan(0.5, 10)).toMatchObject({ seeds: 10 });
    expect(testPlan(0.5, 9)).toBeNull();
  });
});

/** The tail by plain recurrence over the seeds, one rate. */
function tail(n: number, rate: number, least: number): number {
  let chances = [1];
  for (let i = 0; i < n; i++) chances = [...chances, 0].map((c, j) => c * (1 - rate) + (chances[j - 1] ?? 0) * rate);
  return chances.slice(least).reduce((a, b) => a + b, 0);
}

describe("seeds to sow", () => {
  test("are the fewest that do", () => {
    expect(sowingNumber({ target: 24, confidence: 0.9, stages: [{ rate: 0.85 }, { rate: 0.9 }] })).toEqual({ sow: 35 });
    expect(tail(35, 0.765, 24)).toBeGreaterThanOrEqual(0.9);
    expect(tail(34, 0.765, 24)).toBeLessThan(0.9);
    expect(chanceOfPlants(35, 24, [{ rate: 0.765 }])).toBeCloseTo(tail(35, 0.765, 24), 10);
  });

  test("a rate that was only counted costs more seed than one that is known, the more the less was counted", () => {
    const sow = (successes: number, trials: number) =>
      sowingNumber({ target: 24, confidence: 0.9, stages: [{ successes, trials }, { rate: 0.9 }] }).sow;
    expect(sow(17, 20)).toBe(39);
    expect(sow(170, 200)).toBe(36);
    expect(sow(17_000, 20_000)).toBe(35);
    expect(sow(4, 5)).toBeGreaterThan(45);
  });

  test("against a plain sum over a fine grid of the rate", () => {
    // Beta(17.5, 3.5) by its density on 20,000 even steps.
    const density = (r: number) => r ** 16.5 * (1 - r) ** 2.5;
    const grid = Array.from({ length: 20_000 }, (_, i) => (i + 0.5) / 20_000);
    const whole = grid.reduce((sum, r) => sum + density(r), 0);
    const coarse = grid.filter((_, i) => i % 100 === 50);
    const part = coarse.reduce((sum, r) => sum + density(r), 0);
    expect(part * 100).toBeCloseTo(whole, 1);
    const direct = coarse.reduce((sum, r) => sum + density(r) * tail(39, r * 0.9, 24), 0) / part;
    expect(chanceOfPlants(39, 24, [{ successes: 17, trials: 20 }, { rate: 0.9 }])).toBeCloseTo(direct, 3);
  });

  test("two counted stages are surer together than one with as little behind it", () => {
    const stages = [
      { successes: 45, trials: 50 },
      { successes: 40, trials: 50 },
    ];
    const both = sowingNumber({ target: 20, confidence: 0.9, stages }).sow;
    const known = sowingNumber({ target: 20, confidence: 0.9, stages: [{ rate: 0.9 }, { rate: 0.8 }] }).sow;
    expect(known).toBe(32);
    expect(both).toBe(34);
    // The two rates on a grid of even steps, each by its density.
    const steps = Array.from({ length: 80 }, (_, i) => 0.5 + (i + 0.5) / 160);
    const beta = (a: number, b: number) => steps.map((r) => r ** (a - 1) * (1 - r) ** (b - 1));
    const [one, other] = [beta(45.5, 5.5), beta(40.5, 10.5)];
    const weights = one.flatMap((w, i) => other.map((v, j) => ({ weight: w * v, rate: steps[i]! * steps[j]! })));
    const whole = weights.reduce((sum, { weight }) => sum + weight, 0);
    const direct = weights.reduce((sum, { weight, rate }) => sum + weight * tail(34, rate, 20), 0) / whole;
    expect(chanceOfPlants(34, 20, stages)).toBeCloseTo(direct, 2);
  });

  test("what no number of seeds can give is said", () => {
    expect(() => sowingNumber({ target: 5, confidence: 0.9, stages: [{ rate: 0 }] })).toThrow(RangeError);
  });
});

describe("ageing", () => {
  test("a shelf life is the time in which half of fresh seed dies in a cool, dry room", () => {
    expect(roomDays(BEAN) * FRESH).toBeCloseTo(4 * 365.25, 6);
    expect(ageing(BEAN, ROOM) * roomDays(BEAN)).toBeCloseTo(1, 12);
    expect(shareBelow(FRESH)).toBeCloseTo(0.93, 3);
  });

  test("published constants come before the shelf life", () => {
    const onion = { oil: 0.22, shelfYears: { low: 1, high: 3 }, viability: ONION };
    const moisture = airDryMoisture(ROOM, 0.22);
    expect(roomDays(onion)).toBeCloseTo(probitDays(ONION, moisture, 15), 9);
    expect(ageing(onion, FRIDGE)).toBeCloseTo(1 / probitDays(ONION, airDryMoisture(FRIDGE, 0.22), 5), 12);
  });

  test("cool and dry seed of any kind ages slower, by the same proportion", () => {
    const other = { ...BEAN, shelfYears: { low: 1, high: 2 } };
    expect(ageing(BEAN, FRIDGE)).toBeLessThan(ageing(BEAN, ROOM) / 3);
    expect(ageing(other, FRIDGE) / ageing(other, ROOM)).toBeCloseTo(ageing(BEAN, FRIDGE) / ageing(BEAN, ROOM), 12);
  });

  test("is summed over where seed lay", () => {
    const stay = (from: string, air = ROOM, measured: AirOn[] = []): Stay => ({
      from,
      clock: clockOf(BEAN, air, measured),
    });
    const lay = (stays: Stay[], from: string, to: string) => aged(stays, clockOf(BEAN, ROOM, []), from, to);
    const room = ageing(BEAN, ROOM);
    const cool = ageing(BEAN, FRIDGE);
    expect(lay([], "2027-01-01", "2027-01-11")).toBeCloseTo(10 * room, 12);
    expect(lay([], "2027-01-11", "2027-01-01")).toBe(0);
    // Before its first store it lay as in it; moved on the fifth day.
    const moved = [stay("2027-01-03"), stay("2027-01-06", FRIDGE)];
    expect(lay(moved, "2027-01-01", "2027-01-11")).toBeCloseTo(5 * room + 5 * cool, 12);
    expect(lay(moved, "2027-01-01", "2027-01-04")).toBeCloseTo(3 * room, 12);
    // Measured days count as measured; those outside the stay do not.
    const hot = { on: "2027-01-07", temperature: 30, humidity: 0.6 };
    const days = [{ ...hot, on: "2026-12-31" }, hot, { ...hot, on: "2027-01-11" }];
    const measured = [stay("2027-01-01", FRIDGE, days)];
    expect(lay(measured, "2027-01-01", "2027-01-11")).toBeCloseTo(9 * cool + ageing(BEAN, hot), 12);
  });

  test("spells of bad air are told with the life they cost", () => {
    const hot = { temperature: 27, humidity: 0.5 };
    const measured = [
      { on: "2027-07-01", ...FRIDGE },
      { on: "2027-07-02", ...hot },
      { on: "2027-07-03", temperature: 33, humidity: 0.5 },
      { on: "2027-07-04", ...FRIDGE },
      { on: "2027-08-01", ...hot },
    ];
    const [august, july, ...more] = excursions(BEAN, FRIDGE, measured);
    expect(more).toEqual([]);
    expect([july!.from, july!.to, july!.days, july!.worst.on]).toEqual(["2027-07-02", "2027-07-03", 2, "2027-07-03"]);
    expect(august).toMatchObject({ from: "2027-08-01", days: 1 });
    const times = ageing(BEAN, hot) / ageing(BEAN, FRIDGE);
    expect(august!.cost).toBeCloseTo(times - 1, 9);
    expect(july!.cost).toBeGreaterThan(2 * (times - 1));
    expect(excursions(BEAN, ROOM, [{ on: "2027-07-01", temperature: 18, humidity: 0.5 }])).toEqual([]);
  });
});

describe("what is learned from tests", () => {
  test("without tests it is the published life, with the doubt of it", () => {
    const { untested } = learn(BEAN, []);
    const fresh = germinationAfter(untested, 0);
    expect(fresh.likely).toBeCloseTo(0.93, 2);
    // Fresh seed differs by 0.35 probits: 1.476 ∓ 1.645·0.35
    expect(fresh.low).toBeCloseTo(shareBelow(1.476 - 1.645 * 0.35), 1);
    expect(fresh.high).toBeCloseTo(shareBelow(1.476 + 1.645 * 0.35), 1);
    expect(germinationAfter(untested, FRESH).likely).toBeCloseTo(0.5, 1);
  });

  test("a lot's own tests outweigh all else once they are many", () => {
    const many = [{ aged: 1, germinated: 1600, sown: 2000 }];
    const { low, likely, high } = germinationAfter(learn(BEAN, [many]).lots[0]!, 1);
    expect(likely).toBeCloseTo(0.8, 2);
    expect(high - low).toBeLessThan(0.04);
  });

  test("good tests of other lots lengthen the life of an untested one, poor ones shorten it, and each lot keeps its own", () => {
    const tests = (germinated: number): Test[] => [{ aged: 1.5, germinated, sown: 50 }];
    const alive = (...lots: number[]) => germinationAfter(learn(BEAN, lots.map(tests)).untested, 1.5).likely;
    expect(alive()).toBeGreaterThan(alive(5));
    expect(alive(5)).toBeGreaterThan(alive(5, 5, 5));
    expect(alive(47)).toBeGreaterThan(alive());
    expect(alive(47, 47, 47)).toBeGreaterThan(alive(47));
    const [poor, good] = learn(BEAN, [tests(5), tests(47)]).lots;
    expect(germinationAfter(poor!, 1.5).likely).toBeLessThan(0.2);
    expect(germinationAfter(good!, 1.5).likely).toBeGreaterThan(0.85);
  });

  test("germination never rises with age, and the way to a limit is the way back", () => {
    const known = learn(BEAN, [[{ aged: 0.5, germinated: 40, sown: 50 }]]).lots[0]!;
    let before = 2;
    for (let at = 0; at < 6; at += 0.25) {
      const { low, likely, high } = germinationAfter(known, at);
      expect(low).toBeLessThanOrEqual(likely);
      expect(likely).toBeLessThanOrEqual(high);
      expect(likely).toBeLessThan(before);
      before = likely;
    }
    const chances = [0.05, 0.5, 0.95];
    const until = agedUntil(known, probit(0.6), chances);
    for (const [i, aged] of until.entries()) {
      // What lies under the limit with a chance lies at it, looked at from the other side.
      expect(germinationsAfter(known, aged, [chances[i]!])[0]).toBeCloseTo(0.6, 1);
      const [low, high] = germinationsAfter(known, aged, [chances[i]! - 0.02, chances[i]! + 0.02]);
      expect(low! < 0.6 && high! > 0.6).toBe(true);
    }
    expect(agedUntil(known, probit(0.99), [0.5])).toEqual([0]);
    expect(agedUntil(known, probit(1e-12), [0.9999])[0]).toBeGreaterThan(20);
  });

  test("true lives lie in the range of nine tenths about nine times in ten, and the middle is not off", () => {
    const luck = seeded(2027);
    const draw = () => normalFrom(luck(), luck());
    const spread = Math.hypot(Math.log(5 / 3) / (2 * 1.645), 0.35);
    let [inside, outside, off] = [0, 0, 0];
    for (let round = 0; round < 60; round++) {
      const species = spread * draw();
      const truths = [0, 1, 2].map(() => ({
        fresh: FRESH + 0.35 * draw(),
        slows: Math.exp(-(species + 0.3 * draw())),
      }));
      const tests = truths.map(({ fresh, slows }, i) =>
        [0.4, 1.1].slice(0, 1 + (i % 2)).map((age) => {
          const share = shareBelow(fresh - age * slows);
          const sown = 30 + 20 * i;
          return { aged: age, sown, germinated: Array.from({ length: sown }, luck).filter((x) => x < share).length };
        }),
      );
      for (const [i, known] of learn(BEAN, tests).lots.entries()) {
        const truth = shareBelow(truths[i]!.fresh - 1.8 * truths[i]!.slows);
        const { low, likely, high } = germinationAfter(known, 1.8);
        if (truth >= low && truth <= high) inside++;
        else outside++;
        off += likely - truth;
      }
    }
    expect(inside / (inside + outside)).toBeGreaterThan(0.85);
    expect(inside / (inside + outside)).toBeLessThan(0.96);
    expect(Math.abs(off) / (inside + outside)).toBeLessThan(0.04);
  });
});

describe("alive until when", () => {
  const { untested } = learn(BEAN, []);
  const limits = limitsOf(untested, 0.6);
  const life = (gathered: string, more = {}) =>
    lifeOf(limits, { gathered, stays: [], room: clockOf(BEAN, ROOM, []), testedOn: null, ...more }, "2027-09-01");

  test("fresh seed keeps, then it is the last year to sow it, then it fails, and at last it is dead", () => {
    expect(["2026-09-01", "2024-12-01", "2022-09-01", "2013-09-01"].map((day) => life(day).state)).toEqual([
      "keeps",
      "regrow",
      "failing",
      "dead",
    ]);
  });

  test("the day it falls under the limit is where its ageing reaches it", () => {
    const { until, aged: sofar, perDay } = life("2026-09-01");
    expect(sofar).toBeCloseTo(365 * perDay, 9);
    const days = (Date.parse(until.likely!) - Date.parse("2027-09-01")) / 86_400_000;
    expect(sofar + days * perDay).toBeCloseTo(limits.likely, 2);
    expect(until.early! < until.likely! && until.likely! < until.late!).toBe(true);
  });

  test("a cool store puts it off", () => {
    const stays = [{ from: "2026-10-01", clock: clockOf(BEAN, FRIDGE, []) }];
    expect(life("2026-09-01", { stays }).until.likely! > life("2026-09-01").until.likely!).toBe(true);
  });

  test("a test is asked for when doubt begins, a year after the last one, and never of what is dead", () => {
    const young = life("2026-09-01");
    expect(young.testOn).toBe(young.until.early);
    // Where nothing is in doubt for long, the model itself is tested after four years.
    const cool = { stays: [{ from: "2000-01-01", clock: clockOf(BEAN, { temperature: -10, humidity: 0.1 }, []) }] };
    expect(life("2026-09-01", cool).testOn).toBe("2030-09-01");
    expect(life("2026-09-01", { ...cool, testedOn: "2027-03-01" }).testOn).toBe("2031-03-01");
    expect(life("2015-09-01", cool).testOn).toBe("2027-09-01");
    expect(life("2023-09-01").testOn).toBe("2027-09-01");
    expect(life("2023-09-01", { testedOn: "2027-02-01" }).testOn).toBe("2028-02-01");
    expect(life("2023-09-01", { testedOn: "2025-02-01" }).testOn).toBe("2027-09-01");
    expect(life("2005-09-01").testOn).toBeNull();
  });

  test("its curve goes through today, as it aged before and as it lies now after", () => {
    const curve = curveOf(untested, { aged: 0.5, perDay: 0.001 }, 2, 4, 2);
    expect(curve.map(({ year }) => year)).toEqual([0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4]);
    expect(curve[4]).toEqual({ year: 2, ...germinationAfter(untested, 0.5) });
    expect(curve[1]).toEqual({ year: 0.5, ...germinationAfter(untested, 0.125) });
    expect(curve[8]).toEqual({ year: 4, ...germinationAfter(untested, 0.5 + 2 * 365.25 * 0.001) });
  });
});

describe("what a line stands to lose", () => {
  const { untested } = learn(BEAN, []);
  const lot = (aged: number, seeds: number | null) => ({ known: untested, aged, perDay: 1 / 800, seeds });
  const line = (lots: ReturnType<typeof lot>[], rests = 0) => ({ lots, plants: 10, stays: 0.85, rests });

  test("young seed in plenty loses nothing by waiting, old seed much", () => {
    expect(stakeOf(line([lot(0.1, 200)])).loss).toBeLessThan(0.01);
    const old = stakeOf(line([lot(2.2, 60)]));
    expect(old.now).toBeGreaterThan(old.later);
    expect(old.loss).toBeGreaterThan(0.05);
    expect(old.loss).toBeCloseTo(old.now - old.later, 12);
  });

  test("what rests on it counts, and another lot that lives takes the loss away", () => {
    const alone = stakeOf(line([lot(2.2, 60)]));
    expect(stakeOf(line([lot(2.2, 60)], 3)).loss).toBeCloseTo(4 * alone.loss, 12);
    expect(stakeOf(line([lot(2.2, 60), lot(0.1, 200)])).loss).toBeLessThan(0.01);
    expect(stakeOf(line([]))).toEqual({ now: 0, later: 0, loss: 0 });
  });

  test("fewer seeds than plants give none; uncounted seed is taken for a hundred", () => {
    const plants = { plants: 10, stays: 0.85 };
    expect(chanceFrom(lot(0.1, 9), plants, 0)).toBe(0);
    expect(chanceFrom(lot(1.5, null), plants, 0)).toBe(chanceFrom(lot(1.5, 100), plants, 0));
  });
});
