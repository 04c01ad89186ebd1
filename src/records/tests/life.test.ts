import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { byBed, openWork } from "@/views/work";
import { storeLooks } from "../deed/queries";
import { type Plot, plot, twoMelons } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const done = (standId: Id, act: string, on: string, more: object = {}) => {
  garden.on(on);
  return garden.done("deed.done", { standId, act, ...more });
};
const not = (standId: Id, act: string, more: object = {}) => garden.refused("deed.done", { standId, act, ...more });
const acts = (standId: Id) =>
  openWork(garden.sky())
    .filter(({ stand }) => stand.id === standId)
    .map(({ act, standing }) => `${act} ${standing}`);

describe("a tomato from its plan to the drawer", () => {
  const plan = () => {
    garden.on("2028-01-10");
    const lineId = garden.line("Low Kiln", "tomato");
    return garden.done("stand.add", { lineId, bedId: 1, sown: "2028-03-20", plants: 10 }).id;
  };

  test("goes by presses, each on its day; what was planned is what is wanted, what stands is counted", () => {
    const id = plan();
    expect(garden.row("stand", id)).toMatchObject({ planned: 1, plants: 10, wanted: null });
    expect(acts(id)).toContain("sow ahead");
    garden.on("2028-03-12");
    expect(acts(id)).toContain("sow early");
    done(id, "sow", "2028-03-24", { counted: 18 });
    expect(garden.row("stand", id)).toMatchObject({ planned: 0, sown: "2028-03-24", wanted: 10, plants: null });
    done(id, "look-up", "2028-04-02", { counted: 14 });
    done(id, "prick-out", "2028-04-10");
    garden.on("2028-05-23");
    expect(acts(id)).toEqual(expect.arrayContaining(["harden due", "plant-out early"]));
    done(id, "plant-out", "2028-05-28", { counted: 12 });
    expect(garden.row("stand", id)).toMatchObject({
      cameUp: 14,
      upOn: "2028-04-02",
      pottedOn: "2028-04-10",
      plantedOut: "2028-05-28",
      plants: 12,
    });
    done(id, "first-flower", "2028-06-18");
    done(id, "rogue", "2028-06-18");
    expect(acts(id)).toEqual(["gather ahead", "keep ahead"]);
    garden.on("2028-08-20");
    expect(acts(id)).toEqual(["gather due", "keep ahead"]);
    done(id, "gather", "2028-08-20");
    expect(acts(id)).toEqual(["keep ahead"]);
    garden.on("2028-09-03");
    expect(acts(id)).toEqual(["keep due"]);
    garden.done("lot.save", { standId: id, kind: "self", gathered: "2028-08-20", mass: 2 });
    expect(acts(id)).toEqual([]);
  });

  test("refuses in a sentence what can't have been, and nothing is lost", () => {
    const id = plan();
    garden.on("2028-03-24");
    expect(not(id, "rogue").message).toBe(`${garden.code("stand", id)} is only planned; sow it first.`);
    done(id, "sow", "2028-03-24", { counted: 12 });
    expect(not(id, "look-up", { on: "2028-03-25" }).fields.on).toBe("That day is still to come.");
    done(id, "look-up", "2028-04-02", { counted: 9 });
    const early = garden.refused("deed.done", { standId: id, act: "prick-out", on: "2028-04-01" });
    expect(early.fields.on).toBe("It can't be potted on 1 Apr: it was up on 2 Apr.");
    expect(not(id, "plant-out", { counted: 11 }).fields.counted).toBe("11 can't be planted: only 9 came up.");
    expect(not(id, "harden", { on: "2028-03-20" }).fields.on).toContain("was sown on 24 Mar, after that day.");
    // Recorded for yesterday, it is yesterday's.
    garden.on("2028-06-02");
    garden.done("deed.done", { standId: id, act: "plant-out", on: "2028-06-01", counted: 9 });
    expect(garden.row("stand", id)).toMatchObject({ plantedOut: "2028-06-01" });
  });

  test("an ended stand is left alone until it is brought back", () => {
    const id = plan();
    done(id, "sow", "2028-03-24", { counted: 12 });
    garden.on("2028-04-20");
    const { message } = garden.done("stand.end", { id, version: 1, ending: "lost", why: "slugs", on: "2028-04-18" });
    expect(message).toContain("lost 18 Apr");
    expect(acts(id)).toEqual([]);
    expect(not(id, "rogue").fields.standId).toContain("ended on 18 Apr (lost). Bring it back first if it lives.");
    expect(garden.refused("stand.end", { id, version: 1, ending: "done" }).fields.id).toContain("ended on 18 Apr");
    // The other device did not know yet, and recorded a step of after its end.
    expect(garden.refused("stand.change", { id, version: 1, upOn: "2028-04-19" }).fields.upOn).toBe(
      "It can't be up on 19 Apr: it ended on 18 Apr.",
    );
    garden.done("stand.bring-back", { id, version: 1 });
    expect(garden.row("stand", id)).toMatchObject({ endedOn: null, ending: null, endedWhy: "" });
    expect(acts(id)).toContain("look-up due");
    expect(garden.refused("stand.bring-back", { id, version: 1 }).fields.id).toContain("has not ended");
  });
});

describe("put off, left and missed", () => {
  test("work comes back on the day that was said, not this time, or never", () => {
    const { mother } = twoMelons(garden);
    garden.on("2027-06-20");
    expect(acts(mother)).toContain("rogue due");
    expect(garden.refused("deed.put-off", { standIds: [mother], act: "rogue", until: "2027-06-20" }).fields.until).toBe(
      "Put it off to a day that is still to come.",
    );
    garden.done("deed.put-off", { standIds: [mother], act: "rogue", until: "2027-06-23" });
    expect(acts(mother)).toContain("rogue ahead");
    garden.on("2027-06-23");
    expect(acts(mother)).toContain("rogue due");
    const { entry } = garden.done("deed.leave", {
      standIds: [mother],
      act: "rogue",
      how: "never",
      why: "two plants only",
    });
    expect(acts(mother).join()).not.toContain("rogue");
    garden.undone(entry);
    expect(acts(mother)).toContain("rogue due");
  });

  test("a bed's rows are one walk: some of them are counted under one press, and one undo takes them back", () => {
    const lineId = garden.line("Kiln", "tomato");
    const rows = Array.from(
      { length: 6 },
      () => garden.done("stand.add", { lineId, bedId: 1, sown: "2027-03-20", wanted: 8, sowedSeeds: 10 }).id,
    );
    garden.on("2027-05-25");
    const out = () => byBed(openWork(garden.sky())).filter(({ works }) => works[0]!.act === "plant-out");
    // A quarter of an hour once, and a minute a plant: 8 are meant in each.
    expect(out()).toMatchObject([{ place: "A", works: { length: 6 }, count: 48, minutes: 15 + 48 }]);
    const told = rows.slice(0, 5).map((standId, i) => ({ standId, counted: i }));
    const { entry, message, ids } = garden.done("deed.done-together", { act: "plant-out", works: told });
    expect(message).toBe("5 plantings: planted out 25 May");
    expect(ids).toHaveLength(5);
    const planted = () =>
      rows.map((id) => garden.db.prepare("SELECT plantedOut, plants FROM stand WHERE id = ?").raw().get(id));
    expect(planted()).toEqual([...[0, 1, 2, 3, 4].map((plants) => ["2027-05-25", plants]), [null, null]]);
    expect(out()).toMatchObject([{ works: [{ stand: { id: rows[5] } }] }]);
    garden.undone(entry);
    expect(planted()).toEqual(rows.map(() => [null, null]));
    // What is refused of one is refused of all, under the field that says it.
    const over = [
      { standId: rows[0]!, counted: 8 },
      { standId: rows[1]!, counted: 11 },
    ];
    expect(garden.refused("deed.done-together", { act: "plant-out", works: over }).fields).toEqual({
      counted: "11 plants can't stand from 10 seeds.",
    });
    expect(planted()).toEqual(rows.map(() => [null, null]));
    expect(garden.refused("deed.done-together", { act: "stake", works: [] }).message).toBe("Choose at least one.");
    const twice = [{ standId: rows[0]! }, { standId: rows[0]! }];
    expect(garden.refused("deed.done-together", { act: "stake", works: twice }).kind).toBe("invalid");
    garden.done("deed.put-off", { standIds: rows, act: "plant-out", until: "2027-05-28" });
    expect(out()[0]!.works.map(({ standing }) => standing)).toEqual(rows.map(() => "ahead"));
  });

  test("what was missed is asked about for a fortnight, all together", () => {
    const { mother } = twoMelons(garden);
    const flowers = garden.sky().standsOf(2027)[0]!.window.start;
    expect(flowers).toBe("2027-06-28");
    const missed = () => openWork(garden.sky()).filter(({ standing }) => standing === "missed");
    garden.on("2027-07-02");
    const works = missed().map(({ act, stand }) => ({ act, standId: stand.id }));
    // One look around serves both melons; the other flowers later.
    const asked = works.map(({ act, standId }) => `${act} ${standId}`);
    expect(asked.sort()).toEqual([`look-around ${mother}`, `rogue ${mother}`].sort());
    garden.done("deed.missed", { works });
    expect(missed()).toEqual([]);
    garden.undone(garden.db.prepare("SELECT id FROM op ORDER BY clock DESC LIMIT 1").pluck().get() as Id);
    expect(missed()).toHaveLength(works.length);
    garden.on("2027-08-20");
    expect(missed()).toEqual([]);
  });
});

describe("a leek through both its years", () => {
  test("is lifted, looked through, moved while it is stored, replanted, and its looks are kept", () => {
    garden.on("2027-03-28");
    const lineId = garden.line("Slatefoot", "leek");
    const id = garden.done("stand.add", { lineId, bedId: 1, sown: "2027-03-28", plants: 40, overwinter: "lifted" }).id;
    garden.on("2027-09-25");
    expect(acts(id)).toContain("lift due");
    done(id, "lift", "2027-10-01", { counted: 40, storedIn: "cellar" });
    done(id, "look-store", "2027-11-02", { counted: 37 });
    garden.done("stand.change", { id, version: 1, bedId: 2 });
    expect(garden.row("stand", id)).toMatchObject({ liftedOn: "2027-10-01", storedIn: "cellar", plants: 40 });
    const early = garden.refused("deed.done", { standId: id, act: "replant", on: "2027-09-30", counted: 30 });
    expect(early.fields.on).toBe("It can't be replanted on 30 Sept: it was lifted on 1 Oct.");
    done(id, "replant", "2028-04-10", { counted: 34 });
    expect(garden.row("stand", id)).toMatchObject({ plants: 34, replantedOn: "2028-04-10", season: 2028 });
    expect(storeLooks(garden.db, id)).toEqual([
      { on: "2027-10-01", counted: 40 },
      { on: "2027-11-02", counted: 37 },
    ]);
  });
});
