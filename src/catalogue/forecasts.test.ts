import { describe, expect, test } from "vitest";
import { addDays } from "@/core/calendar/day";
import { compute } from "@/core/computations";
import { METHODS } from "./methods";

const months = (min: number[], max: number[]) => min.map((low, i) => ({ min: low, max: max[i]! }));
const VALLEY_MIN = [-4.5, -4, -1.5, 1.4, 5, 8.8, 10.8, 10.4, 6.6, 3, -0.6, -3.2];
const VALLEY_MAX = [2.5, 4.5, 9.5, 14, 18.5, 22, 24.2, 23.8, 19.2, 13.5, 7, 3.5];
const turned = (list: number[]) => [...list.slice(6), ...list.slice(0, 6)];

/** Places as growers know them. */
const PLACES = {
  valley: {
    latitude: 48.6,
    longitude: 9.3,
    normals: months(VALLEY_MIN, VALLEY_MAX),
    lastFrost: "05-20",
    firstFrost: "09-28",
  },
  south: {
    latitude: -44.9,
    longitude: 168.7,
    normals: months(turned(VALLEY_MIN), turned(VALLEY_MAX)),
    lastFrost: "11-12",
    firstFrost: "04-07",
  },
  coast: {
    latitude: 51,
    longitude: -4,
    normals: months([4, 4, 5, 6, 9, 12, 14, 14, 12, 10, 7, 5], [9, 9, 11, 13, 16, 18, 20, 20, 18, 15, 12, 10]),
  },
  olives: {
    latitude: 37,
    longitude: -4,
    normals: months(
      [6, 7, 8.5, 10, 13, 17, 19, 20, 17, 13.5, 9.5, 7],
      [16, 17, 19, 21, 25, 29, 32, 32, 28, 24, 19, 16.5],
    ),
  },
  plain: {
    latitude: 48,
    longitude: 10,
    normals: months(
      [-3, -2.5, 0.5, 4, 8, 11.5, 13.2, 12.8, 9.4, 5.5, 1, -2],
      [3, 5, 10, 14.5, 19.2, 22.5, 24.6, 24.2, 19.5, 13.8, 7.5, 3.8],
    ),
    lastFrost: "05-12",
    firstFrost: "10-08",
  },
  // The coldest month's mean is 12.3 °C.
  shore: {
    latitude: 35,
    longitude: 33,
    normals: months(
      [9, 9, 10, 12.5, 16, 20, 22.5, 23, 21, 18, 14, 10.5],
      [15.6, 16, 18, 21, 25, 28.5, 31, 31, 29, 26, 21.5, 17.5],
    ),
  },
  equator: { latitude: 2, longitude: 30, normals: months(Array(12).fill(21), Array(12).fill(31)) },
  fjord: {
    latitude: 69.6,
    longitude: 19,
    normals: months(
      [-6.5, -6.5, -5, -2, 2, 6, 9, 8, 4.5, 1, -2.5, -5],
      [-2, -2, 0, 3, 8, 12.5, 15.5, 14, 9.5, 5, 1, -1],
    ),
  },
};

type Told = {
  fate: string;
  flower: { early: string; likely: string; late: string } | null;
  ripe: { early: string; likely: string; late: string } | null;
  ripensInTime: number;
  notes: string[];
};
const METHOD = METHODS.find(({ name }) => name === "flowering-forecast")!;
function forecast(species: string, place: keyof typeof PLACES, sown: string, more: object = {}): Told {
  const told = compute(METHOD, { species, sown, ...PLACES[place], ...more });
  if (!told.ok) throw new Error(told.message);
  return told.result as Told;
}

/** First flower and first ripe seed within the weeks in which growers of such places would expect them. */
test.each([
  ["tomato", "valley", "2027-03-20", ["2027-05-10", "2027-06-25"], ["2027-07-10", "2027-08-25"]],
  ["tomato", "valley", "2027-05-25", ["2027-07-15", "2027-08-20"], null],
  ["tomato", "south", "2026-09-10", ["2026-11-01", "2026-12-20"], ["2026-12-25", "2027-02-20"]],
  ["tomato", "equator", "2027-03-01", ["2027-04-08", "2027-05-05"], ["2027-05-20", "2027-07-05"]],
  ["tomato", "olives", "2027-02-01", ["2027-04-01", "2027-05-20"], ["2027-05-25", "2027-07-20"]],
  ["pepper", "valley", "2027-03-01", ["2027-05-15", "2027-07-01"], ["2027-07-25", "2027-09-25"]],
  ["sunflower", "valley", "2027-04-20", ["2027-07-15", "2027-08-15"], ["2027-08-25", "2027-10-05"]],
  ["pepo-squash", "valley", "2027-05-10", ["2027-06-25", "2027-07-20"], ["2027-08-25", "2027-10-05"]],
  ["melon", "valley", "2027-05-04", ["2027-06-25", "2027-07-25"], ["2027-08-15", "2027-09-30"]],
  ["cucumber", "valley", "2027-05-20", ["2027-07-01", "2027-07-28"], ["2027-08-15", "2027-09-25"]],
  ["common-bean", "valley", "2027-05-25", ["2027-07-08", "2027-07-28"], ["2027-08-20", "2027-09-20"]],
  ["runner-bean", "valley", "2027-05-25", ["2027-07-10", "2027-08-01"], ["2027-08-30", "2027-10-01"]],
  ["maize", "valley", "2027-05-10", ["2027-07-15", "2027-08-10"], ["2027-09-10", "2027-10-15"]],
  ["maize", "equator", "2027-03-10", ["2027-04-10", "2027-05-20"], ["2027-05-25", "2027-07-20"]],
  ["okra", "equator", "2027-03-01", ["2027-04-12", "2027-05-01"], ["2027-05-20", "2027-06-25"]],
  ["basil", "valley", "2027-04-20", ["2027-06-25", "2027-07-25"], ["2027-08-01", "2027-09-10"]],
  ["lettuce", "valley", "2027-04-10", ["2027-07-01", "2027-07-31"], ["2027-07-20", "2027-08-31"]],
  ["lettuce", "equator", "2027-04-10", ["2027-05-20", "2027-07-10"], null],
  ["spinach", "valley", "2027-03-20", ["2027-05-20", "2027-06-15"], ["2027-07-05", "2027-08-10"]],
  ["spinach", "valley", "2026-09-10", ["2027-04-05", "2027-05-20"], ["2027-06-01", "2027-07-10"]],
  ["pea", "valley", "2027-03-25", ["2027-05-28", "2027-06-20"], ["2027-07-10", "2027-08-10"]],
  ["broad-bean", "valley", "2027-03-10", ["2027-05-20", "2027-06-15"], ["2027-07-25", "2027-09-01"]],
  ["broad-bean", "coast", "2026-10-20", ["2027-02-10", "2027-04-20"], ["2027-05-15", "2027-07-20"]],
  ["onion", "valley", "2027-04-01", ["2028-06-15", "2028-07-20"], ["2028-08-10", "2028-09-15"]],
  ["onion", "coast", "2026-09-01", ["2027-05-15", "2027-07-10"], ["2027-07-15", "2027-09-01"]],
  ["leek", "valley", "2027-03-28", ["2028-06-20", "2028-07-25"], ["2028-08-20", "2028-10-01"]],
  ["carrot", "valley", "2027-05-01", ["2028-06-10", "2028-07-15"], ["2028-08-01", "2028-09-20"]],
  ["cabbage", "valley", "2027-04-15", ["2028-05-05", "2028-06-10"], ["2028-07-10", "2028-08-20"]],
  ["beet", "valley", "2027-05-01", ["2028-06-15", "2028-07-15"], ["2028-08-10", "2028-09-15"]],
  ["parsnip", "coast", "2027-03-15", ["2028-05-20", "2028-07-01"], ["2028-07-15", "2028-08-31"]],
  ["radish", "valley", "2027-04-10", ["2027-06-01", "2027-06-30"], ["2027-07-30", "2027-09-01"]],
  ["strawberry", "valley", "2027-03-01", ["2028-04-28", "2028-05-25"], ["2028-06-01", "2028-07-01"]],
  ["foxglove", "valley", "2027-06-01", ["2028-05-25", "2028-06-25"], ["2028-07-10", "2028-08-20"]],
  ["soya", "valley", "2027-05-15", ["2027-07-05", "2027-08-01"], ["2027-09-10", "2027-10-15"]],
  ["quinoa", "valley", "2027-04-20", ["2027-06-25", "2027-07-20"], ["2027-08-15", "2027-09-15"]],
  ["amaranth", "valley", "2027-05-15", ["2027-07-15", "2027-08-15"], ["2027-08-30", "2027-10-05"]],
  ["coriander", "valley", "2027-04-10", ["2027-06-05", "2027-07-01"], ["2027-07-10", "2027-08-15"]],
  ["dill", "valley", "2026-12-10", ["2027-05-25", "2027-07-05"], ["2027-07-01", "2027-08-20"]],
  ["pot-marigold", "valley", "2027-04-10", ["2027-06-10", "2027-07-01"], ["2027-07-10", "2027-08-05"]],
  ["cosmos", "valley", "2027-04-25", ["2027-06-25", "2027-07-25"], ["2027-07-25", "2027-08-31"]],
  ["nasturtium", "valley", "2027-05-10", ["2027-06-20", "2027-07-15"], ["2027-08-01", "2027-08-31"]],
  ["potato", "valley", "2027-03-20", ["2027-05-25", "2027-07-01"], ["2027-07-15", "2027-08-31"]],
  ["winter-wheat", "valley", "2026-10-01", ["2027-05-25", "2027-06-20"], ["2027-07-15", "2027-08-15"]],
  ["winter-wheat", "valley", "2027-04-01", ["2028-05-25", "2028-06-20"], null],
  ["spelt", "valley", "2026-10-05", ["2027-06-01", "2027-06-25"], ["2027-07-20", "2027-08-20"]],
  ["winter-barley", "valley", "2026-09-25", ["2027-05-05", "2027-06-01"], ["2027-06-25", "2027-07-25"]],
  ["purple-sprouting-broccoli", "valley", "2027-05-01", ["2028-03-25", "2028-05-10"], ["2028-06-15", "2028-07-31"]],
  ["napa-cabbage", "valley", "2027-04-01", ["2027-06-05", "2027-07-10"], ["2027-07-25", "2027-09-05"]],
  ["rapini", "valley", "2027-04-01", ["2027-05-25", "2027-06-25"], ["2027-07-15", "2027-08-20"]],
  ["winter-radish", "valley", "2027-07-25", ["2028-05-01", "2028-06-05"], ["2028-07-01", "2028-08-15"]],
  ["oat", "valley", "2027-03-25", ["2027-06-15", "2027-07-10"], ["2027-07-25", "2027-08-25"]],
  ["chives", "valley", "2027-04-10", ["2028-05-10", "2028-06-15"], ["2028-06-25", "2028-07-31"]],
  ["white-mustard", "valley", "2027-04-15", ["2027-06-01", "2027-06-30"], ["2027-07-20", "2027-08-20"]],
  ["african-marigold", "valley", "2027-04-10", ["2027-06-05", "2027-07-15"], ["2027-07-15", "2027-09-10"]],
  ["salsify", "valley", "2027-04-15", ["2028-05-20", "2028-06-25"], ["2028-06-15", "2028-07-31"]],
  ["buckwheat", "valley", "2027-05-25", ["2027-06-25", "2027-07-20"], ["2027-07-31", "2027-09-05"]],
  ["flax", "valley", "2027-04-15", ["2027-06-10", "2027-07-10"], ["2027-07-25", "2027-08-31"]],
  ["white-lupin", "valley", "2027-04-01", ["2027-06-05", "2027-07-10"], ["2027-08-15", "2027-09-20"]],
  ["rhubarb", "valley", "2027-04-01", ["2028-04-25", "2028-05-31"], ["2028-06-05", "2028-07-15"]],
  ["asparagus", "valley", "2027-03-15", ["2028-05-25", "2028-07-05"], ["2028-08-25", "2028-10-05"]],
] as const)(
  "%s at the %s, sown %s, flowers and ripens as growers there expect",
  (species, place, sown, flower, ripe) => {
    const told = forecast(species, place, sown);
    expect(told.fate).toBe("flowers");
    const within = (day: string, [from, to]: readonly [string, string]) =>
      expect(`${from} ${day} ${to}`).toBe([from, day, to].sort().join(" "));
    within(told.flower!.likely, flower);
    if (ripe) within(told.ripe!.likely, ripe);
    for (const { early, likely, late } of [told.flower!, told.ripe ?? told.flower!])
      expect([early, likely, late]).toEqual([early, likely, late].sort());
  },
);

test.each([
  ["onion", "2027-03-15", "2027-06-10"],
  ["shallot", "2027-03-15", "2027-06-10"],
  ["bunching-onion", "2027-03-15", "2027-06-20"],
  ["leek", "2027-03-15", "2027-06-20"],
  ["beet", "2027-03-10", "2027-06-20"],
  ["carrot", "2027-03-10", "2027-06-15"],
  ["parsley", "2027-03-10", "2027-06-20"],
  ["celery", "2027-03-10", "2027-06-20"],
  ["chicory", "2027-03-10", "2027-06-30"],
  ["turnip", "2027-01-20", "2027-05-10"],
] as const)("a mild winter is one to %s, at another length: sown in August by a warm sea", (species, from, to) => {
  const { fate, flower } = forecast(species, "shore", "2026-08-20");
  expect(fate).toBe("flowers");
  expect([from, flower!.likely, to]).toEqual([from, flower!.likely, to].sort());
});

test("fig-leaf squash ripens in many years where melons do, and ripens on indoors where it does not", () => {
  const { flower, ripensInTime, notes } = forecast("ficifolia-squash", "plain", "2027-04-25");
  expect(flower!.likely < "2027-08-01").toBe(true);
  expect(ripensInTime).toBeGreaterThan(0.3);
  expect(notes.join(" ")).toContain("ripens on indoors in 30 to 120 days");
});

test.each(["cabbage", "swede"] as const)("to %s it is none", (species) => {
  expect(forecast(species, "shore", "2026-08-20").fate).toBe("needs-winter");
});

describe("the light by a window", () => {
  test("in December maize stands still there: it flowers in April, and a lamp would have spared the wait", () => {
    const { flower, notes } = forecast("maize", "valley", "2026-12-15");
    expect(flower!.likely > "2027-04-01").toBe(true);
    expect(notes.join(" ")).toContain("Short days by a window hold it back: under a lamp it flowers about");
  });

  test("from the equinox on, and where days are never short, it holds nothing back", () => {
    expect(forecast("tomato", "valley", "2027-03-21").notes.join(" ")).not.toContain("lamp");
    expect(forecast("tomato", "equator", "2027-01-05").notes.join(" ")).not.toContain("lamp");
  });
});

describe("what does not flower says why", () => {
  test.each([
    ["tomato", "valley", "2027-08-15", "killed-by-cold", "Cold kills it about"],
    ["tomato", "south", "2027-03-21", "killed-by-cold", "unless it is brought in"],
    ["common-bean", "valley", "2027-08-10", "killed-by-cold", "before it flowers."],
    ["sunflower", "valley", "2027-08-10", "killed-by-cold", "Cold kills it"],
    ["onion", "equator", "2027-03-01", "needs-winter", "7 to 13 weeks below 12 °C"],
    ["carrot", "equator", "2027-05-01", "needs-winter", "without a winter"],
    ["radish", "equator", "2027-05-01", "needs-other-days", "never get long enough"],
    ["okra", "fjord", "2027-05-20", "too-little-warmth", "under glass"],
  ] as const)("%s at the %s, sown %s: %s", (species, place, sown, fate, words) => {
    const told = forecast(species, place, sown);
    expect(told).toMatchObject({ fate, flower: null, ripe: null, ripensInTime: 0 });
    expect(told.notes.join(" ")).toContain(words);
  });

  test("a tender plant set out in winter is dead that day, and one with a day more of cover is not another plant", () => {
    expect(forecast("tomato", "valley", "2027-02-01", { plantedOut: "2027-03-10" }).fate).toBe("killed-by-cold");
    const [one, two] = ["2027-01-13", "2027-01-15"].map((sown) => forecast("pepper", "valley", sown).flower!.likely);
    expect(two! <= addDays(one!, 4) && two! >= one!).toBe(true);
  });

  test("later sowing ripens no better: two days do not turn a doubtful sunflower into a safe one", () => {
    const days = ["2027-04-20", "2027-05-20", "2027-06-10", "2027-06-28", "2027-06-30", "2027-07-10"];
    const chances = days.map((sown) => forecast("sunflower", "valley", sown).ripensInTime);
    expect(chances).toEqual([...chances].sort((a, b) => b - a));
    expect(chances[0]).toBeGreaterThan(0.8);
    expect(chances.at(-1)).toBeLessThan(0.05);
  });

  test("hardy crops stand their frosts: spinach sown in autumn lives, and a sunflower outlives the first frost by weeks", () => {
    expect(forecast("spinach", "valley", "2026-09-10").ripensInTime).toBeGreaterThan(0.95);
    const bean = forecast("common-bean", "valley", "2027-06-15").ripensInTime;
    const pea = forecast("pea", "valley", "2027-06-15").ripensInTime;
    expect(pea).toBeGreaterThan(bean);
  });
});

describe("ripening feels the warmth", () => {
  /** A garden of one temperature, without frost: it grows under that from sowing on. */
  const steady = (degrees: number) => ({
    latitude: 5,
    longitude: 0,
    normals: months(Array(12).fill(degrees), Array(12).fill(degrees)),
  });
  const days = (species: string, degrees: number) => {
    const told = compute(METHOD, { species, sown: "2027-03-01", ...steady(degrees) });
    const { flower, ripe } = (told as { result: Told }).result;
    return (Date.parse(ripe!.likely) - Date.parse(flower!.likely)) / 86_400_000;
  };

  // Published, at 14, 18, 22 and 26 °C: 95, 65, 46 and 42 days.
  test.each([
    [14, 95],
    [18, 65],
    [22, 46],
    [26, 42],
  ])("a tomato at %d °C is ripe about %d days after its flower", (degrees, found) => {
    expect(Math.abs(days("tomato", degrees) / found - 1)).toBeLessThan(0.12);
  });

  test("sowings that fail are not called safe; where they ripened before they still do", () => {
    expect(forecast("tomato", "valley", "2027-05-25").ripensInTime).toBeLessThan(0.05);
    expect(forecast("tomato", "valley", "2027-03-20").ripensInTime).toBeGreaterThan(0.95);
    const north = {
      latitude: 60,
      longitude: 10,
      normals: months(
        [-7, -7, -3.5, 0.7, 6, 10, 12.5, 11.5, 7.5, 3.5, -1.5, -6],
        [-1.5, -0.5, 3.5, 9.5, 16, 20, 22, 20.5, 15.5, 9.3, 3.2, -1],
      ),
    };
    const pepper = compute(METHOD, { species: "pepper", sown: "2027-03-01", ...north });
    expect((pepper as { result: Told }).result.ripensInTime).toBeLessThan(0.1);
  });

  test("full-grown fruit of some kinds ripens on indoors, and that is said where the garden's season is short", () => {
    const said = (species: string, sown: string) => forecast(species, "valley", sown).notes.join(" ");
    expect(said("tomato", "2027-05-25")).toContain("ripens on indoors");
    expect(said("pepo-squash", "2027-05-25")).toContain("21 to 60 days");
    expect(said("tomato", "2027-03-20")).not.toContain("indoors");
    expect(said("maize", "2027-05-25")).not.toContain("indoors");
  });
});

test("a forecast refuses what can't be", () => {
  const good = { species: "tomato", sown: "2027-03-20", ...PLACES.valley };
  const of = (more: object) => compute(METHOD, { ...good, ...more });
  expect(of({}).ok).toBe(true);
  for (const more of [
    { species: "triffid" },
    { sown: "2027-02-30" },
    { lastFrost: "02-31" },
    { normals: PLACES.valley.normals.slice(1) },
    { normals: PLACES.valley.normals.map(() => ({ min: 9, max: 3 })) },
    { plantedOut: "2027-03-19" },
    { overwinter: "hoped" },
    { latitude: 91 },
  ])
    expect([more, of(more).ok]).toEqual([more, false]);
  // One frost day may be told without the other.
  const one = { ...good, firstFrost: undefined };
  expect(compute(METHOD, one).ok).toBe(true);
});
