import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { linePedigree } from "../line/pedigree";
import { backcrossesOf } from "../line/queries";
import { type Plot, plot } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const lines = () =>
  garden.db
    .prepare(
      `SELECT l.name, m.name mother, f.name father, l.year, l.school FROM line l
         LEFT JOIN line m ON m.id = l.motherLineId LEFT JOIN line f ON f.id = l.fatherLineId ORDER BY l.rowid`,
    )
    .raw()
    .all();
const told = (text: string, more: object = {}) => ({ species: "melon", text, ...more });
const troubles = (text: string) => Object.entries(garden.refused("line.pedigree", told(text)).fields);

describe("a pedigree that is brought in", () => {
  test("in slash notation: crosses within stand for themselves, a parent that comes back too", () => {
    const { entry, message } = garden.done(
      "line.pedigree",
      told("Lantern = Ashlar/Nettle\n\nLate: Ashlar/Nettle//Moon\nBack = Lantern*2/Moon"),
    );
    expect(message).toContain("8 lines");
    expect(lines()).toEqual([
      ["Ashlar", null, null, null, "keep-pure"],
      ["Nettle", null, null, null, "keep-pure"],
      ["Ashlar/Nettle", "Ashlar", "Nettle", null, "cross-and-fix"],
      ["Lantern", "Ashlar", "Nettle", null, "cross-and-fix"],
      ["Moon", null, null, null, "keep-pure"],
      ["Lantern/Moon", "Lantern", "Moon", null, "cross-and-fix"],
      ["Late", "Ashlar/Nettle", "Moon", null, "cross-and-fix"],
      ["Back", "Lantern", "Lantern/Moon", null, "cross-and-fix"],
    ]);
    const back = garden.db.prepare("SELECT id FROM line WHERE name = 'Late'").pluck().get() as string;
    expect(linePedigree(garden.db)(back)).toBe("Ashlar/Nettle//Moon");
    garden.undone(entry);
    expect(lines()).toEqual([]);
  });

  test.each([
    ["A", 0],
    ["A/B", 0],
    ["A*2/B", 1],
    ["B/A*4", 3],
    ["A/B//B", 1],
    ["A/B//C", 0],
    // Back to a cross, and a cross of two backcrosses, which goes back to neither.
    ["A/B//C/3/A/B", 1],
    ["A*2/B/3/C", 0],
  ])("%s went back %i times", (written, times) => {
    garden.done("line.pedigree", told(`It = ${written}`));
    const id = garden.db.prepare("SELECT id FROM line WHERE name = 'It'").pluck().get() as string;
    expect(backcrossesOf(garden.db, id)).toBe(times);
  });

  test("as CSV, whatever separates it; lines that are there are used, and told their parents once", () => {
    garden.done("line.add", { name: "Ashlar", species: "melon", school: "keep-pure", status: "open-pollinated" });
    garden.done("line.add", { name: "Lantern", species: "melon", school: "cross-and-fix", status: "breeding-line" });
    const text = "Individual;Dam;Sire;Year;inbreeding\nLantern;Ashlar;Nettle;2021;0\nNettle;0;unknown;2019;0";
    expect(garden.refused("line.pedigree", told(text, { dryRun: true }))).toMatchObject({
      kind: "dry-run",
      fields: { "change 1": "Nettle", "change 2": expect.stringContaining("is from Ashlar × Nettle") },
    });
    garden.done("line.pedigree", told(text));
    expect(lines().map((row) => (row as string[]).slice(0, 3))).toEqual([
      ["Ashlar", null, null],
      ["Lantern", "Ashlar", "Nettle"],
      ["Nettle", null, null],
    ]);
    expect(garden.refused("line.pedigree", told(text, { dryRun: true })).message).toContain("known already");
    const [[where, why]] = troubles("name,mother,father\nLantern,Nettle,Ashlar") as [[string, string]];
    expect([where, why]).toEqual(["line 2", expect.stringContaining("is from Ashlar × Nettle already")]);
  });

  test.each([
    ["A = B/A", "line 1", "its own forebear"],
    ["A = B/C\nA = B/C", "line 2", "stands on line 1 already"],
    ["A = B/", "line 1", "missing"],
    ["just words", "line 1", "write Name ="],
    ["name,mother,father,year\nC,P,Q,2020\nP,,,2021", "line 2", "younger than its child"],
    ["name,mother,father\n,P,Q", "line 2", "name is missing"],
    ["name,mother,father\nC,P,", "line 2", "one parent only"],
    [`${"x".repeat(121)} = A/B`, "line 1", "too long"],
  ])("%j is refused with its line", (text, where, why) => {
    expect(troubles(text)).toEqual([[where, expect.stringContaining(why)]]);
  });

  test("a table without its columns, and nothing at all", () => {
    expect(garden.refused("line.pedigree", told("mother,father\nA,B")).fields.text).toContain(
      "name, mother and father",
    );
    expect(garden.refused("line.pedigree", told("  ")).fields).toHaveProperty("text");
  });
});
