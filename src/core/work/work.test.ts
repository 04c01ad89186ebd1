import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Climate } from "../climate/climate";
import { flowersAtAll } from "../flowering/facts";
import { climate, living, south, tropics } from "../tests/place";
import type { StageOfLife } from "../traits/trait";
import { actsOf } from "./acts";
import { outOfOrder, stageOf } from "./life";
import { type LivingStand, work } from "./living";
import { nextScoring, scoreWork, stageSpan } from "./score";
import { ACTS, type Act, standingOn, type Work } from "./work";

const TRAY: LivingStand["raising"] = {
  how: "tray",
  up: { low: 5, high: 10 },
  prickOut: { low: 15, high: 25 },
  plantOut: { low: 45, high: 65 },
  emergence: { low: 0.7, high: 0.9 },
};
const told = (works: Work[]) => works.map(({ act, from, best, last }) => [act, from, best, last]);
const one = (stand: LivingStand, act: Act) => actsOf(stand).find((work) => work.act === act);

describe("the acts of a stand", () => {
  test("raised in a tray, tender: not out before the last frost, hardened before, sown in time to ripen", () => {
    const stand = living({ planned: true, sown: "2027-03-20", wanted: 20, tender: true, fleshy: true, raising: TRAY });
    expect(told(actsOf(stand))).toEqual([
      // First flower 50 to 60 days from sowing, seed 45 days after: 28 June; the frost of 6 October is 100 days later.
      ["sow", "2027-03-10", "2027-03-20", "2027-06-28"],
      ["look-up", "2027-03-25", "2027-03-30", "2027-04-19"],
      ["prick-out", "2027-04-04", "2027-04-07", "2027-04-28"],
      ["harden", "2027-05-06", "2027-05-16", "2027-06-15"],
      // The last frost is about 14 May, ten days either side; pot-bound 25 days after the 65 of the tray.
      ["plant-out", "2027-05-14", "2027-05-24", "2027-06-18"],
      ["rogue", "2027-04-18", "2027-05-02", "2027-05-14"],
      ["first-flower", "2027-05-09", "2027-05-09", "2027-06-27"],
      ["gather", "2027-06-18", "2027-06-28", "2027-07-29"],
      ["keep", "2027-07-01", "2027-07-12", "2027-08-27"],
    ]);
    // 0.8 comes up, 0.85 of it stays: 34 for 20 nine times in ten; a fifth of a minute each, and ten.
    expect(one(stand, "sow")).toMatchObject({ what: "Sow 34 seeds for 20 plants", count: 34, minutes: 17 });
    expect(one({ ...stand, sowedSeeds: 50 }, "sow")).toMatchObject({ what: "Sow 50 seeds", count: 50 });
    expect(one({ ...stand, wanted: null }, "sow")).toMatchObject({ what: "Sow", count: null, minutes: 10 });
    // Two to a cell and thinned: 0.96 · 0.85 of the cells; 28 give 20 with 0.942, 27 with 0.892.
    const twos = { ...stand, perCell: 2, raising: { ...TRAY, prickOut: null } };
    expect(one(twos, "sow")).toMatchObject({ what: "Sow 56 seeds for 20 plants", count: 56 });
    expect(told(actsOf(twos)).slice(2, 3)).toEqual([["thin", "2027-03-30", "2027-04-06", "2027-04-20"]]);
    expect(actsOf({ ...twos, planned: false, upOn: "2027-03-29" }).map(({ act }) => act)).toEqual(
      expect.arrayContaining(["thin", "harden", "plant-out"]),
    );
    const singled = new Map<Act, Day>([["thin", "2027-04-06"]]);
    expect(
      actsOf({ ...twos, planned: false, upOn: "2027-03-29", done: singled })
        .map(({ act }) => act)
        .slice(0, 2),
    ).toEqual(["harden", "plant-out"]);
    // A frost the autumn after does not hold a summer sowing back.
    const summer = living({ sown: "2027-06-20", tender: true, raising: TRAY });
    expect(one(summer, "plant-out")).toMatchObject({ from: "2027-08-04", best: "2027-08-04" });
  });

  test("a crop of the second year is lifted before the frost, looked through each month, and replanted in spring", () => {
    const stand = living({ secondYear: true, overwinter: "lifted", plants: 30 });
    expect(told(actsOf(stand)).slice(0, 4)).toEqual([
      // Sixty days after sowing, and best 45 before the frost of 6 October.
      ["bolters", "2027-06-30", "2027-08-22", "2027-10-06"],
      ["lift", "2027-09-06", "2027-09-29", "2027-10-20"],
      ["look-store", "2027-10-27", "2027-11-03", "2027-11-17"],
      ["replant", "2028-03-30", "2028-04-14", "2028-06-03"],
    ]);
    const stored = { ...stand, liftedOn: "2027-10-03", done: new Map<Act, Day>([["look-store", "2028-01-08"]]) };
    expect(told(actsOf(stored)).slice(0, 2)).toEqual([
      ["look-store", "2028-01-29", "2028-02-05", "2028-02-19"],
      ["replant", "2028-03-30", "2028-04-14", "2028-06-03"],
    ]);
    // The next look would come after replanting.
    const last = { ...stored, done: new Map<Act, Day>([["look-store", "2028-03-18"]]) };
    expect(actsOf(last).map(({ act }) => act)).not.toContain("look-store");
    expect(actsOf({ ...stored, replantedOn: "2028-04-10" }).map(({ act }) => act)).toEqual([
      "rogue",
      "first-flower",
      "gather",
      "keep",
    ]);
    expect(told(actsOf({ ...stand, overwinter: "left" }))[1]).toEqual([
      "mulch",
      "2027-09-29",
      "2027-10-13",
      "2027-11-10",
    ]);
    expect(
      actsOf({ ...stand, overwinter: "late-sown" })
        .map(({ act }) => act)
        .slice(0, 2),
    ).toEqual(["bolters", "count-living"]);
    // How it comes through is asked until somebody said it, and how many did until they are counted: by the frosts of 6 October and 14 May.
    const unsaid = { ...stand, overwinter: null };
    expect(told(actsOf(unsaid)).slice(1, 3)).toEqual([
      ["winter-way", "2027-08-07", "2027-09-01", "2027-10-20"],
      ["count-living", "2028-04-30", "2028-05-14", "2028-06-25"],
    ]);
    const counted = {
      ...unsaid,
      overwinter: "left" as const,
      done: new Map<Act, Day>([["count-living", "2028-05-20"]]),
    };
    expect(actsOf(counted).map(({ act }) => act)).not.toContain("count-living");
    expect(actsOf(counted).map(({ act }) => act)).not.toContain("winter-way");
    // A winter with no frost: seven months before it flowers.
    const mild = living({ secondYear: true, overwinter: "lifted" }, climate({ daily: [], frosts: null }));
    expect(daysBetween(actsOf(mild).find(({ act }) => act === "lift")!.best, mild.window.start)).toBe(217);
  });

  test("plants that live on are taken in before the frost, looked after, and put out when it is past; or mulched", () => {
    const kept = living({ plants: 4, wintering: "house", window: living({ sown: "2028-05-14" }).window });
    expect(told(actsOf(kept)).slice(0, 3)).toEqual([
      ["lift", "2027-09-06", "2027-09-26", "2027-10-06"],
      ["look-store", "2027-10-16", "2027-10-20", "2027-11-03"],
      ["replant", "2028-05-04", "2028-05-14", "2028-06-13"],
    ]);
    const inside = { ...kept, liftedOn: "2027-09-20", done: new Map<Act, Day>([["look-store", "2028-04-22"]]) };
    expect(told(actsOf(inside)).slice(0, 2)).toEqual([
      ["look-store", "2028-05-02", "2028-05-06", "2028-05-20"],
      ["replant", "2028-05-04", "2028-05-14", "2028-06-13"],
    ]);
    const late = { ...inside, done: new Map<Act, Day>([["look-store", "2028-04-23"]]) };
    expect(actsOf(late)[0]!.act).toBe("replant");
    expect(actsOf({ ...inside, replantedOn: "2028-05-15" })[0]!.act).toBe("rogue");
    expect(told(actsOf({ ...kept, wintering: "outside" }))[0]).toEqual([
      "mulch",
      "2027-09-29",
      "2027-10-13",
      "2027-11-10",
    ]);
    // Nobody knows how many: nothing is asked of how they came up.
    expect(actsOf({ ...kept, plants: null })[0]!.act).toBe("lift");
  });

  test("flowers are covered by the early end of the forecast, and a rival's taken off every n days while it flowers", () => {
    const covered = living({ plants: 3, flowers: "covered" });
    // It may flower from 20 June; 25 June is likely.
    expect(told(actsOf(covered))).toContainEqual(["cover", "2027-06-10", "2027-06-16", "2027-06-25"]);
    const rival = living({ plants: 3, seedWanted: false, flowers: "removed", removeEvery: 3 });
    expect(told(actsOf(rival))).toEqual([
      ["first-flower", "2027-06-20", "2027-06-20", "2027-08-08"],
      ["flowers-off", "2027-06-20", "2027-06-20", "2027-06-22"],
    ]);
    // Taken as no seed of, and never walked for its flowers.
    expect(told(actsOf({ ...rival, removeEvery: null })).map(([act]) => act)).toEqual(["first-flower"]);
    const again = { ...rival, done: new Map<Act, Day>([["flowers-off", "2027-07-01"]]) };
    expect(told(actsOf(again))[1]).toEqual(["flowers-off", "2027-07-02", "2027-07-04", "2027-07-06"]);
    const over = { ...rival, done: new Map<Act, Day>([["flowers-off", "2027-08-06"]]) };
    expect(actsOf(over).map(({ act }) => act)).toEqual(["first-flower"]);
  });

  test("what hangs is brought in before a frost only where frost spoils it and it may come first", () => {
    const late = living({ sown: "2027-07-15", plants: 3, fleshy: true });
    expect(told(actsOf(late))).toContainEqual(["bring-in", "2027-09-16", "2027-09-26", "2027-10-06"]);
    expect(one(late, "gather")!.last).toBe("2027-10-27");
    // Half of a spread of 7 days is 4.
    const sure = { ...late, frosts: { ...late.frosts!, first: { day: "10-06", spread: 7 } } };
    expect(told([one(sure, "bring-in")!])).toEqual([["bring-in", "2027-09-22", "2027-09-27", "2027-10-06"]]);
    expect(one({ ...late, fleshy: false }, "bring-in")).toBeUndefined();
    expect(one(living({ plants: 3, fleshy: true }), "bring-in")).toBeUndefined();
  });

  test("what will not flower is raised for its leaves, and nothing is asked of its flowers and seed", () => {
    const never = { ...living().window, fate: "needs-winter" as const };
    expect(actsOf(living({ planned: true, wanted: 20, window: never })).map(({ act }) => act)).toEqual([
      "sow",
      "look-up",
      "thin",
    ]);
    expect(actsOf(living({ plants: 20, window: never }))).toEqual([]);
  });

  test("nothing is asked of what is seen, known, not wanted or a mix", () => {
    const stand = living({ plants: 3 });
    const acts = (more: Partial<LivingStand>) => actsOf({ ...stand, ...more }).map(({ act }) => act);
    expect(acts({})).toEqual(["rogue", "first-flower", "gather", "keep"]);
    expect(acts({ mix: true })).toEqual(["first-flower", "gather", "keep"]);
    expect(acts({ handled: true })).toEqual(["rogue", "gather", "keep"]);
    expect(acts({ firstFlower: "2027-06-22" })).toEqual(["rogue", "gather", "keep"]);
    // Thinned, and not counted.
    const thinned = new Map<Act, Day>([["thin", "2027-05-26"]]);
    expect(acts({ plants: null, upOn: "2027-05-12", done: thinned })).toEqual([
      "rogue",
      "first-flower",
      "gather",
      "keep",
    ]);
    expect(acts({ gathered: true })).toEqual(["rogue", "first-flower"]);
    expect(acts({ done: new Map([["gather", "2027-08-12"]]) })).toEqual(["rogue", "first-flower", "keep"]);
    expect(acts({ putOff: new Map([["gather", null]]) })).toEqual(["rogue", "first-flower"]);
    expect(acts({ seedWanted: false })).toEqual(["first-flower"]);
    expect(acts({ putOff: new Map([["rogue", null]]) })).toEqual(["first-flower", "gather", "keep"]);
    expect(acts({ done: new Map([["rogue", "2027-06-12"]]) })).toEqual(["first-flower", "gather", "keep"]);
  });

  test("what can't stand is staked once it is in its place, and not once it flowers", () => {
    const stand = living({ staked: true, plants: 3, plantedOut: "2027-05-20" });
    expect(told(actsOf(stand))[0]).toEqual(["stake", "2027-05-20", "2027-05-30", "2027-06-29"]);
    // Thinned where it was sown, from when the last is up; half a day counts as one.
    const ground = { ...living().raising, up: { low: 7, high: 13.5 } };
    expect(told([one(living({ raising: ground }), "thin")!])).toEqual([
      ["thin", "2027-05-15", "2027-05-25", "2027-06-19"],
    ]);
    // Sown in place: when it is thinned, ten days after the last came up.
    const thin = living({ staked: true, upOn: "2027-05-10" });
    expect(one(thin, "stake")).toMatchObject({ from: "2027-05-25", waitsFor: ["thin 1"] });
    const thinned = new Map<Act, Day>([["thin", "2027-05-26"]]);
    expect(one({ ...thin, done: thinned }, "stake")).toMatchObject({ from: "2027-05-25", waitsFor: [] });
    expect(one({ ...thin, plants: 5 }, "stake")!.from).toBe("2027-05-15");
    expect(one({ ...stand, firstFlower: "2027-06-25" }, "stake")).toBeUndefined();
    expect(one({ ...stand, done: new Map([["stake", "2027-06-01"]]) }, "stake")).toBeUndefined();
    const tray = living({ staked: true, raising: TRAY, tender: true, sown: "2027-03-20" });
    expect(one(tray, "stake")).toMatchObject({ from: "2027-05-24", waitsFor: ["plant-out 1"] });
    // Counted in its pots, it is staked when it is out.
    expect(one({ ...tray, plants: 8 }, "stake")).toMatchObject({ from: "2027-05-24", waitsFor: [] });
  });

  test("males and females of separate-sex plants are counted from the first that may open to a week after the first", () => {
    const stand = living({ plants: 30, separatePlants: true });
    expect(told(actsOf(stand))).toContainEqual(["sexes", "2027-06-20", "2027-06-25", "2027-07-02"]);
    expect(one({ ...stand, seedWanted: false }, "sexes")).toBeUndefined();
    expect(one({ ...stand, done: new Map([["sexes", "2027-06-24"]]) }, "sexes")).toBeUndefined();
    expect(one(living({ plants: 30 }), "sexes")).toBeUndefined();
  });

  test("the next generation of what is fixed is planned while it flowers, unless it is", () => {
    const stand = living({ plants: 12, fixing: true });
    expect(told([one(stand, "self")!])).toEqual([["self", "2027-06-20", "2027-06-25", "2027-07-29"]]);
    expect(one({ ...stand, fixing: false }, "self")).toBeUndefined();
    expect(one({ ...stand, seedWanted: false }, "self")).toBeUndefined();
    expect(one({ ...stand, done: new Map([["self", "2027-06-25"]]) }, "self")).toBeUndefined();
  });

  test("a cage is seen to every other day while it flowers, and every cover comes off after", () => {
    const caged = living({ plants: 3, flowers: "covered", cover: "cage" });
    expect(told(actsOf(caged)).filter(([act]) => act === "cage" || act === "uncover")).toEqual([
      ["cage", "2027-06-25", "2027-06-25", "2027-06-27"],
      // 35 days in flower from 25 June.
      ["uncover", "2027-07-29", "2027-08-01", "2027-08-19"],
    ]);
    const seen = (day: Day) => one({ ...caged, done: new Map([["cage", day]]) }, "cage");
    expect(seen("2027-07-01")!.from).toBe("2027-07-03");
    expect([seen("2027-07-27")?.from, seen("2027-07-28")]).toEqual(["2027-07-29", undefined]);
    expect(one({ ...caged, cover: "alternate-cages" }, "cage")!.what).toBe("Open its cage for the day");
    expect(one({ ...caged, selfs: true }, "cage")).toBeUndefined();
    expect(one({ ...caged, cover: "bags" }, "cage")).toBeUndefined();
    expect(one({ ...caged, cover: "bags" }, "uncover")!.what).toBe("Take the bags off, marks stay");
    expect(one({ ...caged, done: new Map([["uncover", "2027-08-01"]]) }, "uncover")).toBeUndefined();
  });

  test("ripe seed is gathered in passes a week apart, or cut to ripen on and threshed after", () => {
    const stand = living({ plants: 3 });
    const once = (act: Act, day: Day) => one({ ...stand, done: new Map([[act, day]]) }, "gather")!;
    expect(told([once("pick", "2027-08-14")])).toEqual([["gather", "2027-08-15", "2027-08-21", "2027-09-09"]]);
    expect(once("pick", "2027-08-14").what).toBe("Pick what has ripened since");
    expect(told([once("cut", "2027-08-05")])).toEqual([["gather", "2027-08-08", "2027-08-15", "2027-10-04"]]);
    expect(once("cut", "2027-08-05")).toMatchObject({ what: "Thresh what was cut", waitsFor: [] });
    expect(one(stand, "gather")!.how).toContain("Where rain is coming");
    expect(one({ ...stand, fleshy: true }, "gather")!.how).toBe("Pods are papery.");
  });

  test("fruit of what is bred is tasted before its seed is kept", () => {
    const stand = living({ plants: 3, fleshy: true, tasted: true });
    expect(told([one(stand, "taste")!])).toEqual([["taste", "2027-07-30", "2027-08-09", "2027-08-19"]]);
    expect(one({ ...stand, done: new Map([["taste", "2027-08-09"]]) }, "taste")).toBeUndefined();
    expect(one({ ...stand, tasted: false }, "taste")).toBeUndefined();
    expect(one({ ...stand, gathered: true }, "taste")).toBeUndefined();
  });

  test("what is put off comes on its day, and what it was waited for is not waited for once it never comes", () => {
    const stand = living({ planned: true, wanted: 5 });
    const later = one({ ...stand, putOff: new Map([["sow", "2027-05-09"]]) }, "sow")!;
    expect([later.from, later.best]).toEqual(["2027-05-09", "2027-05-09"]);
    expect(one(stand, "gather")!.waitsFor).toEqual(["sow 1"]);
    expect(one(stand, "thin")!.waitsFor).toEqual(["look-up 1"]);
    const never = { ...stand, putOff: new Map<Act, Day | null>([["look-up", null]]) };
    expect(one(never, "thin")!.waitsFor).toEqual([]);
  });
});

describe("weather that the station expects", () => {
  const dry = living({ plants: 20 });
  const fleshy = living({ plants: 20, fleshy: true });
  test("rain ahead moves the cut of what may be ripe before it", () => {
    expect(one(dry, "cut")).toBeUndefined();
    const { ripeEarliest } = dry.window;
    const rain = (day: Day) => one({ ...dry, rainDay: day }, "cut");
    expect(rain(addDays(ripeEarliest, -1))).toBeUndefined();
    const day = addDays(ripeEarliest, 6);
    expect(rain(day)).toMatchObject({ from: addDays(day, -3), best: addDays(day, -1), last: day });
    expect(one({ ...fleshy, rainDay: day }, "cut")).toBeUndefined();
    expect(one({ ...dry, rainDay: day, done: new Map<Act, Day>([["cut", day]]) }, "cut")).toBeUndefined();
    // Three weeks past the last ripe day the seed has fallen, whatever the weather.
    const fallen = addDays(dry.window.ripeLatest, 21);
    expect(rain(fallen)).toMatchObject({ last: fallen });
    expect(rain(addDays(fallen, 1))).toBeUndefined();
  });

  test("a night of frost brings fruit in before it, instead of the usual frost's day", () => {
    const night = addDays(fleshy.window.start, 20);
    const bring = actsOf({ ...fleshy, frostNight: night }).filter(({ act }) => act === "bring-in");
    expect(told(bring)).toEqual([["bring-in", addDays(night, -3), addDays(night, -1), night]]);
    expect(bring[0]!.what).toContain("frost of this week");
    expect(one({ ...dry, frostNight: night }, "bring-in")).toBeUndefined();
    expect(one({ ...fleshy, frostNight: fleshy.window.start }, "bring-in")?.what ?? "none").not.toContain("this week");
  });

  test("no winter's frost asks for fruit that is gone", () => {
    const gone = one(fleshy, "gather")!.last!;
    const frostOn = (night: Day) => one({ ...fleshy, frostNight: night }, "bring-in");
    expect(frostOn(gone)).toMatchObject({ what: "Bring in before the frost of this week", last: gone });
    expect(frostOn(addDays(gone, 1))).toEqual(one(fleshy, "bring-in"));
  });
});

test("males are taken out once they have shed, but where none were left", () => {
  const stand = living({ plants: 20, separatePlants: true, males: 6 });
  expect(told([one(stand, "males-out")!])).toEqual([
    ["males-out", addDays(stand.window.end, 1), addDays(stand.window.end, 7), null],
  ]);
  expect(one(stand, "males-out")!.count).toBe(6);
  expect(one({ ...stand, males: 0 }, "males-out")).toBeUndefined();
  expect(one(living({ plants: 20 }), "males-out")).toBeUndefined();
});

test("an act takes so many minutes, and so many more for each of a hundred plants", () => {
  const minutes = (act: Act) => work(living({ plants: 100 }), act, { what: "", from: "2027-05-01" }).minutes;
  expect(Object.fromEntries(ACTS.map((act) => [act, minutes(act)]))).toEqual({
    sow: 30,
    choose: 15,
    "look-around": 30,
    "look-up": 3,
    thin: 40,
    stake: 85,
    "prick-out": 60,
    harden: 5,
    "plant-out": 115,
    "winter-way": 3,
    mulch: 40,
    lift: 85,
    "look-store": 10,
    replant: 115,
    "count-living": 15,
    rogue: 30,
    score: 35,
    cover: 65,
    "first-flower": 2,
    sexes: 40,
    "males-out": 40,
    bolters: 15,
    self: 15,
    "flowers-off": 30,
    cage: 20,
    uncover: 30,
    taste: 110,
    cut: 65,
    pick: 55,
    "bring-in": 65,
    gather: 70,
    keep: 15,
  });
});

describe("what a family is to be scored on", () => {
  const named = (...stages: StageOfLife[]) => stages.map((stage, i) => ({ stage, name: stage, plants: i + 1 }));
  const stand = living({ plants: 20, sown: "2027-04-20", upOn: "2027-05-02" });
  test.each([
    ["seedling", "2027-05-02", "2027-05-09", "2027-05-30"],
    ["leaf", "2027-05-16", "2027-06-13", "2027-06-14"],
    ["flower", "2027-06-14", "2027-06-19", "2027-07-18"],
  ] as const)("%s: from %s, best %s, until %s", (stage, from, best, last) => {
    expect(stageSpan(stand, stage)).toEqual({ from, best, last });
  });
  test("fruit is looked at around the ripe day, kept fruit long after it, and nothing on any day", () => {
    const { ripe } = stand.window;
    expect(stageSpan(stand, "fruit")).toEqual({ from: addDays(ripe, -21), best: ripe, last: addDays(ripe, 21) });
    expect(stageSpan(stand, "harvest")).toEqual({ from: ripe, best: addDays(ripe, 7), last: addDays(ripe, 42) });
    expect(stageSpan(stand, "store")).toEqual({ from: addDays(ripe, 45), best: addDays(ripe, 90), last: null });
    expect(stageSpan(stand, "any")).toBeNull();
  });
  test("the first stage that is not over comes next, all its yardsticks together", () => {
    const open = [...named("leaf", "store", "seedling"), { stage: "seedling" as const, name: "Vigour", plants: 9 }];
    const at = (day: Day) => nextScoring(stand, open, day);
    expect(at("2027-05-30")).toEqual({ stage: "seedling", names: ["seedling", "Vigour"], plants: 9 });
    expect(at("2027-05-31")).toEqual({ stage: "leaf", names: ["leaf"], plants: 1 });
    expect(at("2027-06-26")).toEqual({ stage: "store", names: ["store"], plants: 2 });
    expect(nextScoring(stand, named("any"), "2027-05-30")).toBeNull();
  });
  test("is one piece of work, named, done for its stage once it was pressed, and not before it is sown", () => {
    const scoring = { stage: "flower" as const, names: ["a", "b", "c", "d", "e"], plants: 1 };
    const [work] = scoreWork({ ...stand, scoring });
    expect(work).toMatchObject({
      what: "Score a, b, c and 2 more",
      how: "One plant has no score on them yet.",
      count: 1,
    });
    const done = (on: Day) => scoreWork({ ...stand, scoring, done: new Map([["score", on] as const]) }).length;
    expect([done("2027-06-13"), done("2027-06-14")]).toEqual([1, 0]);
    expect(scoreWork({ ...stand, scoring, planned: true })).toEqual([]);
    expect(scoreWork({ ...stand, scoring: { ...scoring, names: ["a"], plants: 4 } })[0]!.how).toBe(
      "4 plants have no score on it yet.",
    );
  });
});

describe("how a piece of work stands on a day", () => {
  const sow = one(living({ planned: true }), "sow")!;
  const on = (day: Day, work: Work = sow, open: string[] = []) => standingOn(work, day, new Set(open));
  test("ahead until it can be done, early until its best day, due until its last chance, then missed", () => {
    expect([on("2027-04-20"), on("2027-04-21"), on("2027-04-30")]).toEqual(["ahead", "early", "early"]);
    expect([on("2027-05-01"), on(sow.last!), on(addDays(sow.last!, 1))]).toEqual(["due", "due", "missed"]);
    expect(on("2027-05-20", { ...sow, waitsFor: ["x"] }, ["x"])).toBe("ahead");
    expect(on("2027-05-20", { ...sow, waitsFor: ["x"] }, ["y"])).toBe("due");
    // Two days before its last chance nothing is early any more.
    const near = { ...sow, best: "2027-05-10", last: "2027-05-10" };
    expect([on("2027-05-07", near), on("2027-05-08", near)]).toEqual(["early", "due"]);
    expect(on("2099-01-01", { ...sow, last: null })).toBe("due");
  });
});

describe("a life", () => {
  const life = { planned: 0 as const, sown: "2027-04-20", upOn: "2027-05-02", firstFlower: "2027-06-20" };
  test("is at the last step taken by a day", () => {
    expect(["2027-04-19", "2027-04-20", "2027-05-02", "2027-08-01"].map((day) => stageOf(life, day))).toEqual([
      "planned",
      "sown",
      "upOn",
      "firstFlower",
    ]);
    expect(stageOf({ ...life, planned: 1 }, "2027-08-01")).toBe("planned");
    const ended = { ...life, endedOn: "2027-07-01", ending: "lost" as const };
    expect([stageOf(ended, "2027-06-30"), stageOf(ended, "2027-07-01")]).toEqual(["firstFlower", "lost"]);
  });

  test("names the two steps that stand the wrong way round; a plant may flower in its pot", () => {
    expect(outOfOrder(life)).toBeNull();
    expect(outOfOrder({ ...life, plantedOut: "2027-07-01" })).toBeNull();
    expect(outOfOrder({ ...life, plantedOut: "2027-05-01" })).toEqual({ later: "plantedOut", earlier: "upOn" });
    expect(outOfOrder({ ...life, setOn: "2027-06-19" })).toEqual({ later: "setOn", earlier: "firstFlower" });
    expect(outOfOrder({ ...life, endedOn: "2027-06-19" })).toEqual({ later: "endedOn", earlier: "firstFlower" });
    expect(outOfOrder({ liftedOn: "2027-10-03", replantedOn: "2027-10-02" })?.later).toBe("replantedOn");
  });
});

/** What a press changes of a stand. */
function pressed(stand: LivingStand, act: Act, on: Day): LivingStand {
  const next = { ...stand, done: new Map([...stand.done, [act, on] as const]) };
  if (act === "sow") return { ...next, planned: false, sown: on };
  if (act === "look-up") return { ...next, upOn: on };
  if (act === "prick-out") return { ...next, pottedOn: on };
  if (act === "thin" && stand.raising.plantOut) return next;
  if (act === "thin" || act === "plant-out") return { ...next, plants: 10, plantedOut: on };
  // What has its scores has nothing to be scored on.
  if (act === "score") return { ...next, scoring: null };
  if (act === "choose") return { ...next, choosing: { wanted: 6, kept: 6, rows: 1, own: 6 } };
  if (act === "winter-way") return { ...next, overwinter: "left" };
  if (act === "lift") return { ...next, liftedOn: on };
  if (act === "replant") return { ...next, replantedOn: on };
  if (act === "first-flower") return { ...next, firstFlower: on };
  return act === "keep" ? { ...next, gathered: true } : next;
}

const SKIES: Climate[] = [climate(), climate({ daily: [], frosts: null }), south(), tropics()];
const anyStand = fc
  .record({
    sky: fc.constantFrom(...SKIES),
    day: fc.integer({ min: 0, max: 364 }),
    secondYear: fc.boolean(),
    tender: fc.boolean(),
    fleshy: fc.boolean(),
    tray: fc.boolean(),
    perCell: fc.constantFrom(1, 1, 2),
    staked: fc.boolean(),
    tasted: fc.boolean(),
    fixing: fc.boolean(),
    choosing: fc.constantFrom(null, ...[0, 2].map((kept) => ({ wanted: 6, kept, rows: 2, own: kept })), {
      wanted: 1,
      kept: 0,
      rows: 1,
      own: 0,
    }),
    separatePlants: fc.boolean(),
    cover: fc.constantFrom(null, "bags" as const, "cage" as const, "alternate-cages" as const),
    overwinter: fc.constantFrom(null, "lifted" as const, "left" as const, "late-sown" as const),
    flowers: fc.constantFrom("open" as const, "covered" as const, "removed" as const, "hand" as const),
    wanted: fc.option(fc.integer({ min: 1, max: 60 })),
    scoring: fc.option(
      fc.record({
        stage: fc.constantFrom(
          "seedling" as const,
          "leaf" as const,
          "flower" as const,
          "fruit" as const,
          "harvest" as const,
        ),
        names: fc.constant<string[]>(["Height"]),
        plants: fc.integer({ min: 1, max: 40 }),
      }),
    ),
  })
  .map(({ sky, day, tray, secondYear, tender, flowers, ...more }) =>
    living(
      {
        ...more,
        planned: true,
        sown: addDays("2027-01-01", day),
        secondYear,
        tender: tender && !secondYear,
        flowers,
        removeEvery: flowers === "removed" ? 4 : null,
        raising: tray ? TRAY : living().raising,
      },
      sky,
    ),
  );

describe("choosing in a family that selfs", () => {
  const stand = (choosing: LivingStand["choosing"]) => living({ plants: 40, selfs: true, choosing });
  test("is asked from two weeks before the first is ripe until three after the last, as long as the plan wants more", () => {
    // Ripe from 30 July to 19 August, as gathering has it.
    expect(one(stand({ wanted: 6, kept: 0, rows: 1, own: 0 }), "choose")).toMatchObject({
      what: "Choose the 6 best plants",
      from: addDays(one(stand(null), "gather")!.from, -14),
      best: one(stand(null), "gather")!.from,
      last: one(stand(null), "gather")!.last,
    });
    expect(one(stand({ wanted: 6, kept: 5, rows: 1, own: 5 }), "choose")?.what).toBe("Choose 1 more plant to keep");
    expect(one(stand({ wanted: 1, kept: 0, rows: 1, own: 0 }), "choose")?.what).toBe("Choose the best plant");
    expect(one(stand({ wanted: 6, kept: 6, rows: 1, own: 6 }), "choose")).toBe(undefined);
    expect(one(stand(null), "choose")).toBe(undefined);
    expect(one({ ...stand({ wanted: 6, kept: 0, rows: 1, own: 0 }), planned: true }, "choose")).toBe(undefined);
  });

  test("is asked of all rows of a generation together; a row without one that goes on is not gathered", () => {
    const row = (kept: number, own: number) => stand({ wanted: 5, kept, rows: 6, own });
    expect(one(row(0, 0), "choose")?.what).toBe("Choose the 5 best plants of its 6 rows");
    expect(one(row(4, 0), "choose")?.what).toBe("Choose 1 more plant to keep of its 6 rows");
    expect(actsOf(row(4, 0)).map(({ act }) => act)).toEqual(expect.arrayContaining(["gather", "keep"]));
    expect(actsOf(row(5, 0)).map(({ act }) => act)).not.toEqual(expect.arrayContaining(["gather"]));
    expect(one(row(5, 2), "gather")?.what).toBe("Gather the seed of 2 kept plants, each apart");
  });

  test("and then the seed of each is gathered and kept apart", () => {
    const whats = (choosing: LivingStand["choosing"]) =>
      ["gather", "keep"].map((act) => one(stand(choosing), act as Act)!.what);
    expect(whats({ wanted: 6, kept: 6, rows: 1, own: 6 })).toEqual([
      "Gather the seed of 6 kept plants, each apart",
      "Make 6 lots, one of each kept plant",
    ]);
    expect(whats({ wanted: 6, kept: 1, rows: 1, own: 1 })).toEqual([
      "Gather the seed of the kept plant",
      "Make its lot",
    ]);
    expect(whats({ wanted: 6, kept: 0, rows: 1, own: 0 })).toEqual(["Gather ripe seed", "Make its lot"]);
  });
});

describe("whatever grows, in the north, the south and where there is no winter", () => {
  test("no work is possible after its best day, or best after its last chance, and none waits for what is not there", () => {
    fc.assert(
      fc.property(anyStand, (stand) => {
        const works = actsOf(stand);
        const keys = works.map(({ key }) => key);
        expect(new Set(keys).size).toBe(keys.length);
        for (const { from, best, last, waitsFor, minutes } of works) {
          expect(from <= best && (last === null || best <= last)).toBe(true);
          expect(waitsFor.every((key) => keys.includes(key))).toBe(true);
          expect(minutes).toBeGreaterThan(0);
        }
      }),
    );
  });

  test("who does what is due comes from sowing to seed, asked for nothing twice, and nothing is missed", () => {
    fc.assert(
      fc.property(anyStand, (planned) => {
        let stand = planned;
        const asked: Act[] = [];
        for (let n = 0; n < 900 && !stand.gathered; n++) {
          const day = addDays(planned.sown, n);
          let again = true;
          while (again) {
            const works = actsOf(stand);
            const open = new Set(works.map(({ key }) => key));
            for (const work of works) expect([work.act, standingOn(work, day, open)]).not.toEqual([work.act, "missed"]);
            const due = works.find((work) => standingOn(work, day, open) === "due");
            again = due !== undefined;
            if (!due) continue;
            asked.push(due.act);
            stand = pressed(stand, due.act, day);
          }
        }
        expect(stand.gathered).toBe(flowersAtAll(planned.window));
        const once = asked.filter((act) => !["look-store", "flowers-off", "cage"].includes(act));
        expect(new Set(once).size).toBe(once.length);
      }),
      { numRuns: 60 },
    );
  });
});
