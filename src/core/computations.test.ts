import { describe, expect, test } from "vitest";
import { COMPUTATIONS, compute } from "./computations";
import { described } from "./tests/described";

const run = (name: string, input: unknown) => compute(COMPUTATIONS.find((m) => m.name === name)!, input);

const bothFrom = (start: string, end: string) => ({ female: { start, end }, male: { start, end } });

/** Independently computed results with their absolute tolerance. */
const VECTORS: [string, Record<string, unknown>, Record<string, number>, number][] = [
  ["day-length", { latitude: 47.2, longitude: 8.5, date: "2027-06-21" }, { hours: 15.925006950054001 }, 0.05],
  ["day-length", { latitude: -37.8, longitude: 145, date: "2027-01-15" }, { hours: 14.491414835656583 }, 0.05],
  ["day-length", { latitude: 70, longitude: 20, date: "2027-06-21" }, { hours: 24 }, 0.05],
  ["plants-needed", { probability: 0.0625, atLeast: 1, confidence: 0.95 }, { plants: 47 }, 1e-6],
  ["plants-needed", { probability: 0.25, atLeast: 5, confidence: 0.9 }, { plants: 30 }, 1e-6],
  [
    "heterozygosity",
    { generations: 5, selfingRate: 1, initial: 0.5 },
    { inbreeding: 0.96875, heterozygosity: 0.015625 },
    1e-6,
  ],
  [
    "heterozygosity",
    { generations: 6, selfingRate: 0.7, initial: 0.5 },
    { inbreeding: 0.5374717031249999, heterozygosity: 0.23126414843750004 },
    1e-6,
  ],
  [
    "growing-degree-days",
    {
      base: 10,
      ceiling: 30,
      days: [
        { min: 8, max: 24 },
        { min: 14, max: 33 },
        { min: 2, max: 9 },
      ],
    },
    { total: 19 },
    1e-6,
  ],
  [
    "contamination",
    {
      receptor: { plants: 12, outcrossing: 0.9, spacing: 1, ...bothFrom("2027-07-01", "2027-07-20") },
      sources: [{ plants: 6, male: { start: "2027-07-11", end: "2027-07-30" }, distance: 60 }],
      kernel: { scale: 10, shape: 1 },
    },
    { contamination: 0.005920026870973674, pollinatedShare: 1 },
    1e-6,
  ],
  [
    "contamination",
    {
      receptor: {
        plants: 30,
        outcrossing: 0.95,
        spacing: 0.5,
        female: { start: "2027-06-10", end: "2027-06-25" },
        male: { start: "2027-06-05", end: "2027-06-18" },
      },
      sources: [
        { plants: 200, male: { start: "2027-06-12", end: "2027-07-02" }, distance: 400, barriers: [0.3] },
        { plants: 5, male: { start: "2027-07-01", end: "2027-07-09" }, distance: 20 },
      ],
      kernel: { scale: 8, shape: 1.2 },
    },
    { contamination: 0.38656395000215166, pollinatedShare: 1 },
    1e-6,
  ],
  ["effective-size", { kind: "dioecious", males: 6, females: 24 }, { effectiveSize: 19.2 }, 1e-6],
  ["effective-size", { kind: "family-variance", plants: 20, variance: 0 }, { effectiveSize: 39 }, 1e-6],
  ["effective-size", { kind: "selfing", plants: 50, selfingRate: 0.8 }, { effectiveSize: 30 }, 1e-6],
  ["allele-retention", { plants: 20, frequency: 0.05 }, { probability: 0.8714878434348967 }, 1e-6],
  ["allele-retention", { plants: 20, frequency: 0.05, inbreeding: 1 }, { probability: 0.6415140775914581 }, 1e-6],
  ["inbreeding-growth", { effectiveSize: 10, generations: 5 }, { inbreeding: 0.22621906250000023 }, 1e-6],
  ["sowing-number", { target: 24, confidence: 0.9, stages: [{ rate: 0.85 }, { rate: 0.9 }] }, { sow: 35 }, 0],
  [
    "sowing-number",
    { target: 24, confidence: 0.9, stages: [{ successes: 17, trials: 20 }, { rate: 0.9 }] },
    { sow: 39 },
    0,
  ],
  [
    "moisture-target",
    { massNow: 200, moistureNow: 0.18, moistureTarget: 0.07 },
    { massTarget: 176.34408602150538 },
    1e-6,
  ],
  [
    "seed-viability",
    {
      initialGermination: 0.95,
      moisture: 0.08,
      temperature: 12,
      days: 1460,
      constants: { KE: 6.975, CW: 3.47, CH: 0.04, CQ: 0.000428 },
    },
    { germination: 0.8192533046075832 },
    1e-6,
  ],
  [
    "germination-interval",
    { germinated: 18, sown: 20, confidence: 0.95 },
    { low: 0.6989663547715128, high: 0.9721335187862319 },
    1e-6,
  ],
];

describe("computations", () => {
  test.each(VECTORS)("%s of %j", (name, input, expected, tolerance) => {
    const computed = run(name, input);
    if (!computed.ok) throw new Error(computed.message);
    for (const [key, value] of Object.entries(expected))
      expect(Math.abs((computed.result as Record<string, number>)[key]! - value)).toBeLessThanOrEqual(tolerance);
  });

  test("every wrong field is named", () => {
    const computed = run("day-length", { latitude: 91, longitude: "8", date: "2027-02-30", place: "x" });
    expect(computed.ok).toBe(false);
    if (!computed.ok) expect(Object.keys(computed.details).sort()).toEqual(["date", "latitude", "longitude", "place"]);
  });

  test("a kind takes its own fields only, and a flowering can't end before it starts", () => {
    const wrong = run("effective-size", { kind: "dioecious", males: 3, selfingRate: 0.2 });
    expect(!wrong.ok && Object.keys(wrong.details).sort()).toEqual(["females", "selfingRate"]);
    const backwards = { start: "2027-07-20", end: "2027-07-01" };
    const upside = run("contamination", {
      receptor: { plants: 1, outcrossing: 1, spacing: 1, female: backwards, male: backwards },
      sources: [],
      kernel: { scale: 1, shape: 1 },
    });
    expect(!upside.ok && Object.keys(upside.details)).toEqual(["receptor.female", "receptor.male"]);
  });

  test.each<[string, object, string]>([
    ["sowing-number", { target: 5, confidence: 0.9, stages: [{ successes: 4, trials: 3 }] }, "stages.0"],
    ["sowing-number", { target: 5, confidence: 0.9, stages: [] }, "stages"],
    [
      "sowing-number",
      { target: 5, confidence: 0.9, stages: [1, 2].map(() => ({ successes: 1, trials: 3 })) },
      "stages",
    ],
    ["sowing-number", { target: 9999, confidence: 0.9, stages: [1, 2, 3].map(() => ({ rate: 0.001 })) }, "input"],
    ["germination-interval", { germinated: 21, sown: 20, confidence: 0.9 }, "germinated"],
    ["moisture-target", { massNow: -1, moistureNow: 0.1, moistureTarget: 0.07 }, "massNow"],
    ["moisture-target", { massNow: 1, moistureNow: 1.1, moistureTarget: 0.07 }, "moistureNow"],
    ["seed-viability", { initialGermination: 1, moisture: 0.08, temperature: 12, days: 1 }, "initialGermination"],
  ])("%s refuses %j by its field", (name, input, field) => {
    const refused = run(name, input);
    expect(!refused.ok && Object.keys(refused.details)[0]).toBe(field);
  });

  test("what is no object at all is refused", () => {
    for (const input of [null, 3, "x", []]) expect(run("plants-needed", input).ok).toBe(false);
  });

  test("every field takes what it is meant to take", async () => {
    const all = COMPUTATIONS.flatMap(({ name, schema }) => described(name, schema));
    await expect(`${all.join("\n")}\n`).toMatchFileSnapshot("tests/expected/computations.txt");
  });
});
