import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { compareView } from "@/views/compare";
import { familyView } from "@/views/family";
import { lineView } from "@/views/lines";
import { lotPage } from "@/views/lot";
import { type Plot, plot } from "./plot";

let garden: Plot;
let lineId: Id;
let standId: Id;
let plants: Id[];
beforeEach(() => {
  garden = plot();
  garden.on("2027-05-01");
  lineId = garden.done("line.add", { name: "Commons", species: "runner-bean", school: "let-it-mix", status: "mix" }).id;
  standId = garden.done("stand.add", { lineId, sown: "2027-05-01", sowedSeeds: 9, plants: 6, family: 1 }).id;
  plants = numbered(standId);
  garden.on("2027-09-20");
});
afterEach(() => garden.close());

const numbered = (stand: Id) => garden.plants(stand);
const view = (stand = standId) => familyView(garden.sky(), garden.code("stand", stand))!;
/** A lot of each of some plants, with so many seeds. */
const saved = (...seeds: number[]) =>
  seeds.map(
    (n, i) =>
      garden.done("lot.save", { standId, plantIds: [plants[i]], kind: "open", gathered: "2027-09-20", seeds: n }).id,
  );
const taken = (lotIds: Id[], ...seeds: number[]) => lotIds.map((lotId, i) => ({ lotId, seeds: seeds[i]! }));

describe("mothers put together", () => {
  test("so many seeds of each become one lot with their shares; each keeps its rest, and it goes back with its undo", () => {
    const [one, two] = saved(40, 100) as [Id, Id];
    const { id, entry } = garden.done("lot.bulk", { lots: taken([one, two], 30, 10), note: "three to one" });
    expect(garden.row("lot", id)).toMatchObject({
      lineId,
      kind: "open",
      seeds: 40,
      motherStandId: standId,
      motherPlantId: null,
      note: "three to one",
      onTable: 0,
    });
    expect(garden.db.prepare("SELECT share FROM part WHERE lotId = ? ORDER BY share").pluck().all(id)).toEqual([
      0.25, 0.75,
    ]);
    const left = (lot: Id) => lotPage(garden.sky(), garden.code("lot", lot))!.lot;
    expect(left(one)).toMatchObject({ bulkedSeeds: 30, seedsLeft: 10, endedOn: null });
    expect(left(two)).toMatchObject({ bulkedSeeds: 10, seedsLeft: 90 });
    expect(view().mothers.map(({ number, left: of }) => [number, of])).toEqual([
      [1, 10],
      [2, 90],
    ]);
    garden.undone(entry);
    expect(left(one)).toMatchObject({ bulkedSeeds: 0, seedsLeft: 40 });
  });

  test("no more than there is, not into a reserve, not of what lies on the table or is gone, nor of strangers", () => {
    const [one, two] = saved(40, 100) as [Id, Id];
    const refused = (lots: object[]) => garden.refused("lot.bulk", { lots }).fields.lots;
    expect(refused(taken([one, two], 41, 10))).toContain("holds 40 seeds more; 41 can't be put together from it");
    garden.done("lot.change", { id: two, version: garden.version("lot", two), reserve: 95 });
    expect(refused(taken([one, two], 5, 6))).toContain("are its reserve");
    expect(refused(taken([one], 5))).toBeDefined();
    expect(garden.refused("lot.bulk", { lots: taken([one, one], 5, 5) }).kind).toBe("invalid");
    const other = garden.done("line.add", {
      name: "Other",
      species: "runner-bean",
      school: "keep-pure",
      status: "open-pollinated",
    }).id;
    const stranger = garden.done("lot.receive", { lineId: other, gathered: "2027-09-01", seeds: 50 }).id;
    expect(refused(taken([one, stranger], 5, 5))).toContain("Lines are not mixed.");
    const wet = garden.done("lot.save", { standId, plantIds: [plants[3]], kind: "open", gathered: "2027-09-20" }).id;
    expect(refused(taken([one, wet], 5, 5))).toContain("still on the table");
    garden.done("lot.end", { id: one, version: garden.version("lot", one), ending: "lost" });
    expect(refused(taken([one, two], 5, 5))).toContain("is no more");
  });

  test("a row of each mother is a family of its own, beside its sisters, with equal seed", () => {
    const lots = saved(40, 100, 30);
    garden.on("2028-05-01");
    const sow = (lotIds: Id[], seeds: number) => ({
      lots: lotIds.map((lotId) => ({ lotId, seeds, wanted: 9 })),
      sown: "2028-05-01",
    });
    const { ids, message } = garden.done("stand.sow", { ...sow(lots, 12), bedId: 1, sownIn: "ground" });
    expect(message).toContain("36 seeds sown, 3 rows");
    expect(ids.map((id) => garden.row("stand", id))).toMatchObject(
      lots.map((lotId) => ({ lotId, lineId, family: 1, sowedSeeds: 12, wanted: 9, season: 2028, planned: 0 })),
    );
    expect(view(ids[0]).sisters).toBe(2);
    expect(garden.refused("stand.sow", sow(lots, 19)).message).toContain("18 seeds more");
    expect(garden.refused("stand.sow", sow([], 1)).fields.lots).toContain("Choose whose seed");
    expect(garden.refused("stand.sow", sow([lots[0]!, lots[0]!], 1)).message).toContain("named twice");
  });
});

describe("a part kept apart", () => {
  test("has the whole's yardsticks, is compared as a sister, and may be put together with it again", () => {
    const [pale, dark] = saved(40, 100) as [Id, Id];
    const taste = garden.done("yardstick.add", {
      lineId,
      name: "Taste",
      kind: "scale",
      lowEnd: "a",
      highEnd: "b",
      wanted: "high",
    }).id;
    const { id: part, code } = garden.done("line.part", { id: lineId, name: "Commons, pale", lotIds: [pale] });
    expect(garden.row("line", part)).toMatchObject({
      subOfId: lineId,
      species: "runner-bean",
      school: "let-it-mix",
      status: "mix",
      origin: "part of Commons",
    });
    expect(garden.row("lot", pale)).toMatchObject({ lineId: part });
    expect(lineView(garden.sky(), code)!.parts.map(({ name }) => name)).toEqual(["Commons", "Commons, pale"]);
    expect(lineView(garden.sky(), garden.code("line", lineId))!.parts).toHaveLength(2);
    garden.on("2028-05-01");
    const [a, b] = [pale, dark].map((lotId) => {
      const of = garden.row("lot", lotId).lineId;
      return garden.done("stand.add", { lineId: of, lotId, sown: "2028-05-01", sowedSeeds: 6, plants: 3, family: 1 })
        .id;
    }) as [Id, Id];
    garden.on("2028-09-01");
    garden.done("score.set", { plantId: numbered(a)[0], yardstickId: taste, value: "8" });
    garden.done("score.set", { plantId: numbered(b)[0], yardstickId: taste, value: "3" });
    const groups = compareView(garden.sky(), garden.code("stand", a), { x: null, y: null, plants: [] })!.compared[0]!
      .groups;
    expect(groups.map(({ kind, values }) => [kind, values])).toEqual([
      ["family", [8]],
      ["sister", [3]],
    ]);
    const together = garden.done("lot.bulk", { lots: taken([pale, dark], 10, 20) }).id;
    expect(garden.row("lot", together)).toMatchObject({ lineId, seeds: 30 });
    // A part of a part is a part of the whole.
    const [again] = saved(9);
    garden.done("line.part", { id: lineId, name: "Third", lotIds: [again] });
    expect(lineView(garden.sky(), code)!.parts).toHaveLength(3);
  });

  test("only of seed of the line that was not sown yet", () => {
    const [lot] = saved(40) as [Id];
    const refused = (lotIds: Id[]) => garden.refused("line.part", { id: lineId, name: "P", lotIds }).fields.lotIds;
    expect(refused([])).toContain("Choose the lots");
    garden.done("stand.add", { lineId, lotId: lot, sown: "2027-09-20", sowedSeeds: 6 });
    expect(refused([lot])).toContain("was sown already as Commons");
    const other = garden.done("line.add", {
      name: "Other",
      species: "runner-bean",
      school: "keep-pure",
      status: "open-pollinated",
    }).id;
    expect(refused([garden.done("lot.receive", { lineId: other, gathered: "2027-09-01", seeds: 5 }).id])).toContain(
      "is Other",
    );
  });
});

describe("survival first", () => {
  const came = (input: object) => garden.done("trial.add", { standId, what: "drought", ...input });

  test("who was lost is out with the day and why; the rest came through, with a range", () => {
    const { entry, message } = came({ lostIds: plants.slice(0, 2), endedOn: "2027-08-01" });
    expect(message).toContain("4 of 6 plants came through drought");
    expect(view().plants.slice(0, 3)).toMatchObject([
      { mark: "out", reason: "lost to drought", removedOn: "2027-08-01" },
      { mark: "out" },
      { mark: "none", removedOn: null },
    ]);
    const [trial] = view().trials;
    expect(trial).toMatchObject({ stood: 6, lost: 2, code: garden.code("stand", standId) });
    expect(trial!.through.likely).toBeCloseTo(2 / 3, 9);
    // A later one is counted of those that were left.
    came({ what: "frost", lostIds: [plants[2]] });
    expect(view().trials.map(({ stood, lost }) => [stood, lost])).toEqual([
      [6, 2],
      [4, 1],
    ]);
    garden.undone(
      garden.done("trial.drop", { id: view().trials[1]!.id, version: garden.version("trial", view().trials[1]!.id) })
        .entry,
    );
    expect(view().trials).toHaveLength(2);
    expect(entry).not.toBe("");
  });

  test("a stand without numbers is counted off", () => {
    const bare = garden.done("stand.add", { lineId, sown: "2027-05-01", plants: 30 }).id;
    garden.done("trial.add", { standId: bare, what: "pest", lost: 12, words: "slugs" });
    expect(garden.row("stand", bare)).toMatchObject({ plants: 18 });
    expect(garden.refused("trial.add", { standId: bare, what: "pest", lost: 19 }).fields.lost).toBe(
      "18 stood before it; 19 can't be lost.",
    );
  });

  test("what can't be is refused beside its field", () => {
    const refused = (input: object) => garden.refused("trial.add", { standId, what: "heat", ...input }).fields;
    expect(refused({ lost: 2 }).lost).toContain("which of its numbered plants");
    expect(refused({ endedOn: "2027-09-21" }).endedOn).toContain("still to come");
    expect(refused({ endedOn: "2027-04-01" }).endedOn).toContain("was sown on");
    garden.done("plant.remove", { ids: [plants[0]], reason: "weak" });
    garden.on("2027-09-21");
    expect(refused({ lostIds: [plants[0]] }).lostIds).toContain("does not stand there any more");
    const empty = garden.done("stand.add", { lineId, sown: "2027-05-01" }).id;
    expect(garden.refused("trial.add", { standId: empty, what: "heat" }).fields.standId).toContain(
      "Nothing stands there",
    );
    expect(refused({ what: "hail" }).what).toBeDefined();
  });

  test("those that live are held against thresholds alone", () => {
    const taste = garden.done("yardstick.add", {
      lineId,
      name: "Taste",
      kind: "scale",
      lowEnd: "a",
      highEnd: "b",
      wanted: "high",
      floor: 5,
      weight: 0,
    }).id;
    came({ lostIds: [plants[5]] });
    for (const [i, value] of ["5", "4", "9"].entries())
      garden.done("score.set", { plantId: plants[i], yardstickId: taste, value });
    expect(view().passing).toEqual({
      pass: [plants[0], plants[2]],
      fail: [{ name: "Taste", ids: [plants[1]] }],
      open: [plants[3], plants[4]],
    });
  });

  test("sisters' trials stand beside its own", () => {
    const sister = garden.done("stand.add", { lineId, sown: "2027-05-01", plants: 4, family: 1 }).id;
    came({ lostIds: [plants[0]] });
    garden.done("trial.add", { standId: sister, what: "drought" });
    expect(view().trials.map(({ standId: of, stood }) => [of === standId, stood])).toEqual([
      [true, 6],
      [false, 4],
    ]);
  });
});
