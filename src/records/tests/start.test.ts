import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { CHOICES } from "@/views/choices";
import { crossView } from "@/views/crosses";
import { SOUTH } from "./crops";
import { type Plot, plot } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
  garden.on("2027-12-02");
  for (const id of garden.db.prepare("SELECT id FROM bed").pluck().all() as Id[])
    garden.done("bed.remove", { id, version: garden.version("bed", id) });
});
afterEach(() => garden.close());

const counts = () =>
  Object.fromEntries(
    ["bed", "line", "stand", "cross"].map((table) => [
      table,
      garden.db.prepare(`SELECT count(*) FROM "${table}"`).pluck().get(),
    ]),
  );
const all = (table: string, ...columns: string[]) =>
  garden.db
    .prepare(`SELECT ${columns.join(", ")} FROM "${table}" ORDER BY rowid`)
    .raw()
    .all();
const melon = { species: "melon", sown: "2028-05-05", wanted: 6 };

describe("what somebody begins with", () => {
  test("a cross: its bed, both parents and their sowings, and the cross itself, at one press that can be taken back", () => {
    const { code, entry } = garden.done("start.begin", { start: "cross", ...melon });
    expect(counts()).toEqual({ bed: 1, line: 3, stand: 2, cross: 1 });
    expect(all("bed", "name", "width", "length")).toEqual([["A", 1.2, 4]]);
    expect(all("line", "name", "school", "status")).toEqual([
      ["Melon 1", "keep-pure", "open-pollinated"],
      ["Melon 2", "keep-pure", "open-pollinated"],
      ["Melon 1 × Melon 2", "cross-and-fix", "breeding-line"],
    ]);
    expect(all("stand", "sown", "wanted", "planned", "season", "plants")).toEqual([
      ["2028-05-05", 6, 1, 2028, null],
      ["2028-05-05", 6, 1, 2028, null],
    ]);
    // What is only planned says so: its flowers are ahead, and nothing is to be done with them yet.
    const view = crossView(garden.sky(), code)!;
    expect(view.unsown).toEqual(["Melon 1", "Melon 2"]);
    expect(view.state.opens! > "2028-06-15").toBe(true);
    expect(view.state.evenings).toBe(null);
    garden.undone(entry);
    expect(counts()).toEqual({ bed: 0, line: 0, stand: 0, cross: 0 });
  });

  test("under the names that were given, in a bed that is there", () => {
    const bedId = garden.done("bed.add", { name: "South", x: 0, y: 0, width: 3, length: 3 }).id;
    garden.done("start.begin", { start: "cross", ...melon, name: "Ember", father: "Frost", bedId });
    expect(all("bed", "name")).toEqual([["South"]]);
    expect(all("line", "name")).toEqual([["Ember"], ["Frost"], ["Ember × Frost"]]);
    expect(all("stand", "bedId")).toEqual([[bedId], [bedId]]);
  });

  test("a variety and a mix are judged as such; where nobody names them the next number is free", () => {
    const kept = garden.done("start.begin", { start: "keep", ...melon });
    const mix = garden.done("start.begin", { start: "mix", ...melon, sown: "2027-12-02" });
    expect(all("line", "name", "school", "status")).toEqual([
      ["Melon 1", "keep-pure", "open-pollinated"],
      ["Melon 2", "let-it-mix", "mix"],
    ]);
    expect([kept.code, mix.code]).toEqual([garden.code("line", 1), garden.code("line", 2)]);
    expect(all("stand", "planned")).toEqual([[1], [0]]);
    // A second bed beside the first, not upon it.
    expect(all("bed", "name", "x")).toEqual([
      ["A", 0],
      ["B", 1.7],
    ]);
  });

  test("is refused whole where something is wrong", () => {
    const refused = (more: object) => garden.refused("start.begin", { start: "cross", ...melon, ...more }).fields;
    expect(refused({ name: "Ember", father: "Ember" })).toEqual({ father: "Give the father a name of its own." });
    expect(Object.keys(refused({ species: "no such kind" }))).toEqual(["species"]);
    expect(Object.keys(refused({ sown: "" }))).toEqual(["sown"]);
    expect(Object.keys(refused({ wanted: 0 }))).toEqual(["wanted"]);
    expect(counts()).toEqual({ bed: 0, line: 0, stand: 0, cross: 0 });
  });

  test("each kind is offered with the day on which it is sown here", () => {
    const of = (id: string) => CHOICES.start(garden.sky()).species.find(({ value }) => value === id)!;
    // Last frost 20 May: hardy six weeks before it, a second-year crop ten days after it.
    expect([of("pea").sown, of("carrot").sown]).toEqual(["2028-04-08", "2028-05-31"]);
    expect(of("melon").sown > "2028-04-15" && of("melon").sown < "2028-05-20").toBe(true);
    for (const { sown, wanted } of CHOICES.start(garden.sky()).species)
      expect([sown > "2027-12-02", sown < "2029-01-01", wanted > 0]).toEqual([true, true, true]);
    garden.done("garden.change", {
      version: 1,
      ...SOUTH,
    });
    garden.on("2028-07-10");
    expect(of("pea").sown).toBe("2028-09-08");
  });
});
