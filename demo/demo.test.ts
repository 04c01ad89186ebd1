import { join } from "node:path";
import { describe, expect, test } from "vitest";
import { speciesById } from "@/catalogue/catalogue";
import { readCode } from "@/core/custody/code";
import type { Id } from "@/core/custody/id";
import { UNSEEN } from "@/core/isolation/background";
import { sampledPedigree } from "@/core/pedigree/pedigree";
import { type Db, openDb } from "@/db/open";
import { replay } from "@/db/replay";
import { RECORDS } from "@/records/records";
import { foreseenOf } from "@/views/foreseen";
import { groundView } from "@/views/ground";
import { kinOf } from "@/views/kin";
import { lineView } from "@/views/lines";
import { type Outlook, outlook } from "@/views/outlook";
import { seasonView } from "@/views/season";
import { drawerPage, seedView } from "@/views/seed";
import { todayView } from "@/views/today";
import { waysOut } from "@/views/waysOut";
import { worksView } from "@/views/works";
import { DEMO_DAY } from "./day";
import { fillDemo } from "./fill";
import { offspring, pure, recessive, shown } from "./genetics";
import { chance } from "./random";
import { demoGarden } from "./tests/demoGarden";

describe("chance and genes", () => {
  test("the same seed gives the same fate, another seed another", () => {
    const draw = (seed: number) => Array.from({ length: 50 }, () => chance(seed).next());
    expect(draw(7)).toEqual(draw(7));
    const luck = chance(7);
    const run = Array.from({ length: 5 }, () => luck.next());
    expect(new Set(run).size).toBe(5);
    expect(chance(8).next()).not.toBe(run[0]);
  });

  test("normal chances have their mean and spread", () => {
    const luck = chance(1);
    const drawn = Array.from({ length: 20_000 }, () => luck.normal(10, 2));
    const mean = drawn.reduce((a, b) => a + b) / drawn.length;
    const variance = drawn.reduce((a, b) => a + (b - mean) ** 2, 0) / drawn.length;
    expect(mean).toBeCloseTo(10, 1);
    expect(Math.sqrt(variance)).toBeCloseTo(2, 1);
  });

  test("an F1 of pure parents is alike, and a quarter of its F2 shows the recessive", () => {
    const luck = chance(3);
    const [mother, father] = [pure([1, 0, 1]), pure([0, 1, 1])];
    const f1 = offspring(mother, father, luck);
    expect(f1.one).toEqual(mother.one);
    expect(f1.two).toEqual(father.one);
    const f2 = Array.from({ length: 8000 }, () => offspring(f1, f1, luck));
    const share = (locus: number) => f2.filter((plant) => recessive(plant, locus)).length / f2.length;
    expect(share(0)).toBeCloseTo(0.25, 1);
    expect(share(1)).toBeCloseTo(0.25, 1);
    expect(share(2)).toBe(1);
  });

  test("a trait lies between its ends by the share of its genes", () => {
    const trait = { loci: [0, 1], atZero: 10, atOne: 30, noise: 0 };
    const luck = chance(4);
    const [none, all] = [pure([0, 0]), pure([1, 1])];
    expect(shown(none, trait, luck)).toBe(10);
    expect(shown(all, trait, luck)).toBe(30);
    expect(shown(offspring(none, all, luck), trait, luck)).toBe(20);
  });
});

describe("the demo garden", () => {
  const garden = demoGarden();

  test("the orach of a received mix is as inbred as it selfs and as few as stood there, and less by the strangers foreseen", () => {
    const stand = (season: number) =>
      garden.db
        .prepare(
          `SELECT s.id, s.plants FROM stand s JOIN line l ON l.id = s.lineId
             WHERE l.species = 'orach' AND l.status = 'mix' AND s.season = ? AND s.planned = 0`,
        )
        .get(season) as { id: Id; plants: number };
    const [mothers, own] = [stand(2023), { standId: stand(2024).id, plantId: null }];
    const seen = foreseenOf(outlook(garden.db), { motherStandId: mothers.id })!.likely;
    expect(seen).toBeGreaterThan(1e-4);
    const { outcrossing } = speciesById("orach");
    const selfed = 1 - (outcrossing.low + outcrossing.high) / 2;
    // What is foreseen is a share of all seed; strangers father of what is crossed.
    const strangers = (seen / (1 - selfed)) * (1 - UNSEEN) + UNSEEN;
    const { tree, at } = kinOf(garden.db, [own]);
    // A draw from so many that are no kin is the same plant's twice in 1 of N, and the same gene's in half of those.
    const expected = selfed / 2 + ((1 - selfed) * (1 - strangers)) / (2 * mothers.plants);
    expect(sampledPedigree(tree).inbreeding[at(own)]).toBeCloseTo(expected, 9);
  });
  const sky = (): Outlook => outlook(garden.db);

  test("was written by presses alone: its journal played again gives the same tables", () => {
    const again = openDb(join(garden.folder, "again.db"));
    replay(garden.db, again);
    for (const { table } of RECORDS) {
      const rows = (from: Db) => from.prepare(`SELECT * FROM "${table}" ORDER BY id`).all();
      expect(rows(again), table).toEqual(rows(garden.db));
    }
    again.close();
  });

  const lineCode = (name: string) =>
    garden.db.prepare("SELECT code FROM line WHERE name = ?").pluck().get(name) as string;

  test("is the same every time it is filled", async () => {
    await fillDemo(join(garden.folder, "two.db"));
    const two = openDb(join(garden.folder, "two.db"));
    for (const table of ["line", "stand", "plant", "score", "cross", "flower", "lot"]) {
      const rows = (of: Db) => of.prepare(`SELECT * FROM "${table}"`).raw().all();
      expect(rows(two), table).toEqual(rows(garden.db));
    }
    two.close();
  }, 120_000);

  test("is sound, stands on its day, and every code on it reads", () => {
    expect(garden.db.pragma("integrity_check", { simple: true })).toBe("ok");
    expect(garden.db.pragma("foreign_key_check")).toEqual([]);
    expect(garden.db.prepare("SELECT asOf, demo FROM garden").get()).toEqual({ asOf: DEMO_DAY, demo: 1 });
    for (const table of ["line", "stand", "cross", "lot"])
      for (const code of garden.db.prepare(`SELECT code FROM "${table}"`).pluck().all() as string[])
        expect(readCode(code), code).toMatchObject({ ok: true, code });
  });

  test("the melon's ladder runs from F1 to F5 and selection moved it towards its aim", () => {
    const view = lineView(sky(), lineCode("Lantern melon"))!;
    expect(view.rungs.map((r) => r.generation)).toEqual([1, 2, 3, 4, 5]);
    expect(view.rungs.map((r) => r.mixed?.likely)).toEqual([1, 0.5, 0.25, 0.125, 0.0625]);
    const mean = (name: string, generation: number) =>
      view.ladders.find((l) => l.yardstick.name === name)!.points.find((p) => p.generation === generation)!.summary
        .mean;
    expect(mean("Flavour", 4)).toBeGreaterThan(mean("Flavour", 2) + 0.5);
    expect(Math.abs(mean("First ripe fruit", 4) - 98)).toBeLessThan(Math.abs(mean("First ripe fruit", 2) - 98));
    const flesh = view.ladders.find((l) => l.yardstick.name === "Flesh")!.shares;
    const orange = (generation: number) =>
      flesh.map((s) => (s.generation === generation ? s.wanted / s.count : 0)).reduce((a, b) => a + b);
    expect(orange(1)).toBe(0);
    expect(orange(4)).toBeGreaterThan(0.9);
  });

  test("the parents differ as they were made to", () => {
    const ripe = lineView(sky(), lineCode("Lantern melon"))!.ladders[0]!.parents;
    expect(ripe[0]!.summary!.mean - ripe[1]!.summary!.mean).toBeGreaterThan(30);
  });

  test("the lost season is a record, not a gap", () => {
    const lost = garden.db
      .prepare(
        "SELECT count(*) FROM plant p JOIN stand s ON s.id = p.standId WHERE s.season = 2026 AND p.reason LIKE 'rotted%'",
      )
      .pluck()
      .get();
    expect(lost).toBe(5);
  });

  test("off-types of the runner bean fall over the years", () => {
    const removed = (from: number, to: number) =>
      garden.db
        .prepare(
          "SELECT count(*) FROM plant p JOIN stand s ON s.id = p.standId WHERE p.reason LIKE 'scarlet%' AND s.season BETWEEN ? AND ?",
        )
        .pluck()
        .get(from, to) as number;
    expect(removed(2021, 2023)).toBeGreaterThan(removed(2024, 2026));
  });

  test("this week there is something to do in every band, with a last chance", () => {
    const { tasks, open } = todayView(sky());
    expect(new Set(tasks.map((t) => t.part))).toEqual(new Set(["dawn", "morning", "any-hour", "evening"]));
    expect(open).toHaveLength(6);
    expect(open.some((s) => s.last !== null && s.last.daysLeft <= 2)).toBe(true);
    expect(open.some((s) => s.tally.lost > 0)).toBe(true);
  });

  test("the analysis finds again that late hours set less, and the set rate has learned it", () => {
    const hours = worksView(sky(), "melon").factors.find((f) => f.key === "hour")!;
    expect(hours.finding).toContain("Under 1 h");
    const { learned, rate } = todayView(sky()).open.find(
      ({ cross }) => cross.motherName === "Lantern melon" && cross.kind === "self",
    )!;
    expect(learned.length).toBeGreaterThan(1);
    expect(rate.high - rate.low).toBeLessThan(0.3);
  });

  test("the first five scenarios have a real clash with a way out worth taking", () => {
    const now = groundView(sky(), null, null).judged;
    const next = groundView(sky(), 2028, null).judged;
    const most = (list: typeof now, name: string) => list.find((j) => j.name === name)?.bySource[0]?.name;
    expect(most(now, "Lantern melon")).toBe("Ashlar Gold");
    expect(most(now, "Duskwing")).toBe("the neighbour's scarlet beans");
    expect(most(now, "Tarnholt mixed orach")).toBe("lane orach");
    expect(most(now, "Slatefoot")).toBe("leeks of the mill allotments");
    expect(most(next, "Ember-sweet")).toBe("Cinder Tooth");
    for (const [season, list] of [
      [2027, now],
      [2028, next],
    ] as const)
      for (const { code, level, name } of list.filter((j) => j.level !== "within")) {
        const { remedies } = waysOut(garden.db, groundView(sky(), season, code).askWays!);
        expect(
          remedies.some((r) => r.enough),
          `${name}, ${level}, ${season}`,
        ).toBe(true);
      }
  });

  test("the first flowers that were seen make the line's own forecast", () => {
    const { stands } = groundView(sky(), null, null);
    const { code } = stands.find((s) => s.lineName === "Ashlar Gold")!;
    const gold = groundView(sky(), null, code).stand!;
    expect(gold.correction!.observations).toBeGreaterThan(3);
    expect(gold.correction!.likely).toBeLessThan(1);
  });

  test("next year's plan holds a sowing that can be moved out of its clash", () => {
    const { stands, tried } = seasonView(sky(), 2028);
    expect(stands.every((s) => s.ahead)).toBe(true);
    expect(tried.filter((t) => t.share?.level === "over").length).toBeGreaterThan(2);
  });

  test("the drawer holds dying seed and a lot of uncertain mother", () => {
    const { lots, states } = drawerPage(sky());
    expect(lots.some((l) => l.note.includes("mother uncertain"))).toBe(true);
    expect(Math.min(...Object.values(states))).toBeGreaterThan(0);
    const { calls, table, regrow, spells } = seedView(sky());
    expect(calls.filter(({ kind }) => kind === "table").length).toBeGreaterThan(2);
    expect(new Set(table.lots.map(({ stage }) => stage))).toEqual(new Set(["ripening", "cleaning", "drying"]));
    expect(table.vessels.filter(({ lotId, soiledCode }) => !lotId && soiledCode).length).toBeGreaterThan(0);
    expect(regrow.map(({ name }) => name)).toContain("Tallow Root");
    expect(spells.length).toBeGreaterThan(0);
  });
});
