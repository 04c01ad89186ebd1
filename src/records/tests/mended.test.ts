import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { addDays } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { kinshipsOf } from "@/core/pedigree/pedigree";
import { pedigreeFile } from "@/views/pedigreeFile";
import { crossPedigrees, forebears, individualOf } from "../line/pedigree";
import { generationRows, lines } from "../line/queries";
import { family, type Plot, plot, twoMelons } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const first = (table: string) => garden.row(table, 1);
const numbers = (state: string) =>
  garden.db.prepare("SELECT number FROM flower WHERE state = ? ORDER BY number").pluck().all(state);

/** A cross with flowers pollinated on the days given, all set. */
function set(...days: string[]): { crossId: Id; ids: Id[] } {
  const { plan } = twoMelons(garden);
  const crossId = garden.done("cross.plan", plan).id;
  const ids = days.map((on) => {
    const [id] = garden.done("flower.cover", { crossId, flowers: 1, on: addDays(on, -1) }).ids;
    garden.done("flower.record", { crossId, on, results: [{ id, result: "pollinated" }] });
    return id!;
  });
  garden.on("2027-08-30");
  garden.done("flower.record", { crossId, results: ids.map((id) => ({ id, result: "set" })) });
  return { crossId, ids };
}

describe("a stand", () => {
  const planted = () => {
    const lineId = garden.line("Sun", "sunflower");
    return garden.done("stand.add", { lineId, bedId: 1, sown: "2027-05-01", plants: 20, rowCount: 4, spacing: 0.5 }).id;
  };

  test("keeps what a form does not speak of", () => {
    const id = planted();
    garden.done("stand.change", { id, version: 1, flowers: "covered", cover: "bags", saveFrom: 12 });
    const before = first("stand");
    garden.done("stand.change", { id, version: 1, plants: 18 });
    const { version: _, ...after } = first("stand");
    const { version: __, ...rest } = before;
    expect(after).toEqual({ ...rest, plants: 18 });
    expect(after).toMatchObject({ cover: "bags", saveFrom: 12, rowCount: 4, spacing: 0.5 });
  });

  test("sown after it was to be cut back is refused in words", () => {
    const { plan } = twoMelons(garden);
    const crossId = garden.done("cross.plan", plan).id;
    garden.done("cross.cut-back", { crossId, parent: "mother", on: "2027-07-20" });
    const sown = "2027-07-25";
    expect(garden.refused("stand.change", { id: plan.motherStandId, version: 1, sown }).fields).toEqual({
      sown: "It is to be cut back on 2027-07-20; it must be sown before that.",
    });
  });

  test("that flowers after the first frost is not ripe before the next year's", () => {
    // Sown in August it can't flower before the frost of 28 September; the year after is another one.
    const lineId = garden.line("Late", "sunflower");
    const id = garden.done("stand.add", { lineId, bedId: 1, sown: "2027-08-10", plants: 4 }).id;
    const stand = garden
      .sky()
      .standsOf(2027)
      .find((s) => s.id === id)!;
    expect(stand.ripening!.chance).toBeLessThan(0.01);
    expect(stand.ripening!.frost).toMatch(/^2027-/);
  });
});

describe("what a line's own first flowers teach", () => {
  test("leaves out a stand that flowered anew after it was cut back", () => {
    const { mother, plan } = twoMelons(garden);
    const lineId = garden.row("stand", mother).lineId as Id;
    const crossId = garden.done("cross.plan", plan).id;
    garden.done("cross.cut-back", { crossId, parent: "mother", on: "2027-05-10" });
    garden.on("2027-08-01");
    garden.done("stand.first-flower", { id: mother, firstFlower: "2027-07-20", version: 1 });
    expect(garden.sky().correction(lineId)).toBeNull();
    const second = garden.done("stand.add", { lineId, bedId: 2, sown: "2027-04-24", plants: 3 }).id;
    garden.done("stand.first-flower", { id: second, firstFlower: "2027-07-01", version: 1 });
    expect(garden.sky().correction(lineId)).toMatchObject({ observations: 1 });
  });

  test("takes a first female flower for a male one a week before it: half of 3 to 10 days, and a half is a day", () => {
    const taught = (name: string, firstFlower: string, sex: string) => {
      const lineId = garden.line(name, "melon");
      const id = garden.done("stand.add", { lineId, bedId: 1, sown: "2027-04-24", plants: 4 }).id;
      garden.done("deed.done", { standId: id, act: "first-flower", on: firstFlower, sex });
      return garden.sky().correction(lineId);
    };
    garden.on("2027-07-20");
    expect(taught("Hers", "2027-07-08", "female")).toEqual(taught("His", "2027-07-01", "male"));
  });
});

describe("a cross", () => {
  test("with pollen of several fathers is as near to each as he counts among them", () => {
    const { plan, father } = twoMelons(garden);
    const third = garden.done("stand.add", {
      lineId: garden.line("Third", "melon"),
      bedId: 2,
      sown: "2027-04-28",
      plants: 4,
    }).id;
    const kinToFather = (crossPlan: object) => {
      garden.on("2027-07-01");
      const crossId = garden.done("cross.plan", crossPlan).id;
      const { ids } = garden.done("flower.cover", { crossId, flowers: 2, on: "2027-07-01" });
      garden.on("2027-07-02");
      garden.done("flower.record", {
        crossId,
        on: "2027-07-02",
        results: ids.map((id) => ({ id, result: "pollinated" })),
      });
      garden.on("2027-08-25");
      garden.done("flower.record", { crossId, on: "2027-07-20", results: ids.map((id) => ({ id, result: "set" })) });
      const lot = garden.done("cross.harvest", { crossId, fruits: 2, seeds: 40 });
      const { lineId } = garden.row("lot", lot.id) as { lineId: Id };
      const child = garden.done("stand.add", { lineId, lotId: lot.id, sown: "2028-05-01", sowedSeeds: 4 }).id;
      const [one, other] = [child, father].map((standId) => ({ standId, plantId: null }));
      return kinshipsOf(forebears(garden.db, [one!, other!], "left"))(individualOf(one!), individualOf(other!));
    };
    // A child is to its father as any; where he is one of two, half as near.
    expect(kinToFather({ ...plan, lineName: "Sole" })).toBe(0.25);
    expect(kinToFather({ ...plan, lineName: "Mixed", moreFathers: [{ standId: third }] })).toBe(0.125);
    // Several fathers as one are no plant that could be inbred.
    garden.on("2028-06-01");
    garden.db.prepare("UPDATE stand SET planned = 0").run();
    const code = garden.db.prepare("SELECT code FROM stand ORDER BY rowid DESC").pluck().get() as string;
    const rows = pedigreeFile(garden.sky(), code)!.split("\r\n");
    expect(rows.filter((row) => row.startsWith("one of several,"))).toEqual([expect.stringMatching(/,$/)]);
  });

  test("keeps no likely rate beside its range", () => {
    expect(Object.keys(garden.done("cross.plan", twoMelons(garden).plan) && first("cross"))).not.toContain("setLikely");
  });

  test("of a mother with her own line and another is no seed of her line", () => {
    const { plan, mother } = twoMelons(garden);
    const sister = garden.done("stand.add", { lineId: 1, bedId: 2, sown: "2027-04-28", plants: 4 }).id;
    const mixed = { ...plan, fatherStandId: sister, moreFathers: [{ standId: plan.fatherStandId }] };
    const crossId = garden.done("cross.plan", { ...mixed, lineName: "Mixed" }).id;
    const { lineId } = garden.row("cross", crossId) as { lineId: Id };
    expect(lineId).not.toBe(garden.row("stand", mother).lineId);
    expect(garden.row("line", lineId)).toMatchObject({
      name: "Mixed",
      origin: "Ashlar Gold × Ashlar Gold + Nettle Moon",
      fatherLineId: null,
    });
    // Whose seed it is can't be said of one father.
    const pedigree = crossPedigrees(garden.db)({
      lineId,
      motherLineId: garden.row("stand", mother).lineId as Id,
      fatherLineId: garden.row("stand", sister).lineId as Id,
    });
    expect(pedigree).not.toBe("Ashlar Gold/Ashlar Gold");
  });

  test("loses its note when the note is emptied", () => {
    const { plan } = twoMelons(garden);
    const id = garden.done("cross.plan", plan).id;
    garden.done("cross.adjust", { id, version: 1, note: "bag torn" });
    garden.done("cross.adjust", { id, version: 1, fruitsWanted: 3 });
    expect(first("cross").note).toBe("bag torn");
    garden.done("cross.adjust", { id, version: 1, note: "" });
    expect(first("cross")).toMatchObject({ note: "", fruitsWanted: 3 });
  });

  test("gives its oldest fruits, or those that were named", () => {
    const { crossId, ids } = set("2027-07-04", "2027-07-02", "2027-07-06", "2027-07-03");
    garden.done("cross.harvest", { crossId, fruits: 2, seeds: 10 });
    expect(numbers("harvested")).toEqual([2, 4]);
    garden.done("cross.harvest", { crossId, flowerIds: [ids[2]], seeds: 5 });
    expect(numbers("harvested")).toEqual([2, 3, 4]);
    expect(garden.refused("cross.harvest", { crossId, flowerIds: [ids[2]], seeds: 5 }).fields).toHaveProperty(
      "flowerIds",
    );
  });

  test("takes no flower from a file that was covered before its mother was sown, or knows of days its state has none of", () => {
    const { plan } = twoMelons(garden);
    const code = garden.code("cross", garden.done("cross.plan", plan).id);
    const text = [
      "cross,flower,covered,pollinated,checked,state",
      `${code},1,2027-07-01,2027-07-02,2027-07-05,covered`,
      `${code},2,2027-04-01,,,covered`,
    ].join("\n");
    const { fields } = garden.refused("cross.import", { text });
    expect(fields["line 2"]).toContain("can't have the day “pollinated”");
    expect(fields["line 3"]).toContain("The mother was sown on 2027-04-24");
  });
});

describe("fathers that may have been", () => {
  const said = (...shares: number[]) => {
    const { crossId, ids } = set("2027-07-02");
    const stands = garden.db.prepare("SELECT id FROM stand ORDER BY rowid").pluck().all() as Id[];
    const third = garden.done("stand.add", { lineId: 2, sown: "2027-05-01", plants: 2 }).id;
    const candidates = shares.map((share, i) => ({ standId: [...stands, third][i], share }));
    return { crossId, input: { of: "flower", id: ids[0], role: "father", candidates } };
  };

  test("share the whole, though a third is written as 0.33", () => {
    garden.done("candidate.set", said(0.33, 0.33, 0.33).input);
    const shares = garden.db.prepare("SELECT share FROM candidate").pluck().all() as number[];
    expect(shares).toHaveLength(3);
    for (const share of shares) expect(share).toBeCloseTo(1 / 3, 12);
  });

  test("are refused where they make no whole, and named once each", () => {
    const { input } = said(0.3, 0.3);
    expect(garden.refused("candidate.set", input).message).toMatch(/\S/);
    const [one] = input.candidates;
    const twice = {
      ...input,
      candidates: [
        { ...one, share: 0.5 },
        { ...one, share: 0.5 },
      ],
    };
    expect(garden.refused("candidate.set", twice).message).toMatch(/twice|once/);
  });
});

describe("what is measured of a plant", () => {
  const score = (value: string) => {
    const { plants, lineId } = family(garden);
    const yardstickId = garden.done("yardstick.add", { lineId, name: "Mass", kind: "number", wanted: "high" }).id;
    return { plantId: plants[0], yardstickId, value };
  };

  test.each([
    ["1,25", 1.25],
    ["1250", 1250],
  ])("%s is kept as %s", (typed, kept) => {
    garden.done("score.set", score(typed));
    expect(garden.db.prepare("SELECT number FROM score").pluck().get()).toBe(kept);
  });

  test.each(["1,250", "0x10", "1e3", "about 2"])("%s may mean two things, or none, and is asked about", (typed) => {
    expect(garden.refused("score.set", score(typed)).fields).toHaveProperty("value");
  });
});

test("what is only planned was not grown", () => {
  const lineId = garden.line("Duskwing", "melon");
  const sow = (sown: string, plants: number) => garden.done("stand.add", { lineId, bedId: 1, sown, plants });
  const planned = sow("2028-05-08", 40).id;
  const summary = (day: string) => lines(garden.db, day).map(({ stands, lastSeason }) => ({ stands, lastSeason }));
  expect(summary("2027-07-09")).toEqual([{ stands: 0, lastSeason: null }]);
  sow("2027-05-08", 20);
  expect(summary("2027-07-09")).toEqual([{ stands: 1, lastSeason: 2027 }]);
  expect(generationRows(garden.db, lineId, "2027-07-09")).toMatchObject([{ stands: 1, grown: 20 }]);
  // Its day comes, and still it is not sown.
  expect(generationRows(garden.db, lineId, "2028-05-08")).toMatchObject([{ stands: 1, grown: 20 }]);
  garden.on("2028-05-11");
  garden.done("deed.done", { standId: planned, act: "sow", counted: 60 });
  expect(garden.row("stand", planned)).toMatchObject({ sown: "2028-05-11", wanted: 40, plants: null, sowedSeeds: 60 });
  garden.done("deed.done", { standId: planned, act: "plant-out", counted: 38 });
  expect(generationRows(garden.db, lineId, "2028-05-11")).toMatchObject([{ stands: 2, grown: 58 }]);
});

test("a lot sown to its last seed is no longer offered as having some", () => {
  const { lot, lineId } = family(garden);
  garden.done("stand.add", { lineId, lotId: lot, sown: "2028-05-10", sowedSeeds: 30 });
  expect(
    garden.refused("stand.add", { lineId, lotId: lot, sown: "2028-05-10", sowedSeeds: 1 }).fields.sowedSeeds,
  ).toContain("holds 0 seeds more");
});
