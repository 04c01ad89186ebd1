import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addDays, type Day, daysBetween } from "../calendar/day";
import { marksOf, momentOf } from "../climate/sun";
import { betaBinomialTail } from "../numbers/beta";
import { upperTail } from "../numbers/binomial";
import { certain, flowersToDo, fruitsFor, tonight } from "./flowersToDo";
import {
  ACTIONS,
  type Anchor,
  dayPartOf,
  leadDays,
  type Protocol,
  type ProtocolStep,
  type StepAction,
} from "./protocol";
import { learn, setRate } from "./setRate";
import { comingSteps, dueOf, dueSteps, type FlowerOnDay, lastDayToCover, meeting, refusalOf } from "./steps";
import { type FlowerState, tally } from "./tally";
import { asWaiting } from "./waiting";

const step = (
  action: StepAction,
  anchor: Anchor,
  low: number,
  high: number,
  more: Partial<ProtocolStep> = {},
): ProtocolStep => ({
  action,
  anchor,
  hours: { low: -1, high: 2 },
  after: { low, high },
  again: null,
  title: action,
  look: "",
  tooLate: "",
  tools: "",
  record: "",
  hazards: [],
  stages: null,
  drawing: null,
  father: null,
  ...more,
});
const protocol = (...steps: ProtocolStep[]): Protocol => ({
  id: "p",
  name: "p",
  flowerType: "f",
  unit: "flower",
  serves: ["cross"],
  why: "",
  steps,
});
const DAWN = protocol(
  step("cover", "dusk", 0, 0),
  step("pollinate", "sunrise", 1, 1),
  step("check", "day", 7, 10),
  step("harvest", "day", 0, 0),
);
/** Ears: covered, tassels bagged two days on in the morning, pollinated the same day around noon. */
const EARS = protocol(
  step("cover", "day", 0, 0),
  step("gather", "sunrise", 2, 3, { hours: { low: 2, high: 4 } }),
  step("pollinate", "noon", 0, 1),
  step("check", "day", 12, 20),
  step("harvest", "day", 0, 0),
);
const NONE = { covered: 0, waiting: 0, set: 0, lost: 0, doubtful: 0 };
const RATE = setRate({ a: 10, b: 15 });
const marks = marksOf(48.6, 9.3);

describe("what flowers come to", () => {
  const flower = (id: string, more: Partial<FlowerOnDay>): FlowerOnDay => ({
    id,
    number: 1,
    state: "covered",
    on: { cover: "2027-07-09" },
    pollinatedAt: null,
    passes: 0,
    lastPass: null,
    ...more,
  });
  const coming = (of: Protocol, day: Day, ...flowers: FlowerOnDay[]) =>
    comingSteps(of, flowers, day, { low: 40, high: 50 }, marks).map(
      ({ step: { action }, flowers: these, from, last }) => [action, these.map(({ id }) => id).join(), from, last],
    );
  const pollinated = (on: Day) => ({ state: "pollinated" as const, on: { cover: addDays(on, -1), pollinate: on } });

  test("is told by its days, flowers of the same days together, the first first; seed ripens from when it was pollinated", () => {
    expect(
      coming(
        DAWN,
        "2027-07-09",
        flower("a", {}),
        flower("b", pollinated("2027-07-05")),
        flower("c", {}),
        flower("d", { state: "set", on: { ...pollinated("2027-07-01").on, check: "2027-07-09" } }),
      ),
    ).toEqual([
      ["pollinate", "a,c", "2027-07-10", "2027-07-10"],
      ["check", "b", "2027-07-12", "2027-07-15"],
      ["harvest", "d", "2027-08-10", "2027-08-20"],
    ]);
  });

  test("is not what is past, nor anything of a flower that is over", () => {
    expect(coming(DAWN, "2027-07-10", flower("a", {}))).toHaveLength(1);
    expect(coming(DAWN, "2027-07-11", flower("a", {}))).toEqual([]);
    expect(coming(DAWN, "2027-07-09", flower("a", { state: "lost" }))).toEqual([]);
  });

  test("is one more pass of what is done over as long as its days last, then the next step", () => {
    const twice = protocol(
      step("cover", "day", 0, 0),
      step("pollinate", "day", 1, 1, { again: { times: 2, every: { low: 1, high: 2 } } }),
      step("check", "day", 7, 10),
    );
    const once = flower("a", { ...pollinated("2027-07-10"), passes: 1, lastPass: "2027-07-10" });
    expect(coming(twice, "2027-07-12", once)).toEqual([["pollinate", "a", "2027-07-11", "2027-07-12"]]);
    expect(coming(twice, "2027-07-13", once)).toEqual([["check", "a", "2027-07-17", "2027-07-20"]]);
  });
});

describe("flowers to do", () => {
  test("a harvested fruit has set, a fault is never counted as the cross, nor is what is lost", () => {
    const flower = (state: FlowerState, fault: "torn-bag" | null = null) => ({ state, fault });
    expect(
      tally([
        flower("covered"),
        flower("gathered"),
        flower("pollinated"),
        flower("uncovered"),
        flower("set"),
        flower("harvested"),
        flower("failed"),
        flower("lost"),
        flower("unusable", "torn-bag"),
        flower("set", "torn-bag"),
        flower("pollinated", "torn-bag"),
        flower("failed", "torn-bag"),
      ]),
    ).toEqual({ covered: 2, waiting: 2, set: 2, harvested: 1, lost: 4, doubtful: 2 });
  });

  test("what waits and what is still to do together reach the wanted chance", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 0, max: 20 }),
        fc.integer({ min: 0, max: 25 }),
        (wanted, waiting, set) => {
          const { likely, fewest, most, chanceNow } = flowersToDo(wanted, { ...NONE, waiting, set }, RATE, 0.9);
          expect(fewest).toBeLessThanOrEqual(likely);
          expect(likely).toBeLessThanOrEqual(most);
          if (set < wanted) {
            expect(betaBinomialTail(waiting + likely, RATE, wanted - set)).toBeGreaterThanOrEqual(0.9);
            if (likely > 0) expect(betaBinomialTail(waiting + likely - 1, RATE, wanted - set)).toBeLessThan(0.9);
          }
          expect(likely === 0).toBe(chanceNow >= 0.9);
        },
      ),
    );
  });

  test("an uncertain rate asks for more flowers than the same rate taken as certain, which is binomial", () => {
    const sure = flowersToDo(8, NONE, certain(0.4), 0.9);
    expect(upperTail(sure.likely, 0.4, 8)).toBeGreaterThanOrEqual(0.9);
    expect(upperTail(sure.likely - 1, 0.4, 8)).toBeLessThan(0.9);
    expect(flowersToDo(8, NONE, RATE, 0.9).likely).toBeGreaterThan(sure.likely);
  });

  test("more set never asks for more flowers", () => {
    for (let set = 0; set < 9; set++)
      expect(flowersToDo(9, { ...NONE, set: set + 1 }, RATE, 0.9).likely).toBeLessThan(
        flowersToDo(9, { ...NONE, set }, RATE, 0.9).likely,
      );
  });

  test("seeds wanted become whole fruits", () => {
    expect(fruitsFor(301, 100)).toBe(4);
  });

  test("tonight's share leaves no more than the other evenings hold, and says from when it is too late", () => {
    expect(tonight(10, 3, 6, "2027-07-12")).toEqual({ tonight: 4, beginBy: "2027-07-11", possible: 18 });
    expect(tonight(10, 1, 6, "2027-07-12")).toEqual({ tonight: 6, beginBy: null, possible: 6 });
    expect(tonight(10, 0, 6, "2027-07-12")).toEqual({ tonight: 0, beginBy: null, possible: 0 });
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 80 }),
        fc.integer({ min: 1, max: 30 }),
        fc.integer({ min: 1, max: 20 }),
        (needed, evenings, most) => {
          const now = tonight(needed, evenings, most, "2027-08-01");
          expect(now.tonight).toBeLessThanOrEqual(Math.min(most, needed));
          if (needed > evenings * most) expect(now.beginBy).toBeNull();
          else {
            expect(needed - now.tonight).toBeLessThanOrEqual((evenings - 1) * most);
            // Begun on the named evening with all that can be done each time, it is reached; a day later it is not.
            const left = daysBetween(now.beginBy!, "2027-08-01") + 1;
            expect(left * most).toBeGreaterThanOrEqual(needed);
            if (needed > 0) expect((left - 1) * most).toBeLessThan(needed);
          }
        },
      ),
    );
  });
});

describe("set rates", () => {
  test("one lesson is the Beta update, to the letter", () => {
    const { rate } = learn({ a: 4, b: 6 }, [{ what: "own", outcomes: { set: 3, failed: 5 } }]);
    expect([rate.a, rate.b]).toEqual([7, 11]);
    expect(rate.likely).toBeCloseTo(7 / 18, 12);
  });

  test("what is farther off never weighs more than twelve flowers, and no flower is counted twice", () => {
    const { rate, from } = learn({ a: 40, b: 60 }, [
      { what: "at other hours", outcomes: { set: 90, failed: 10 } },
      { what: "here", outcomes: { set: 1, failed: 19 } },
    ]);
    // 12 of the catalogue at 0.4, then 112 lightened to 12, then 20 of its own.
    const others = { a: 4.8 + 90, b: 7.2 + 10 };
    expect(rate.a).toBeCloseTo((others.a * 12) / 112 + 1, 9);
    expect(rate.b).toBeCloseTo((others.b * 12) / 112 + 19, 9);
    expect(from.reduce((sum, f) => sum + f.flowers, 0)).toBeCloseTo(32, 9);
  });

  test("without flowers the catalogue stands, and more of them narrow the range", () => {
    const prior = { a: 8, b: 12 };
    expect(learn(prior, [{ what: "none", outcomes: { set: 0, failed: 0 } }]).rate).toMatchObject(prior);
    const width = (n: number) => {
      const { low, high } = learn(prior, [{ what: "own", outcomes: { set: 2 * n, failed: 3 * n } }]).rate;
      return high - low;
    };
    expect(width(2) > width(10) && width(10) > width(50)).toBe(true);
  });
});

const RIPE = { low: 40, high: 60 };
const flower = (state: FlowerState, on: FlowerOnDay["on"], more: Partial<FlowerOnDay> = {}): FlowerOnDay => ({
  id: "1",
  number: 1,
  state,
  on,
  pollinatedAt: null,
  passes: on.pollinate ? 1 : 0,
  lastPass: on.pollinate ?? null,
  ...more,
});

describe("steps", () => {
  const due = (f: FlowerOnDay, day: string, p = DAWN) =>
    dueSteps(p, [f], day, RIPE, marks).map((s) => [s.step.action, s.daysLeft]);

  test("a flower tied tonight is due at tomorrow's dawn and no other", () => {
    const tied = flower("covered", { cover: "2027-07-08" });
    expect(due(tied, "2027-07-08")).toEqual([]);
    expect(due(tied, "2027-07-09")).toEqual([["pollinate", 0]]);
    expect(due(tied, "2027-07-10")).toEqual([["pollinate", -1]]);
  });

  test("a pollinated one is looked at after a week, a set one brought in when ripe", () => {
    const pollinated = flower("pollinated", { cover: "2027-07-01", pollinate: "2027-07-02" });
    expect(due(pollinated, "2027-07-08")).toEqual([]);
    expect(due(pollinated, "2027-07-09")).toEqual([["check", 3]]);
    const set = flower("set", { cover: "2027-07-01", pollinate: "2027-07-02", check: "2027-07-10" });
    expect(due(set, "2027-08-11")).toEqual([["harvest", 20]]);
    expect(due(flower("unusable", { cover: "2027-07-01" }), "2027-07-02")).toEqual([]);
  });

  test("ears go over three days, and on the third the tassels come before the ears", () => {
    const covered = flower("covered", { cover: "2027-07-05" });
    expect(due(covered, "2027-07-06", EARS)).toEqual([]);
    expect(due(covered, "2027-07-07", EARS)).toEqual([["gather", 1]]);
    const bagged = flower("gathered", { cover: "2027-07-05", gather: "2027-07-07" });
    expect(due(bagged, "2027-07-07", EARS)).toEqual([["pollinate", 1]]);
    const noon = dueOf(EARS, bagged, "2027-07-07", RIPE, marks)!;
    expect(noon.from >= dueOf(EARS, covered, "2027-07-07", RIPE, marks)!.from).toBe(true);
  });

  test("what is done over comes again until it was done often enough, then the next step", () => {
    const brushed = protocol(
      step("cover", "day", 0, 0),
      step("pollinate", "sunrise", 1, 4, { again: { times: 3, every: { low: 1, high: 2 } } }),
      step("uncover", "day", 5, 9),
      step("harvest", "day", 0, 0),
    );
    const on = { cover: "2027-07-01", pollinate: "2027-07-02" };
    const once = flower("pollinated", on);
    expect(due(once, "2027-07-02", brushed)).toEqual([]);
    expect(due(once, "2027-07-04", brushed)).toEqual([["pollinate", 0]]);
    // Its days are over: no third pass, but the cover comes off.
    expect(due(once, "2027-07-07", brushed)).toEqual([["uncover", 4]]);
    expect(due(flower("pollinated", on, { passes: 3, lastPass: "2027-07-04" }), "2027-07-05", brushed)).toEqual([]);
  });

  test("flowers of one step go together, and the soonest impossible stands first", () => {
    const flowers = [
      { ...flower("covered", { cover: "2027-07-08" }), id: "1" },
      { ...flower("covered", { cover: "2027-07-08" }), id: "2" },
      { ...flower("pollinated", { cover: "2027-07-01", pollinate: "2027-07-02" }), id: "3" },
    ];
    expect(dueSteps(DAWN, flowers, "2027-07-09", RIPE, marks).map((s) => s.flowerIds)).toEqual([["1", "2"], ["3"]]);
  });

  test("what can't be recorded yet, or any more, is told why", () => {
    const covered = flower("covered", { cover: "2027-07-08" });
    expect(refusalOf(DAWN, covered, "pollinate", "2027-07-09")).toBeNull();
    expect(refusalOf(DAWN, covered, "pollinate", "2027-07-08")).toMatchObject({ byDay: true });
    expect(refusalOf(DAWN, covered, "pollinate", "2027-07-11")!.words).toContain("past it");
    expect(refusalOf(DAWN, covered, "check", "2027-07-18")!.words).toContain("first pollinate");
    expect(refusalOf(DAWN, covered, "gather", "2027-07-09")!.words).toContain("no such step");
    expect(refusalOf(DAWN, flower("set", { cover: "a", pollinate: "b", check: "c" }), "check", "d")!.words).toContain(
      "set",
    );
  });

  test("bands follow the anchor; the lead is the days from cover to pollination", () => {
    expect(DAWN.steps.map(dayPartOf)).toEqual(["evening", "dawn", "any-hour", "any-hour"]);
    expect(dayPartOf({ anchor: "sunrise", hours: { low: 2, high: 6 } })).toBe("morning");
    expect([leadDays(DAWN), leadDays(EARS)]).toEqual([1, 2]);
  });

  test("the step a flower could take next is offered whether due or not", () => {
    const waiting = asWaiting(EARS, [
      { state: "covered", passes: 0 },
      { state: "gathered", passes: 0 },
      { state: "failed", passes: 1 },
    ]);
    expect([...waiting.keys()]).toEqual(["gather", "pollinate"]);
  });
});

/** Any protocol in the order of actions, at any place on earth, walked through as its steps come due. */
describe("in any protocol, at any place", () => {
  const range = (most: number) =>
    fc
      .tuple(fc.integer({ min: 0, max: most }), fc.integer({ min: 0, max: 4 }))
      .map(([low, more]) => ({ low, high: low + more }));
  const anyStep = (action: StepAction) =>
    fc
      .record({
        anchor: fc.constantFrom<Anchor>("dusk", "sunrise", "noon", "day"),
        low: fc.double({ min: -4, max: 8, noNaN: true }),
        long: fc.double({ min: 0.2, max: 6, noNaN: true }),
        after: range(6),
        again: fc.option(fc.record({ times: fc.integer({ min: 2, max: 4 }), every: range(3) })),
      })
      .map(({ anchor, low, long, after, again }) =>
        step(action, anchor, action === "cover" ? 0 : after.low, action === "cover" ? 0 : after.high, {
          hours: { low, high: low + long },
          again: action === "pollinate" ? again : null,
        }),
      );
  const anyProtocol = fc
    .subarray(["gather", "uncover", "check"] as StepAction[])
    .chain((between) =>
      fc.tuple(...ACTIONS.filter((a) => ["cover", "pollinate", "harvest", ...between].includes(a)).map(anyStep)),
    )
    .map((steps) => protocol(...steps));
  const STATE: Record<StepAction, FlowerState> = {
    cover: "covered",
    gather: "gathered",
    pollinate: "pollinated",
    uncover: "uncovered",
    check: "set",
    harvest: "harvested",
  };

  test("no step comes out of order, before its days have passed, or before the one it follows", () => {
    fc.assert(
      fc.property(
        anyProtocol,
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.integer({ min: 0, max: 365 }),
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 12, maxLength: 12 }),
        (any, latitude, longitude, start, luck) => {
          const sun = marksOf(latitude, longitude);
          const first = addDays("2027-01-01", start);
          let now = flower("covered", { cover: first });
          let doneAt = -Infinity;
          let at = 0;
          for (let day: Day = first, used = 0; daysBetween(first, day) < 120; day = addDays(day, 1)) {
            const next = dueOf(any, now, day, { low: 3, high: 30 }, sun);
            if (!next || used >= luck.length) continue;
            const position = any.steps.indexOf(next.step);
            expect(next.from.getTime()).toBeLessThanOrEqual(next.to.getTime());
            const again = position === at && next.step.again !== null && now.passes < next.step.again.times;
            expect(position === at + 1 || again).toBe(true);
            const since = again ? now.lastPass! : now.on[any.steps[at]!.action]!;
            const after = again ? next.step.again!.every : next.step.after;
            if (next.step.action !== "harvest") expect(daysBetween(since, day)).toBeGreaterThanOrEqual(after.low);
            const moment = next.from.getTime() + luck[used++]! * (next.to.getTime() - next.from.getTime());
            // The engine keeps the moment of pollination only; elsewhere it goes by the earliest the step could be done.
            if (any.steps[at]!.action === "pollinate") expect(moment).toBeGreaterThanOrEqual(doneAt);
            doneAt = moment;
            at = position;
            const { action } = next.step;
            const pollinated = action === "pollinate";
            now = flower(
              STATE[action],
              { ...now.on, [action]: pollinated ? (now.on.pollinate ?? day) : day },
              {
                pollinatedAt: pollinated ? new Date(moment) : now.pollinatedAt,
                passes: now.passes + (pollinated ? 1 : 0),
                lastPass: pollinated ? day : now.lastPass,
              },
            );
          }
        },
      ),
      { numRuns: 400 },
    );
  });

  test("the sun's marks come in order everywhere, in polar day and night too", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.integer({ min: 0, max: 3650 }),
        (latitude, longitude, start) => {
          const { sunrise, noon, sunset, dusk } = marksOf(latitude, longitude)(addDays("2020-01-01", start));
          expect(sunrise < noon && noon < sunset && sunset <= dusk).toBe(true);
        },
      ),
      { numRuns: 500 },
    );
    const [day, night] = [marksOf(78, 16)("2027-06-21"), marksOf(78, 16)("2027-12-21")];
    expect([day.counted, night.counted]).toEqual([true, true]);
    expect((day.dusk.getTime() - day.sunrise.getTime()) / 3_600_000).toBeCloseTo(18, 6);
    expect((night.dusk.getTime() - night.sunrise.getTime()) / 3_600_000).toBeCloseTo(6, 6);
  });

  test("a clock reads true on the days when clocks change", () => {
    const hours = (day: string) =>
      (momentOf(day, "05:00", "Europe/Zurich").getTime() - momentOf(day, "01:00", "Europe/Zurich").getTime()) /
      3_600_000;
    expect([hours("2027-03-27"), hours("2027-03-28"), hours("2027-10-31")]).toEqual([4, 3, 5]);
    expect(momentOf("2027-07-09", "05:40", "Europe/Zurich").toISOString()).toBe("2027-07-09T03:40:00.000Z");
  });
});

describe("meeting", () => {
  const span = (start: string, end: string) => ({ start, end });
  test("says how many days, or who is first and by how much", () => {
    expect(meeting(span("2027-07-01", "2027-07-10"), span("2027-07-08", "2027-07-20"))).toEqual({
      days: 3,
      gapDays: 0,
      first: null,
    });
    expect(meeting(span("2027-07-01", "2027-07-10"), span("2027-07-14", "2027-07-20"))).toEqual({
      days: 0,
      gapDays: 4,
      first: "mother",
    });
    expect(meeting(span("2027-07-14", "2027-07-20"), span("2027-07-01", "2027-07-10"))).toMatchObject({
      first: "father",
      gapDays: 4,
    });
  });

  test("the last evening leaves a dawn of both, and seed time before frost", () => {
    const mother = span("2027-07-01", "2027-08-20");
    const father = span("2027-07-05", "2027-07-18");
    expect(lastDayToCover(mother, father, "2027-09-28", RIPE, "2027-07-09", 1)).toEqual({
      day: "2027-07-17",
      daysLeft: 8,
      reason: "flowering",
    });
    expect(lastDayToCover(mother, father, "2027-09-28", RIPE, "2027-07-09", 2)!.day).toBe("2027-07-16");
    expect(lastDayToCover(mother, mother, "2027-08-20", RIPE, "2027-07-09", 1)).toEqual({
      day: "2027-07-10",
      daysLeft: 1,
      reason: "frost",
    });
    expect(lastDayToCover(mother, span("2027-09-01", "2027-09-09"), null, RIPE, "2027-07-09", 1)).toBeNull();
  });
});
