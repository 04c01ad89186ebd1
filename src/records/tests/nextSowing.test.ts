import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { bedsForStand } from "@/views/bedsToSow";
import { lineStanding, linesKnown } from "@/views/linePlan";
import { lineList } from "@/views/lineRows";
import { lotPage } from "@/views/lot";
import { nextSowing } from "@/views/nextSowing";
import { todayView } from "@/views/today";
import { family, madeOnce, type Plot, plot } from "./plot";

/** A melon cross whose F2 of twelve plants stands in 2029, with the line's beds. */
function begun(garden: Plot) {
  const { lineId, stand: f1, plants } = family(garden);
  garden.on("2028-09-20");
  const kept = garden.done("lot.save", {
    standId: f1,
    plantIds: [plants[0]],
    kind: "self",
    gathered: "2028-09-20",
    seeds: 200,
  });
  garden.on("2029-05-10");
  const lotId = kept.ids[0] ?? kept.id;
  const sown = { lots: [{ lotId, seeds: 20, wanted: 12 }], sown: "2029-05-10", bedId: 1 };
  const f2 = garden.done("stand.sow", sown).id;
  garden.done("stand.change", { id: f2, version: garden.version("stand", f2), cameUp: 13, plants: 12 });
  return { lineId, f1, f2, lotId };
}
let garden: Plot;
const made = madeOnce(() => begun(garden), "2029-09-20");
let at: ReturnType<typeof begun>;
beforeEach(() => {
  garden = plot();
  const start = made(garden);
  garden = start.garden;
  at = start.made;
  garden.on("2029-09-20");
});
afterEach(() => garden.close());

const code = () => garden.code("line", at.lineId);
const sheet = (lot: string | null = null) => nextSowing(garden.sky(), code(), lot)!;
const save = (plantId: Id, seeds: number | null) =>
  garden.done("lot.save", { standId: at.f2, plantIds: [plantId], kind: "self", gathered: "2029-09-20", seeds }).id;
const standing = () => lineStanding(garden.sky(), linesKnown(garden.sky()).get(at.lineId)!);

describe("the next generation", () => {
  test("a generation that divides is numbered, however it is sown", () => {
    expect(garden.row("stand", at.f2)).toMatchObject({ family: 1, generation: 2, wanted: 12, sowedSeeds: 20 });
    expect(garden.plants(at.f2)).toHaveLength(12);
    const more = garden.done("stand.add", { lineId: at.lineId, lotId: at.lotId, sown: "2029-06-01", sowedSeeds: 5 });
    expect(garden.row("stand", more.id)).toMatchObject({ family: 1 });
    // What is only planned has no plants yet, whatever number was meant.
    const next = garden.done("stand.add", {
      lineId: at.lineId,
      lotId: at.lotId,
      sown: "2030-06-01",
      sowedSeeds: 5,
      plants: 4,
    });
    expect([next.message.includes("to be sown on"), garden.plants(next.id)]).toEqual([true, []]);
  });

  test("is a row of each mother that is kept, by the plan, in a bed that has room and rest", () => {
    const plants = garden.plants(at.f2);
    const lots = [2, 5, 7].map((i, n) => save(plants[i]!, 30 + n));
    const asked = sheet();
    expect(asked).toMatchObject({
      numbered: true,
      way: "pedigree",
      season: 2030,
      // A melon takes more than half a square metre: 24 a season, of six mothers.
      step: { generation: 3, season: 2030, act: "select-self", plants: 24, mothers: 6, kept: 5, guard: "hand" },
      outcrosses: true,
      share: null,
    });
    expect(asked.lots.map(({ id, chosen, mother }) => [id, chosen, mother])).toEqual(
      expect.arrayContaining(lots.map((id, n) => [id, true, [3, 6, 8][n]])),
    );
    expect(asked.lots).toHaveLength(3);
    expect([asked.sown > garden.sky().today, asked.sown.slice(5)]).toEqual([true, "05-10"]);
    // Bed A had melons in 2027, 2028 and 2029.
    const [first] = asked.beds;
    expect(first!.tooSoon).toMatchObject({ season: 2029 });
    expect(asked.bedId).not.toBe(first!.id);
    const only = sheet(garden.code("lot", lots[1]!));
    expect(only.lots.filter(({ chosen }) => chosen).map(({ id }) => id)).toEqual([lots[1]]);
  });

  test("any kept plant whose seed was saved has its row, unless nothing is left of it", () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.nat(11), { minLength: 2, maxLength: 8 }), (kept) => {
        const again = made(plot());
        again.garden.on("2029-09-20");
        const plants = again.garden.plants(at.f2);
        const lots = kept.map((i, n) => {
          const told = { standId: at.f2, plantIds: [plants[i]], kind: "self", gathered: "2029-09-20", seeds: 10 + n };
          return again.garden.done("lot.save", told).id;
        });
        // The last one's seed is given away.
        const gone = lots.at(-1)!;
        again.garden.done("lot.end", { id: gone, version: again.garden.version("lot", gone), ending: "given" });
        const proposed = nextSowing(again.garden.sky(), again.garden.code("line", at.lineId))!;
        const chosen = proposed.lots.filter((lot) => lot.chosen).map(({ id }) => id);
        again.garden.close();
        expect(chosen.sort()).toEqual(lots.slice(0, -1).sort());
      }),
      { numRuns: 6 },
    );
  });

  test("of a bed's own planting and its room", () => {
    const where = bedsForStand(garden.sky(), garden.code("stand", at.f2))!;
    expect(where.bedId).toBe(garden.row("stand", at.f2).bedId);
    expect(bedsForStand(garden.sky(), "S99-001-X")).toBe(null);
    expect(nextSowing(garden.sky(), "L99-001-X")).toBe(null);
  });
});

describe("a line on its way", () => {
  test("grows, has seed of its next generation, has it planned, and never loses its step", () => {
    expect(standing()).toMatchObject({ step: "growing", toSow: false, risk: null, plannedOn: null });
    const lot = save(garden.plants(at.f2)[0]!, 40);
    expect(standing()).toMatchObject({ step: "growing", toSow: true });
    garden.on("2030-04-01");
    expect(standing().step).toBe("sow");
    const row = todayView(garden.sky()).tasks.find((task) => task.kind === "regrow");
    expect(row).toMatchObject({ line: { lineId: at.lineId, planned: { plants: 24, mothers: 1 } } });
    garden.done("stand.sow", { lots: [{ lotId: lot, seeds: 40, wanted: 20 }], sown: "2030-05-10" });
    expect(standing()).toMatchObject({ step: "planned", toSow: false, plannedOn: "2030-05-10" });
    // The plan goes on after what is planned.
    expect(standing().plan.ahead[0]).toMatchObject({ generation: 4, season: 2031 });
  });

  test("that was lost to slugs is answered on the day: what seed is left, what else grows, and it is to be sown again", () => {
    const lose = () =>
      garden.done("stand.end", { id: at.f2, version: garden.version("stand", at.f2), ending: "lost", why: "slugs" });
    garden.on("2029-05-20");
    const { warnings, entry } = lose();
    expect(warnings).toEqual(["180 seeds of it are left: sow again while there is time."]);
    expect(standing()).toMatchObject({ step: "sow", toSow: true });
    expect(standing().plan.ahead[0]).toMatchObject({ generation: 2, season: 2029 });
    const row = todayView(garden.sky()).tasks.find((task) => task.kind === "regrow" && task.line.lineId === at.lineId);
    expect(row).toMatchObject({ line: { sowOn: "2029-05-20" } });
    garden.undone(entry);
    garden.done("lot.end", { id: at.lotId, version: garden.version("lot", at.lotId), ending: "used-up" });
    expect(lose().warnings[0]).toContain("No seed of this generation is left");
  });

  test("of which nothing came up is answered on the day, and offered anew once that is said", () => {
    const sowing = { lots: [{ lotId: at.lotId, seeds: 10, wanted: 6 }], sown: "2029-09-20" };
    const { id } = garden.done("stand.sow", sowing);
    garden.on("2029-09-30");
    const looked = (counted: number) =>
      garden.done("deed.done", { standId: id, act: "look-up", counted, on: "2029-09-30" });
    const { warnings, entry } = looked(0);
    expect(warnings[0]).toContain("Nothing of");
    expect(warnings[0]).toContain("170 seeds of it are left: sow again while there is time.");
    garden.undone(entry);
    expect(looked(3).warnings).toEqual([]);
  });

  test("of which nothing lives says so at the top of its list and on Today, until it is ended", () => {
    for (const lotId of garden.db.prepare("SELECT id FROM lot WHERE lineId = ?").pluck().all(at.lineId) as Id[])
      garden.done("lot.end", { id: lotId, version: garden.version("lot", lotId), ending: "lost" });
    // Its parents were not saved either: those first of which nothing lives.
    const first = () =>
      lineList(garden.sky(), { words: "Lantern", show: null, by: null, from: null }).list.items.at(0)!.step;
    // All of it stands in this season's plants.
    expect(standing().risk).toBe("one-season");
    garden.done("stand.change", { id: at.f2, version: garden.version("stand", at.f2), seedWanted: 0 });
    const said = () =>
      todayView(garden.sky()).tasks.flatMap((task) =>
        task.kind === "link" && task.task.id === at.lineId ? task.task.act : [],
      );
    expect([standing().risk, said()]).toEqual(["no-seed-coming", ["line-risk"]]);
    garden.on("2030-02-01");
    expect([standing().step, said(), first()]).toEqual(["lost", ["line-lost"], "lost"]);
    garden.done("line.end", { id: at.lineId, version: garden.version("line", at.lineId), ending: "lost" });
    expect(said()).toEqual([]);
  });

  test("a plan of its own is changed by one hand at a time, and moves with a season that is skipped", () => {
    const steps = standing().plan.ahead;
    const told = { lineId: at.lineId, way: "pedigree", generations: steps.map((step) => ({ ...step, plants: 60 })) };
    const { message } = garden.done("plan.take", told);
    expect(message).toBe("Lantern: 4 seasons planned");
    // The other device saw no plan.
    expect(garden.refused("plan.take", told).message).toContain("changed meanwhile");
    const { plan } = standing();
    expect([plan.usual, plan.ahead[0]!.plants, plan.late]).toEqual([false, 60, 0]);
    const again = garden.done("plan.take", { ...told, replaces: plan.rows });
    expect(again.message).toContain("in place of 4 seasons");
    const [first] = standing().plan.ahead;
    garden.done("plan.change", { id: first!.id, version: first!.version, kept: 9 });
    expect(garden.refused("plan.change", { id: first!.id, version: first!.version, kept: 8 }).kind).toBe("conflict");
    expect(garden.refused("plan.change", { id: first!.id, version: 1, kept: 61 }).fields.kept).toContain(
      "can't be kept",
    );
    expect(garden.refused("plan.change", { id: first!.id, version: 1, mothers: 61 }).fields.mothers).toContain(
      "mothers",
    );
    garden.on("2032-02-01");
    const late = standing().plan;
    expect([late.late, late.ahead.map(({ season }) => season)]).toEqual([2, [2032, 2033, 2034, 2035]]);
    garden.done("plan.drop", { lineId: at.lineId });
    expect(standing().plan.usual).toBe(true);
    expect(garden.refused("plan.drop", { lineId: at.lineId }).fields.lineId).toContain("as usual already");
  });
});

test("of a dividing generation enough is its plan twice, and nothing is to be eaten", () => {
  const lot = lotPage(garden.sky(), garden.code("lot", at.lotId))!;
  // Its F2 was sown: what the plan has next is the F3.
  expect(lot.planned).toBe(null);
  const f3 = lotPage(garden.sky(), garden.code("lot", save(garden.plants(at.f2)[0]!, 40)))!;
  expect([f3.planned, f3.plants]).toEqual([24, 4]);
  expect(f3.enough.need).toBeGreaterThan(48);
});
