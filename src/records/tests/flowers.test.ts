import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { perform, undo } from "../command";
import { COMMANDS } from "../commands";
import { findFlower } from "../find/queries";
import type { Flower } from "../flower/flower";
import { flowersOfCross, outcomes } from "../flower/queries";
import { NOBODY, type Plot, plot, twoMelons } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const flowers = (crossId: string): Flower[] => flowersOfCross(garden.db, crossId);
const rows = (table: string) => garden.db.prepare(`SELECT * FROM "${table}"`).all() as Record<string, unknown>[];

/** A melon cross with flowers pollinated on the morning of 2 July. */
function pollinated(count: number, at = "06:10") {
  const made = twoMelons(garden);
  const crossId = garden.done("cross.plan", { ...made.plan, fruitsWanted: 4 }).id;
  const { ids } = garden.done("flower.cover", { crossId, flowers: count, on: "2027-07-01" });
  record(crossId, ids, "pollinated", "2027-07-02", { at, males: 3 });
  return { ...made, crossId, ids };
}
const record = (crossId: string, ids: string[], result: string, on: string, more: object = {}) =>
  garden.done("flower.record", { crossId, on, ...more, results: ids.map((id) => ({ id, result })) });

describe("one flower after the other", () => {
  test("keeps its hour, males and days; the cover comes off when the fruit is looked at", () => {
    const { crossId, ids } = pollinated(2);
    record(crossId, [ids[0]!], "set", "2027-07-09");
    expect(flowers(crossId)).toMatchObject([
      { state: "set", pollinatedAt: "06:10", males: 3, passes: 1, lastPass: "2027-07-02", uncoveredOn: "2027-07-09" },
      { state: "pollinated", uncoveredOn: null },
    ]);
  });

  test("a fault before pollination ends it, a fault after it stays on it and keeps it from being the cross", () => {
    const { crossId, ids } = pollinated(3);
    record(crossId, [ids[0]!], "torn-bag", "2027-07-04");
    expect(flowers(crossId)[0]).toMatchObject({ state: "pollinated", fault: "torn-bag" });
    record(crossId, ids, "set", "2027-07-09");
    garden.on("2027-08-25");
    expect(garden.refused("cross.harvest", { crossId, fruits: 3, seeds: 300 }).fields.fruits).toContain("2 set");
    garden.done("cross.harvest", { crossId, fruits: 2, seeds: 300 });
    const lot = garden.done("cross.harvest", { crossId, fruits: 1, seeds: 90, doubtful: true });
    const [clean, doubt] = rows("lot");
    expect(clean).toMatchObject({ kind: "cross", doubt: null, generation: 1 });
    expect(doubt).toMatchObject({
      id: lot.id,
      kind: "open",
      doubt: "torn-bag",
      lineId: garden.row("line", 1).id,
      generation: null,
      crossId,
    });
    expect(rows("candidate")).toMatchObject([
      { lotId: lot.id, role: "father", standId: garden.row("stand", 2).id, share: 0.5 },
      { lotId: lot.id, role: "father", standId: null, share: 0.5 },
    ]);
    const covered = garden.done("flower.cover", { crossId, flowers: 1, on: "2027-08-25" }).ids[0]!;
    const wrong = { crossId, results: [{ id: covered, result: "wrong-father" }] };
    expect(garden.refused("flower.record", wrong).message).toContain("not pollinated");
    record(crossId, [covered], "found-open", "2027-08-25");
    expect(flowers(crossId).at(-1)).toMatchObject({ state: "unusable", fault: "found-open" });
  });

  test("what was said of one flower's fathers goes with its fruit, in shares", () => {
    const { crossId, ids, mother, father } = pollinated(2);
    record(crossId, ids, "unsure", "2027-07-03");
    const candidates = [
      { standId: father, share: 0.7 },
      { standId: mother, share: 0.3 },
    ];
    // Said again it is said once.
    for (const _ of [1, 2]) garden.done("candidate.set", { of: "flower", id: ids[0], role: "father", candidates });
    expect(rows("candidate")).toHaveLength(2);
    expect(
      garden.refused("candidate.set", { of: "flower", id: ids[0], role: "father", candidates: candidates.slice(1) })
        .message,
    ).toContain("30 %");
    record(crossId, ids, "set", "2027-07-09");
    garden.on("2027-08-25");
    garden.done("cross.harvest", { crossId, fruits: 2, seeds: 90, doubtful: true });
    const shares = Object.fromEntries(
      rows("candidate")
        .filter((c) => c.lotId)
        .map((c) => [String(c.standId), c.share]),
    );
    expect(shares).toEqual({ [father]: 0.35 + 0.25, [mother]: 0.15, null: 0.25 });
  });

  test("a lost one says why; nothing more can be recorded of it", () => {
    const { crossId, ids } = pollinated(2);
    const lost = { crossId, results: [{ id: ids[0], result: "lost" }] };
    expect(garden.refused("flower.record", lost).message).toContain("why");
    garden.done("flower.record", {
      crossId,
      results: [{ id: ids[0], result: "lost", why: "eaten", note: "by a hen" }],
    });
    expect(flowers(crossId)[0]).toMatchObject({ state: "lost", lostWhy: "eaten", note: "by a hen" });
    for (const result of ["set", "pollinated", "torn-bag"])
      garden.refused("flower.record", { crossId, on: "2027-07-09", results: [{ id: ids[0], result }] });
  });

  test("told by two phones alike it is told once; told differently the second is refused with the reason", () => {
    const { crossId, ids } = pollinated(1);
    const set = { crossId, on: "2027-07-09", results: [{ id: ids[0], result: "set" }] };
    garden.done("flower.record", set);
    expect(garden.done("flower.record", set).entry).toBe("");
    const failed = { ...set, results: [{ id: ids[0], result: "failed" }] };
    expect(garden.refused("flower.record", failed).message).toContain("is set already");
    const twice = perform(
      garden.db,
      COMMANDS.get("flower.cover")!,
      { crossId, flowers: 2 },
      { id: NOBODY, day: "2027-07-09" },
    );
    expect(
      perform(garden.db, COMMANDS.get("flower.cover")!, { crossId, flowers: 2 }, { id: NOBODY, day: "2027-07-09" }),
    ).toEqual(twice);
    expect(flowers(crossId)).toHaveLength(3);
  });

  test("ears go over three days: tassels before the pollen, and the pollen at noon of that day", () => {
    const parent = (name: string) =>
      garden.done("stand.add", { lineId: garden.line(name, "maize"), bedId: 1, sown: "2027-04-20", plants: 30 }).id;
    const plan = { ...twoMelons(garden).plan, motherStandId: parent("Tall"), fatherStandId: parent("Small") };
    const crossId = garden.done("cross.plan", plan).id;
    expect(rows("cross")[0]).toMatchObject({ method: "wind-ears" });
    const { ids } = garden.done("flower.cover", { crossId, flowers: 2, on: "2027-07-06" });
    const early = { crossId, on: "2027-07-08", results: [{ id: ids[0], result: "pollinated" }] };
    expect(garden.refused("flower.record", early).message).toContain("first shake");
    record(crossId, ids, "gathered", "2027-07-08");
    record(crossId, ids, "pollinated", "2027-07-08", { males: 12, at: "12:05" });
    expect(flowers(crossId)[0]).toMatchObject({ state: "pollinated", gatheredOn: "2027-07-08", males: 12 });
  });

  test("heads are brushed again and again, each time counted", () => {
    const leeks = garden.done("stand.add", {
      lineId: garden.line("Slate", "leek"),
      bedId: 1,
      sown: "2026-03-20",
      plants: 30,
    }).id;
    const { plan } = twoMelons(garden);
    const crossId = garden.done("cross.plan", { ...plan, motherStandId: leeks, fatherStandId: leeks }).id;
    const { ids } = garden.done("flower.cover", { crossId, flowers: 1, on: "2027-07-01" });
    for (const on of ["2027-07-03", "2027-07-05", "2027-07-07"]) record(crossId, ids, "pollinated", on, { males: 5 });
    expect(flowers(crossId)[0]).toMatchObject({ passes: 3, pollinatedOn: "2027-07-03", lastPass: "2027-07-07" });
    const back = { crossId, on: "2027-07-06", results: [{ id: ids[0], result: "pollinated" }] };
    expect(garden.refused("flower.record", back).fields.on).toContain("after that day");
  });

  test("what flowers taught is counted by line, method and hour, without those in doubt", () => {
    const { crossId, ids } = pollinated(4);
    record(crossId, [ids[0]!], "torn-bag", "2027-07-04");
    record(crossId, ids.slice(0, 3), "set", "2027-07-09");
    record(crossId, [ids[3]!], "failed", "2027-07-09");
    expect(outcomes(garden.db)).toEqual([
      {
        species: "melon",
        lineId: garden.row("line", 1).id,
        method: "separate-sex-emasculated",
        hour: "06",
        set: 2,
        failed: 1,
      },
    ]);
  });

  test("a tag leads to its flower, one printed ahead to the cross", () => {
    pollinated(2);
    const code = rows("cross")[0]!.code as string;
    expect(findFlower(garden.db, code, 2)).toMatchObject([{ kind: "flower", href: `/crosses/${code}?flower=2` }]);
    expect(findFlower(garden.db, code, 9)).toMatchObject([
      { href: `/crosses/${code}`, name: "Lantern, flower 9, not covered yet" },
    ]);
    expect(findFlower(garden.db, "X27-999-9", 1)).toEqual([]);
  });
});

describe("planning", () => {
  test("mixed pollen keeps its fathers with even shares; many mothers and the other way round are crosses of their own", () => {
    const { plan, father } = twoMelons(garden);
    const third = garden.done("stand.add", {
      lineId: garden.line("Third", "melon"),
      bedId: 2,
      sown: "2027-04-28",
      plants: 4,
    }).id;
    const mixed = garden.done("cross.plan", { ...plan, moreFathers: [{ standId: third }] }).id;
    expect(rows("candidate")).toMatchObject([
      { crossId: mixed, standId: father, share: 0.5 },
      { crossId: mixed, standId: third, share: 0.5 },
    ]);
    const many = garden.done("cross.plan", {
      ...plan,
      moreMothers: [{ standId: third }],
      reciprocal: true,
      lineName: "L2",
    });
    expect(many.ids).toHaveLength(3);
    expect(rows("cross").slice(1)).toMatchObject([
      { motherStandId: plan.motherStandId, fatherStandId: father },
      { motherStandId: third, fatherStandId: father },
      { motherStandId: father, fatherStandId: plan.motherStandId },
    ]);
    expect(undo(garden.db, many.entry).ok).toBe(true);
    expect(rows("cross")).toHaveLength(1);
    const bean = garden.done("stand.add", {
      lineId: garden.line("Bean", "runner-bean"),
      sown: "2027-05-01",
      plants: 4,
    }).id;
    expect(garden.refused("cross.plan", { ...plan, moreFathers: [{ standId: bean }] }).fields).toHaveProperty(
      "moreFathers",
    );
  });

  test("a line without anthers in its fruiting flowers is not emasculated", () => {
    const { plan } = twoMelons(garden);
    garden.done("line.change", { id: 1, version: garden.version("line", 1), anthers: "no" });
    garden.done("cross.plan", plan);
    expect(rows("cross")[0]).toMatchObject({ method: "separate-sex" });
  });

  test("the method stays once flowers were done; stored pollen needs a way to keep it", () => {
    const { crossId } = pollinated(1);
    const adjust = (input: object) => ({ id: crossId, version: rows("cross")[0]!.version, ...input });
    expect(garden.refused("cross.adjust", adjust({ method: "separate-sex" })).fields).toHaveProperty("method");
    expect(garden.refused("cross.adjust", adjust({ storedOn: "2027-07-08" })).fields).toHaveProperty("storage");
    garden.done("cross.adjust", adjust({ storage: "fridge", storedOn: "2027-07-08", note: " dry " }));
    expect(rows("cross")[0]).toMatchObject({ storage: "fridge", storedOn: "2027-07-08", note: "dry" });
    garden.done("cross.adjust", adjust({ storage: null }));
    expect(rows("cross")[0]).toMatchObject({ storage: null, storedOn: null });
  });

  test("a sowing still ahead is moved, one that is done is not; a second sowing becomes the father", () => {
    const { plan } = twoMelons(garden);
    const ahead = garden.done("stand.add", { lineId: 2, bedId: 2, sown: "2028-05-10", plants: 4 }).id;
    const id = garden.done("cross.plan", { ...plan, fatherStandId: ahead }).id;
    garden.done("cross.sow-on", { crossId: id, parent: "father", sown: "2028-04-20" });
    expect(rows("stand").find((s) => s.id === ahead)).toMatchObject({ sown: "2028-04-20", season: 2028 });
    expect(garden.refused("cross.sow-on", { crossId: id, parent: "mother", sown: "2028-04-20" }).message).toContain(
      "second time",
    );
    const again = garden.done("cross.sow-again", { crossId: id, sown: "2027-07-12" }).id;
    expect(rows("cross")[0]).toMatchObject({ fatherStandId: again });
    expect(garden.refused("cross.sow-again", { crossId: id, sown: "2027-07-01" }).fields).toHaveProperty("sown");
  });
});

describe("the book's file", () => {
  const take = (text: string, dryRun = false) => ({ text, dryRun });
  const code = () => rows("cross")[0]!.code as string;

  test("a dry run says what would change and changes nothing; then it comes in, once", () => {
    const { crossId } = pollinated(2);
    const text = [
      "cross,flower,covered,pollinated,at,checked,state,flowerNote",
      `${code()},1,2027-07-01,2027-07-02,06:10,2027-07-09,set,'=SUM(A1)`,
      `${code()},3,2027-07-08,,,,covered,`,
    ].join("\n");
    const dry = garden.refused("cross.import", take(text, true));
    expect(dry).toMatchObject({ kind: "dry-run", message: "Would be taken in: 2 changes." });
    expect(Object.values(dry.fields)[1]).toContain("flower 3 new, covered");
    garden.done("cross.import", take(text));
    expect(flowers(crossId)).toMatchObject([
      { number: 1, state: "set", note: "=SUM(A1)", males: null },
      { number: 2, state: "pollinated" },
      { number: 3, state: "covered" },
    ]);
    expect(garden.done("cross.import", take(text)).entry).toBe("");
  });

  test("every faulty line is named by its number, and nothing comes in", () => {
    pollinated(1);
    const text = [
      "cross,flower,covered,pollinated,checked,state,lostWhy",
      `${code()},2,2027-07-08,,,covered,`,
      `${code()},3,2027-07-08,2027-07-07,,pollinated,`,
      `${code()},4,2027-07-08,,,pollinated,`,
      "X27-999-9,1,2027-07-08,,,covered,",
      `${code()},x,2027-07-08,,,covered,`,
      `${code()},5,2027-07-08,,,lost,`,
      `${code()},6,2027-07-30,,,covered,`,
      `${code()},7,2027-07-01,2027-07-02,2027-07-09,harvested,`,
    ].join("\n");
    const { message, fields } = garden.refused("cross.import", take(text));
    expect(message).toContain("7 of 8 lines");
    expect(Object.keys(fields)).toEqual([3, 4, 5, 6, 7, 8, 9].map((n) => `line ${n}`));
    expect(fields["line 3"]).toContain("before");
    expect(fields["line 4"]).toContain("needs the day “pollinated”");
    expect(fields["line 9"]).toContain("cross's page");
  });

  test("new crosses come by stand or by pedigree, and keep together what has one name", () => {
    twoMelons(garden);
    const text = JSON.stringify({
      crossBook: 1,
      rows: [
        {
          cross: "mine",
          pedigree: "Ashlar Gold/Nettle Moon",
          fruitsWanted: 3,
          flower: 1,
          covered: "2027-07-08",
          state: "covered",
        },
        { cross: "mine", pedigree: "Ashlar Gold/Nettle Moon", flower: 2, covered: "2027-07-08", state: "covered" },
      ],
    });
    garden.done("cross.import", take(text));
    expect(rows("cross")).toMatchObject([{ fruitsWanted: 3, method: "separate-sex-emasculated" }]);
    expect(rows("flower")).toHaveLength(2);
    const bad = (pedigree: string) =>
      Object.values(garden.refused("cross.import", take(JSON.stringify({ rows: [{ pedigree }] }))).fields)[0];
    expect(bad("Ashlar Gold/")).toContain("missing");
    expect(bad("Ashlar Gold/Nobody")).toContain("no stand Nobody");
  });

  test("flowers without a number, and a season in which the mother does not grow, are refused by their line", () => {
    twoMelons(garden);
    const { fields } = garden.refused(
      "cross.import",
      take("season,mother,father,covered\n,Ashlar Gold,Nettle Moon,2027-07-08\n2024,Ashlar Gold,Nettle Moon,"),
    );
    expect(fields).toEqual({
      "line 2": "“covered” tells of a flower: number it under “flower”, and say its “state”",
      "line 3": "“season” is 2024, but S27-001-1 grows in 2027; give a planting of 2024 as mother",
    });
  });

  test("days in figures are read in one order, which is asked where the file does not show it", () => {
    const { crossId } = pollinated(1);
    const text = `cross,flower,covered,state\n${code()},2,07/08/2027,covered`;
    expect(garden.refused("cross.import", take(text, true)).fields).toEqual({
      order: "Say which comes first in this file's days: the day or the month.",
    });
    garden.done("cross.import", { ...take(text), order: "month-first" });
    expect(flowers(crossId)[1]).toMatchObject({ coveredOn: "2027-07-08" });
  });

  test("a file that is none, or has a column nobody knows, is refused whole", () => {
    for (const text of ["", "{nonsense", '{"a":1}', "cross,colour\nx,red", 'cross\n"open'])
      expect(garden.refused("cross.import", take(text)).message).toMatch(/\S/);
  });
});
