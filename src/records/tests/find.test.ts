import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { undo } from "../command";
import { find } from "../find/queries";
import { family, type Plot, plot } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const found = (words: string, season = 2028) => find(garden.db, words, season);
const names = (words: string) => found(words).map(({ kind, name }) => `${kind} ${name}`);

/** A family with its plants, its lot and its line. */
function spread(of: Plot) {
  const { stand } = family(of);
  const { lotId, lineId } = of.row("stand", stand) as { lotId: string; lineId: string };
  return { stand, plants: of.plants(stand), lot: lotId, line: lineId };
}

describe("anything is found by words", () => {
  test("every thing with a code by six signs of it, with hyphens or without, first", () => {
    family(garden);
    const coded = ["line", "stand", "cross", "lot"].flatMap((table) =>
      (garden.db.prepare(`SELECT id, code FROM "${table}"`).all() as { id: string; code: string }[]).map((row) => row),
    );
    expect(coded.length).toBeGreaterThan(7);
    for (const { id, code } of coded)
      for (const typed of [code.slice(-6), code.replaceAll("-", "").slice(-6).toLowerCase(), code])
        expect(found(typed)[0], typed).toMatchObject({ id, code });
  });

  test("beds, sources, tasks, vessels, notes, species by any name; each opens where it is", () => {
    const { stand } = family(garden);
    garden.done("task.add", { title: "Empty the traps", due: "2028-07-10" });
    garden.done("vessel.add", { kind: "cup", name: "Blue cup" });
    garden.done("note.add", { standId: stand, on: "2028-05-01", words: "Leaves curl like žluť in the wind" });
    const code = garden.code("stand", stand);
    expect(names("traps")).toEqual(["task Empty the traps"]);
    expect(names("blue")).toEqual(["vessel Blue cup"]);
    expect(found("zlut")[0]).toMatchObject({ kind: "note", href: `/nursery/${code}` });
    expect(found("curl wind")[0]!.kind).toBe("note");
    expect(names("aubergine")[0]).toContain("species Aubergine");
    expect(names("eggplant")[0]).toContain("species Aubergine");
    expect(names("solanum mel")[0]).toContain("species Aubergine");
    // Both beds by one letter, which is too short for the index of threes.
    expect(found("a").map(({ name }) => name)).toContain("A");
  });

  test("each opens on its page, what was noted or is scored on that of what it is of", () => {
    const { stand, plants, lot, line } = spread(garden);
    const of = (kind: string, words: string) => found(words).find((hit) => hit.kind === kind)!.href;
    const code = (table: string, id: string) => garden.code(table, id);
    const words = { plant: "notched", lot: "dusty", line: "sprawling", bed: "stony" };
    for (const [on, said] of Object.entries(words)) {
      const whose = { plant: { plantId: plants[3] }, lot: { lotId: lot }, line: { lineId: line }, bed: { bedId: 1 } }[
        on
      ]!;
      garden.done("note.add", { ...whose, words: `It is ${said} there` });
    }
    garden.done("yardstick.add", { lineId: line, name: "Rind", kind: "number", wanted: "none" });
    expect(of("note", "notched")).toBe(`/nursery/${code("stand", stand)}?plant=4`);
    expect(of("note", "dusty")).toBe(`/seed/${code("lot", lot)}`);
    expect(of("note", "sprawling")).toBe(`/lines/${code("line", line)}`);
    expect(of("note", "stony")).toBe("/ground");
    expect(of("yardstick", "rind")).toBe(`/lines/${code("line", line)}`);
    expect(of("family", "lantern")).toBe(`/nursery/${code("stand", stand)}`);
    expect(of("plant", "plant 3")).toBe(`/nursery/${code("stand", stand)}?plant=3`);
    expect(of("lot", code("lot", lot))).toBe(`/seed/${code("lot", lot)}`);
    expect(of("species", "aubergine")).toBe("/guide/aubergine");
  });

  test("what hangs on a line comes with it, this season's before others'", () => {
    const { stand } = family(garden);
    const [first] = found("lantern");
    expect(first).toMatchObject({ kind: "line", name: "Lantern" });
    expect(new Set(found("lantern").map(({ kind }) => kind))).toEqual(new Set(["line", "family", "cross", "lot"]));
    expect(found("lantern").some(({ id }) => id === stand)).toBe(true);
    expect(found("plant 3", 2028)[0]).toMatchObject({ kind: "plant", name: "Lantern plant 3" });
    expect(found("plant 3", 2021)).toEqual([]);
  });

  test("a new name is found at once, the old one no more, and back again when it is taken back", () => {
    const bed = garden.row("bed", 1) as { id: string };
    const named = (name: string) =>
      garden.done("bed.change", { id: bed.id, version: garden.version("bed", bed.id), name }).entry!;
    const entry = named("Käferwiese");
    expect(names("kaferw")).toEqual(["bed Käferwiese"]);
    undo(garden.db, entry);
    expect(names("kaferw")).toEqual([]);
    expect(names("käferw")).toEqual([]);
  });

  test("signs of the query language are words like any other", () => {
    for (const odd of ['"', "NEAR(", "*", "100%_", "x'--", "(((", "col:umn"]) expect(found(odd)).toEqual([]);
    expect(found("")).toEqual([]);
  });
});
