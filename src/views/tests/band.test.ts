import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { garden as readGarden } from "@/records/garden/queries";
import { standsOfSeason } from "@/records/stand/queries";
import { type Plot, plot } from "@/records/tests/plot";
import { type Band, band } from "../band";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

function standsOf(count: number, sown: (i: number) => string, name = (i: number) => `line ${i}`): void {
  for (let i = 0; i < count; i++) {
    const lineId = garden.done("line.add", {
      name: name(i),
      species: "melon",
      school: "keep-pure",
      status: "open-pollinated",
    }).id;
    garden.done("stand.add", { lineId, bedId: 1, sown: sown(i), plants: 6 });
  }
}

function draw(season = 2027, lanes = 3): Band {
  const sky = garden.sky();
  const stands = standsOfSeason(garden.db, season).map(sky.forecast);
  return band(sky, season, stands, (s) => s.lineName.endsWith("0"), 1, lanes);
}

const place = (change: object) =>
  garden.done("garden.change", {
    name: "Elsewhere",
    latitude: 48.6,
    longitude: 9.3,
    timezone: "UTC",
    units: "metric",
    version: readGarden(garden.db).version,
    ...change,
  });

describe("the season band", () => {
  test("has a light for every day, longest in June here and in December in the south", () => {
    const north = draw();
    expect(north.light).toHaveLength(365);
    const longest = (b: Band) => b.light.indexOf(Math.max(...b.light));
    expect(longest(north)).toBeGreaterThan(165);
    expect(longest(north)).toBeLessThan(180);
    place({ latitude: -37, lastFrost: "09-20", firstFrost: "05-10" });
    const south = draw(2026);
    expect(south).toMatchObject({
      start: "2026-07-01",
      end: "2027-06-30",
      lastFrost: { day: "2026-09-20", spread: 10 },
      firstFrost: { day: "2027-05-10", spread: 10 },
    });
    expect(longest(south)).toBeGreaterThan(165);
    expect(longest(south)).toBeLessThan(180);
  });

  test("a place without frost has none drawn and every stand ripens", () => {
    place({ latitude: 2, lastFrost: "", firstFrost: "", frostsMeant: true });
    standsOf(1, () => "2027-05-01");
    const drawn = draw();
    expect(drawn).toMatchObject({ lastFrost: null, firstFrost: null });
    expect(drawn.bars[0]!.point?.bad).toBe(false);
  });

  test("bars in a lane never share a day, and those that do not fit are counted", () => {
    standsOf(12, (i) => `2027-0${3 + (i % 5)}-1${i % 10}`);
    for (const lanes of [1, 2, 3, 14]) {
      const drawn = draw(2027, lanes);
      expect(drawn.bars.length + drawn.hidden).toBe(12);
      for (const a of drawn.bars)
        for (const b of drawn.bars)
          if (a !== b && a.lane === b.lane) expect(a.latest < b.earliest || b.latest < a.earliest).toBe(true);
    }
    expect(draw(2027, 14).hidden).toBe(0);
  });

  test("what concerns the screen is placed before the rest, though that flowers sooner", () => {
    standsOf(
      6,
      (i) => `2027-04-1${i}`,
      (i) => `a line of many words, ${i === 5 ? 0 : i + 1}`,
    );
    const { bars, hidden } = draw(2027, 1);
    expect(bars.map(({ label, tone }) => [label, tone])).toEqual([["a line of many words, 0", "strong"]]);
    expect(hidden).toBe(5);
  });

  test("stands of one line and the same days are one bar, and long names are cut", () => {
    standsOf(
      1,
      () => "2027-05-01",
      () => `A${"n".repeat(100)}`,
    );
    const { lineId } = standsOfSeason(garden.db, 2027)[0]!;
    garden.done("stand.add", { lineId, bedId: 2, sown: "2027-05-01", plants: 6 });
    const { bars } = draw();
    expect(bars).toHaveLength(1);
    expect(bars[0]!.label).toMatch(/^An{24}…, 2 stands$/);
  });

  test("seed that the frost will catch is said on its bar, unless no seed is wanted", () => {
    standsOf(2, () => "2027-07-20");
    expect(draw().bars.map((b) => b.point)).toMatchObject([
      { bad: true, words: "frost comes before its seed" },
      { bad: true },
    ]);
    garden.db.prepare("UPDATE stand SET seedWanted = 0").run();
    expect(draw().bars.map((b) => b.point)).toEqual([undefined, undefined]);
  });

  test("an observed first flower replaces the forecast", () => {
    standsOf(1, () => "2027-05-01");
    const before = draw().bars[0]!;
    expect(before.earliest < before.start).toBe(true);
    garden.done("stand.first-flower", { id: 1, firstFlower: "2027-07-02" });
    expect(draw().bars[0]).toMatchObject({ start: "2027-07-02", earliest: "2027-07-02" });
  });

  test("has no bar of what flowers in another season", () => {
    standsOf(2, (i) => (i === 0 ? "2027-05-25" : "2028-05-25"));
    const sky = garden.sky();
    const both = [2027, 2028].flatMap((season) => standsOfSeason(garden.db, season).map(sky.forecast));
    const shown = (season: number) => band(sky, season, both).bars.map(({ label }) => label);
    expect([shown(2027), shown(2028)]).toEqual([["line 0"], ["line 1"]]);
  });
});
