import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { speciesById } from "@/catalogue/catalogue";
import type { Id } from "@/core/custody/id";
import { middle } from "@/core/flowering/facts";
import { allTasks } from "@/views/tasks";
import { type TurnLine, turnView } from "@/views/turn";
import { openWork } from "@/views/work";
import { SOUTH } from "./crops";
import { type Plot, plot } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = bare();
});
afterEach(() => garden.close());

/** A garden on 1 March 2027 without a bed. */
function bare(): Plot {
  const at = plot();
  at.on("2027-03-01");
  for (const id of at.db.prepare("SELECT id FROM bed").pluck().all() as Id[])
    at.done("bed.remove", { id, version: at.version("bed", id) });
  return at;
}

const bed = (name: string, x: number, width: number, length = 2) =>
  garden.done("bed.add", { name, x, y: 0, width, length }).id;

/** A cross of which an F2 of so many numbered plants stands in 2027, with the seed of some that are kept. */
function fixing(at: Plot, name: string, species: string, plants: number, kept: number[], bedId: Id | null) {
  const lineId = at.line(name, species, { school: "cross-and-fix", status: "breeding-line" });
  const f2 = at.done("lot.receive", { lineId, gathered: "2026-09-01", seeds: 400, generation: 2 }).id;
  const stand = at.done("stand.sow", {
    lots: [{ lotId: f2, seeds: 60, wanted: plants }],
    bedId,
    sown: "2027-03-01",
  }).id;
  at.done("stand.change", { id: stand, version: at.version("stand", stand), plants });
  const ids = at.plants(stand);
  for (const i of kept) at.done("plant.mark", { id: ids[i - 1], mark: "keep" });
  return { lineId, stand, ids };
}

type Made = ReturnType<typeof fixing>;

const saved = (at: Plot, standId: Id, plantId: Id, seeds: number): Id =>
  at.done("lot.save", { standId, plantIds: [plantId], kind: "self", gathered: "2027-09-20", seeds }).id;

const lineOf = (at: Plot, id: Id): TurnLine => turnView(at.sky()).lines.find((line) => line.id === id)!;
const decided = () => turnView(garden.sky()).lines.map(({ code, state }) => [code, state]);
const asked = () => allTasks(garden.sky()).filter(({ act, standing }) => act === "turn" && standing !== "ahead");

describe("the season's turn", () => {
  test("tells of each kept plant's seed, and proposes a row of each that gave some", () => {
    bed("A", 0, 20);
    const b = bed("B", 30, 20);
    const { lineId, stand, ids } = fixing(garden, "Rook", "pea", 30, [3, 8, 21, 22], b);
    garden.on("2027-11-05");
    const [three, eight] = [saved(garden, stand, ids[2]!, 40), saved(garden, stand, ids[7]!, 4)];
    const gone = saved(garden, stand, ids[20]!, 10);
    garden.done("lot.end", { id: gone, version: garden.version("lot", gone), ending: "given" });
    const line = lineOf(garden, lineId);
    expect([line.state, line.why, line.name]).toEqual(["decide", "next", "Rook F3"]);
    expect(line.kept).toEqual({
      code: garden.code("stand", stand),
      plants: 4,
      seed: 2,
      together: false,
      none: [22],
      gone: [21],
      standing: true,
    });
    // 48 plants of two mothers: 24 each, and one of them has 4 seeds only.
    expect(line.sowing).toMatchObject({ plants: 48, meant: 48, numbered: true, generation: 3, stays: [] });
    expect(line.sowing!.rows.map(({ lotId, mother, wanted, seeds }) => [lotId, mother, wanted, seeds]).sort()).toEqual(
      [
        [three, 3, 24, expect.any(Number)],
        [eight, 8, 24, 4],
      ].sort(),
    );
    expect(turnView(garden.sky()).lacking.seed).toEqual([{ name: "Rook F3", short: line.sowing!.short }]);
    // Peas stood in B in 2027.
    expect(line.sowing!.bed!.name).toBe("A");
  });

  test("is planned by a press, a line or all of them, and that can be taken back", () => {
    bed("A", 0, 20);
    const b = bed("B", 30, 20);
    const { lineId, stand, ids } = fixing(garden, "Rook", "pea", 30, [3, 8], b);
    garden.on("2027-11-05");
    saved(garden, stand, ids[2]!, 40);
    saved(garden, stand, ids[7]!, 50);
    const { toPlan } = lineOf(garden, lineId);
    const { message, entry, ids: made } = garden.done("stand.sow-season", { sowings: toPlan });
    expect([message, made.length]).toEqual(["Rook: 2 sowings planned", 2]);
    expect(lineOf(garden, lineId)).toMatchObject({
      state: "planned",
      sowing: null,
      toPlan: [],
      planned: { ahead: true, rows: 2, plants: 48, family: true, bed: "A" },
    });
    // Another device, which shows it as still to be decided, plans nothing twice.
    expect(garden.refused("stand.sow-season", { sowings: toPlan }).message).toContain(
      "Rook is planned already, as F28-",
    );
    // Two rows, and a label for each of 48 plants.
    expect(turnView(garden.sky()).lacking).toMatchObject({ seed: [], ground: [], labels: 50 });
    garden.undone(entry);
    expect(lineOf(garden, lineId).state).toBe("decide");
    // What one press holds is all planned or none of it.
    const twice = [...toPlan, { ...toPlan[0]!, lots: [{ ...toPlan[0]!.lots[0]!, seeds: 500 }] }];
    expect(garden.refused("stand.sow-season", { sowings: twice }).message).toContain("seeds");
    expect(lineOf(garden, lineId).state).toBe("decide");
    expect(
      garden.refused("stand.sow-season", { sowings: [{ ...toPlan[0], sown: "2028-02-31" }] }).message,
    ).toBeTruthy();
  });

  test("is asked from after the harvest until the sowings are decided on, once for all lines", () => {
    const { stand, ids } = fixing(garden, "Rook", "pea", 30, [3], null);
    garden.on("2027-09-30");
    saved(garden, stand, ids[2]!, 40);
    expect(asked()).toEqual([]);
    garden.on("2027-10-01");
    expect(asked()).toMatchObject([{ of: "season", name: "2028", last: "2028-05-30", href: "/season/turn" }]);
    expect(asked()[0]!.what).toContain("1 line:");
    garden.on("2028-05-30");
    expect(asked()).toHaveLength(1);
    garden.on("2028-05-31");
    expect(asked()).toEqual([]);
  });

  test("a plan that outlives its seed says that nothing of the line lives, and what became of what was kept", () => {
    const { lineId, stand, ids } = fixing(garden, "Rook", "pea", 30, [3, 8], null);
    const step = { generation: 3, season: 2028, act: "select-self", plants: 40, mothers: 2, kept: 4, guard: "none" };
    garden.done("plan.take", {
      lineId,
      way: "pedigree",
      generations: [step, { ...step, generation: 4, season: 2029 }],
    });
    garden.on("2027-11-05");
    const lots = [2, 7].map((i) => saved(garden, stand, ids[i]!, 40));
    // The plan's own number is proposed.
    expect(lineOf(garden, lineId).sowing).toMatchObject({ meant: 40, rows: [{ wanted: 20 }, { wanted: 20 }] });
    for (const id of [
      ...lots,
      ...(garden.db.prepare("SELECT id FROM lot WHERE lineId = ? AND endedOn IS NULL").pluck().all(lineId) as Id[]),
    ])
      if (garden.row("lot", id).endedOn === null)
        garden.done("lot.end", { id, version: garden.version("lot", id), ending: "lost" });
    expect(lineOf(garden, lineId)).toMatchObject({ state: "growing", toPlan: [], kept: { seed: 0, gone: [3, 8] } });
    garden.on("2028-02-01");
    expect(lineOf(garden, lineId)).toMatchObject({ state: "lost", toPlan: [], until: null });
    expect(allTasks(garden.sky()).some(({ act, id }) => act === "line-lost" && id === lineId)).toBe(true);
  });

  test("in the south it is asked from autumn on, in April, until the end of November", () => {
    garden.done("garden.change", {
      version: 1,
      ...SOUTH,
    });
    const lineId = garden.line("Old", "pea");
    garden.done("lot.receive", { lineId, gathered: "2022-02-01", seeds: 90 });
    const on = (day: string) => {
      garden.on(day);
      return asked().map(({ name, last }) => [name, last]);
    };
    expect([on("2028-03-30"), on("2028-03-31"), on("2028-11-28"), on("2028-11-29")]).toEqual([
      [],
      [["2028/29", "2028-11-28"]],
      [["2028/29", "2028-11-28"]],
      [],
    ]);
    // Peas are sown six weeks before 20 October.
    garden.on("2028-07-10");
    expect(lineOf(garden, lineId).sowing!.sown).toBe("2028-09-08");
  });

  test("a choice made in autumn holds in spring, and is asked again the year after", () => {
    const { lineId, stand, ids } = fixing(garden, "Rook", "pea", 30, [3], null);
    garden.on("2027-11-05");
    saved(garden, stand, ids[2]!, 40);
    garden.done("deed.leave", { lineId, act: "regrow", how: "cannot" });
    expect([lineOf(garden, lineId).state, asked()]).toEqual(["left", []]);
    garden.on("2028-04-20");
    const regrow = () => allTasks(garden.sky()).filter(({ act, standing }) => act === "regrow" && standing !== "ahead");
    expect([lineOf(garden, lineId).state, asked(), regrow()]).toEqual(["left", [], []]);
    garden.on("2028-10-05");
    expect([lineOf(garden, lineId).state, asked().length]).toEqual(["decide", 1]);
  });

  test("with ground for some of many lines, what stands to lose most gets it, and the others are said", () => {
    // Three square metres: a pea takes about the hundredth part of one.
    bed("A", 0, 1.5);
    const each = middle(speciesById("pea").plantSpacing) ** 2;
    const lines = Array.from({ length: 15 }, (_, i) => {
      garden.on("2027-03-01");
      const one = fixing(garden, `Rook ${i + 1}`, "pea", 2, [1], null);
      garden.on("2027-11-05");
      saved(garden, one.stand, one.ids[0]!, 60);
      return one.lineId;
    });
    const turn = turnView(garden.sky());
    const of = turn.lines.filter(({ id }) => lines.includes(id));
    const fit = Math.floor(3 / (48 * each));
    const whole = of.filter(({ sowing }) => sowing!.bed !== null && sowing!.plants === 48);
    expect([of.length, whole.length]).toEqual([15, fit]);
    // Those without a bed are not planned by a press; what they lack is told.
    const without = of.filter(({ toPlan }) => toPlan.length === 0);
    expect(without.every(({ sowing }) => sowing!.bed === null)).toBe(true);
    expect(turn.lacking.ground.length).toBe(15 - whole.length);
    expect(turn.lacking.ground.at(-1)!.area).toBeCloseTo(48 * each, 6);
    const all = of.flatMap(({ toPlan }) => toPlan);
    garden.done("stand.sow-season", { sowings: all });
    const states = decided().map(([, state]) => state);
    expect([
      states.filter((state) => state === "planned").length,
      states.filter((state) => state === "decide").length,
    ]).toEqual([15 - without.length, without.length]);
  });

  test("parents stand beside with a few plants of each, once, and are not grown for seed there", () => {
    bed("A", 0, 30);
    const [ember, frost] = ["Ember", "Frost"].map((name) => garden.line(name, "pea"));
    for (const lineId of [ember]) garden.done("lot.receive", { lineId, gathered: "2026-09-01", seeds: 90 });
    const [one, other] = ["Rook", "Wren"].map((name) => fixing(garden, name, "pea", 4, [1], null)) as [Made, Made];
    const descend = garden.db.prepare("UPDATE line SET motherLineId = ?, fatherLineId = ? WHERE id = ?");
    for (const { lineId } of [one, other]) descend.run(ember, frost, lineId);
    garden.on("2027-11-05");
    for (const { stand, ids } of [one, other]) saved(garden, stand, ids[0]!, 80);
    const turn = turnView(garden.sky());
    const named = turn.lines.map(({ name, beside }) => [name, beside.map((parent) => parent.name)]);
    // Frost has no seed; Ember stands beside one of the two.
    expect(named.filter(([, beside]) => beside!.length > 0)).toEqual([["Rook F3", ["Ember"]]]);
    expect(turn.lacking.parents).toEqual(["Frost"]);
    const { toPlan } = lineOf(garden, one.lineId);
    expect(toPlan.map(({ lots, seedWanted }) => [lots[0]!.wanted, seedWanted])).toEqual([
      [48, 1],
      [4, 0],
    ]);
    // Planned without them, they are still offered.
    garden.done("stand.sow-season", { sowings: toPlan.slice(0, 1) });
    expect(lineOf(garden, one.lineId).toPlan).toMatchObject([{ seedWanted: 0, bedId: toPlan[0]!.bedId }]);
    garden.done("stand.sow-season", { sowings: lineOf(garden, one.lineId).toPlan });
    expect(lineOf(garden, one.lineId).toPlan).toEqual([]);
    expect(lineOf(garden, ember!).state).toBe("planned");
  });

  test("a variety is asked about when its seed grows old, not before; one without anything says so", () => {
    const [old, young, none] = ["Old", "Young", "None"].map((name) => garden.line(name, "leek"));
    garden.done("lot.receive", { lineId: old, gathered: "2023-09-01", seeds: 90 });
    garden.done("lot.receive", { lineId: young, gathered: "2027-02-01", seeds: 90 });
    garden.on("2027-11-05");
    const states = [old, young, none].map((id) => lineOf(garden, id!));
    expect(states.map(({ state, why }) => [state, why])).toEqual([
      ["decide", "old"],
      ["rests", "old"],
      ["begin", "old"],
    ]);
    // No bed was ever drawn: it is planned without one.
    expect(states[0]!.toPlan).toMatchObject([{ bedId: null }]);
    garden.done("line.end", { id: old, version: garden.version("line", old!), ending: "given-up" });
    expect(lineOf(garden, old!)).toBe(undefined);
  });
});

const anyTurn = fc.record({
  beds: fc.array(fc.double({ min: 0.3, max: 8, noNaN: true }), { maxLength: 3 }),
  lines: fc.array(
    fc.record({
      kind: fc.constantFrom("pea", "tomato", "lettuce", "melon"),
      kept: fc.uniqueArray(fc.integer({ min: 1, max: 12 }), { minLength: 1, maxLength: 8 }),
      /** How many of those gave seed, and of the first of them that seed is gone again. */
      gave: fc.integer({ min: 0, max: 8 }),
      lost: fc.boolean(),
      seeds: fc.integer({ min: 1, max: 90 }),
      left: fc.boolean(),
    }),
    { minLength: 1, maxLength: 3 },
  ),
});

test("every kept plant's seed has a place in next year's plan or was left by choice, and no bed holds more than it can", () => {
  let placed = 0;
  fc.assert(
    fc.property(anyTurn, ({ beds, lines }) => {
      const at = bare();
      for (const [i, width] of beds.entries())
        at.done("bed.add", { name: String.fromCharCode(65 + i), x: 20 * i, y: 0, width, length: 2 });
      const grown = lines.map(({ kind, kept }, i) => fixing(at, `Line ${i}`, kind, 12, kept, null));
      at.on("2027-11-10");
      const made = lines.map(({ kept, gave, lost, seeds, left }, i) => {
        const one = grown[i]!;
        const lots = kept.slice(0, gave).map((number, n) => saved(at, one.stand, one.ids[number - 1]!, seeds + n));
        if (lost && lots[0]) at.done("lot.end", { id: lots[0], version: at.version("lot", lots[0]), ending: "lost" });
        return { ...one, left, living: lost ? lots.slice(1) : lots };
      });
      for (const { lineId, left } of made) if (left) at.done("deed.leave", { lineId, act: "regrow", how: "cannot" });
      const before = turnView(at.sky());
      for (const { lineId, left, living } of made) {
        const { state, sowing, kept } = before.lines.find(({ id }) => id === lineId)!;
        expect(kept!.plants).toBe(kept!.seed + kept!.none.length + kept!.gone.length);
        expect(kept!.seed).toBe(living.length);
        if (living.length === 0) continue;
        expect(state).toBe(left ? "left" : "decide");
        if (left) continue;
        // Each of them is a row.
        expect(sowing!.rows.map(({ lotId }) => lotId).sort()).toEqual([...living].sort());
      }
      const sowings = before.lines.flatMap(({ toPlan }) => toPlan);
      if (sowings.length > 0) at.done("stand.sow-season", { sowings });
      const after = turnView(at.sky());
      for (const { lineId, left, living } of made) {
        const { state, sowing } = after.lines.find(({ id }) => id === lineId)!;
        const sown = at.db
          .prepare("SELECT lotId FROM stand WHERE lineId = ? AND season = 2028 ORDER BY lotId")
          .pluck()
          .all(lineId) as Id[];
        if (living.length > 0 && !left && state !== "decide") expect(sown).toEqual([...living].sort());
        else expect(sown).toEqual([]);
        placed += sown.length;
        // What is not planned says why: no ground.
        if (state === "decide") expect([sowing!.bed, beds.length > 0]).toEqual([null, true]);
      }
      for (const { id, width, length } of at.db.prepare("SELECT id, width, length FROM bed").all() as {
        id: Id;
        width: number;
        length: number;
      }[]) {
        const there = at.db
          .prepare("SELECT l.species, s.wanted FROM stand s JOIN line l ON l.id = s.lineId WHERE bedId = ?")
          .all(id) as { species: string; wanted: number }[];
        const taken = there.reduce(
          (sum, { species, wanted }) => sum + wanted * middle(speciesById(species).plantSpacing) ** 2,
          0,
        );
        // Rows are rounded up to whole plants.
        const rounding =
          there.length * Math.max(0, ...there.map((one) => middle(speciesById(one.species).plantSpacing) ** 2));
        expect(taken).toBeLessThanOrEqual(width * length + rounding);
      }
      at.close();
    }),
    { numRuns: 25 },
  );
  expect(placed).toBeGreaterThan(0);
}, 120_000);

test("a family that selfs is led from choosing to a row of each: what is kept is gathered apart, and sown apart", () => {
  const b = bed("B", 30, 20);
  const { lineId, stand, ids } = fixing(garden, "Rook", "pea", 30, [], b);
  const work = (act: string) => openWork(garden.sky()).find((one) => one.stand.id === stand && one.act === act);
  const what = () => ["choose", "gather", "keep"].map((act) => work(act)?.what ?? null);
  garden.on("2027-07-20");
  expect(what()).toEqual(["Choose the 6 best plants", "Gather ripe seed", "Make its lot"]);
  const best = [2, 5, 8, 11, 20, 29].map((i) => ids[i]!);
  for (const id of best.slice(0, 4)) garden.done("plant.mark", { id, mark: "keep" });
  expect(what()[0]).toBe("Choose 2 more plants to keep");
  for (const id of best.slice(4)) garden.done("plant.mark", { id, mark: "seed-parent" });
  expect(what()).toEqual([null, "Gather the seed of 6 kept plants, each apart", "Make 6 lots, one of each kept plant"]);
  expect([...work("keep")!.stand.kept].sort()).toEqual([...best].sort());
  expect(work("keep")!.stand.selfs).toBe(true);
  garden.done("lot.save", {
    standId: stand,
    plantIds: work("keep")!.stand.kept,
    kind: "self",
    gathered: "2027-07-20",
    seeds: 50,
  });
  garden.on("2027-11-05");
  const { kept, sowing } = lineOf(garden, lineId);
  expect([kept!.plants, kept!.seed, kept!.none]).toEqual([6, 6, []]);
  expect(sowing!.rows.map(({ mother, wanted }) => [mother, wanted]).sort()).toEqual(
    [3, 6, 9, 12, 21, 30].map((mother) => [mother, 8]).sort(),
  );
});
