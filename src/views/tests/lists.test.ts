import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { NOTHING_ASKED } from "@/core/lists/listed";
import { family, type Plot, plot, twoMelons } from "@/records/tests/plot";
import { inventoryFile } from "../drawerFile";
import { lineList } from "../lineRows";
import { nurseryView } from "../nursery";
import { sharingPage } from "../sharing";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const sow = (lineId: string, sown: string, more: object = {}) =>
  garden.done("stand.add", { lineId, bedId: 1, sown, plants: 5, ...more }).id;
const seed = (lineId: string, gathered: string, seeds = 200) =>
  garden.done("lot.receive", { lineId, gathered, seeds }).id;
const rows = (more: Partial<typeof NOTHING_ASKED> = {}) => lineList(garden.sky(), { ...NOTHING_ASKED, ...more });
const row = (name: string) => rows().list.items.find((one) => one.name === name)!;

describe("where a line stands", () => {
  test("grows in its beds, those of next season's flowering among them, and not where it ended or was only planned", () => {
    const leek = garden.line("Slatefoot", "leek");
    // Sown this year it flowers in the next.
    sow(leek, "2027-04-10", { bedId: 2 });
    expect(row("Slatefoot").growing).toEqual({ generations: [], beds: ["B"] });
    const melon = garden.line("Gold", "melon");
    const [first, second] = [sow(melon, "2027-05-01"), sow(melon, "2027-05-02", { bedId: 2 })];
    expect(row("Gold").growing!.beds).toEqual(["A", "B"]);
    garden.done("stand.end", { id: first, version: 1, ending: "pulled", on: "2027-07-08", why: "mildew" });
    expect(row("Gold").growing!.beds).toEqual(["B"]);
    garden.done("stand.end", { id: second, version: 1, ending: "pulled", on: "2027-07-08", why: "mildew" });
    expect(row("Gold")).toMatchObject({ growing: null, planned: null, seed: null });
    expect(rows({ show: "nothing" }).list.items.map(({ name }) => name)).toEqual(["Gold"]);
  });

  test("names the generations that grow, after a cross back too", () => {
    garden.done("line.pedigree", { species: "melon", text: "Back = A*2/B" });
    const back = garden.db.prepare("SELECT id FROM line WHERE name = 'Back'").pluck().get() as Id;
    for (const generation of [1, 1, 2]) {
      const id = sow(back, "2027-05-01");
      garden.db.prepare("UPDATE stand SET generation = ? WHERE id = ?").run(generation, id);
    }
    expect(row("Back").growing!.generations).toEqual(["BC1", "BC1F2"]);
  });

  test("says the first day on which it is to be sown, and of its seed the lot that keeps longest", () => {
    const melon = garden.line("Gold", "melon");
    for (const sown of ["2028-05-10", "2028-04-20", "2028-05-01"]) sow(melon, sown);
    expect(row("Gold")).toMatchObject({ growing: null, planned: "2028-04-20" });
    // Years ahead it is planned all the same.
    sow(garden.line("Late", "melon"), "2031-05-01");
    expect(row("Late").planned).toBe("2031-05-01");
    expect(rows({ show: "nothing" }).list.items).toEqual([]);
    for (const gathered of ["2025-09-01", "2026-09-10", "2024-09-01"]) seed(melon, gathered);
    expect(row("Gold").seed).toMatchObject({ gathered: "2026-09-10", state: "keeps" });
    const old = garden.line("Old", "parsnip");
    for (const gathered of ["2015-09-01", "2025-09-01"]) seed(old, gathered);
    expect(row("Old").seed!.gathered).toBe("2025-09-01");
  });

  test("stands by its name, its species, or the season in which it was grown last", () => {
    for (const [name, species, sown] of [
      ["Early", "tomato", "2025-05-01"],
      ["Bare", "pea", null],
      ["Late", "melon", "2026-05-01"],
    ] as const) {
      const id = garden.line(name, species);
      if (sown) sow(id, sown);
    }
    const by = (order: string) => rows({ by: order }).list.items.map(({ name }) => name);
    expect([by("grown"), by("name"), by("species")]).toEqual([
      ["Late", "Early", "Bare"],
      ["Bare", "Early", "Late"],
      ["Late", "Bare", "Early"],
    ]);
  });

  test("what waits stands first: work by its last chance, then seed that fades, then what grows, the rest, what ended", () => {
    const fading = garden.line("Fading", "leek");
    seed(fading, "2024-09-01", 60);
    const ended = garden.line("Ended", "tomato");
    garden.line("Apart", "pea");
    sow(garden.line("Due", "melon"), "2027-05-01");
    garden.done("line.end", { id: ended, version: 1, ending: "given-up", on: "2027-07-01", why: "no taste" });
    const all = rows();
    expect(all.list.items.map(({ name }) => name)).toEqual(["Due", "Fading", "Apart", "Ended"]);
    expect([all.going, all.waiting]).toEqual([3, 2]);
    expect(all.list.counts).toEqual({ waits: 2, growing: 1, seed: 1, nothing: 1, ended: 1 });
    const { due } = row("Due");
    expect(due).toMatchObject({ code: garden.code("stand", 1), family: false });
    expect(due!.last! >= "2027-07-09").toBe(true);
    expect(row("Fading")).toMatchObject({ due: null, sow: "old" });
  });
});

describe("the nursery's list", () => {
  test("has the newest season first by wish, and says how far each family is decided", () => {
    const { stand } = family(garden, 5);
    const lineId = garden.row("stand", stand).lineId as string;
    garden.on("2028-07-09");
    const plants = garden.db
      .prepare("SELECT id FROM plant WHERE standId = ? ORDER BY number")
      .pluck()
      .all(stand) as string[];
    const mark = (id: string, to: string, reason = "") =>
      garden.done("plant.mark", { id, version: 1, mark: to, reason });
    mark(plants[0]!, "keep");
    mark(plants[1]!, "watch");
    mark(plants[2]!, "out", "late");
    const later = sow(lineId, "2029-05-01", { family: true });
    const view = (by: string | null) => nurseryView(garden.sky(), { ...NOTHING_ASKED, by });
    expect(view("newest").list.items.map(({ id }) => id)).toEqual([later, stand]);
    const tally = view(null).list.items.find(({ id }) => id === stand)!.tally;
    expect(tally).toEqual({ open: 3, kept: 1, out: 1 });
    const counts = () => view(null).list.counts;
    expect(counts()).toMatchObject({ open: 1, decided: 0 });
    for (const id of plants) mark(id, "keep");
    expect(counts()).toMatchObject({ open: 0, decided: 1 });
    mark(plants[4]!, "watch");
    garden.on("2031-07-09");
    expect(view(null)).toMatchObject({ undecided: { families: 0, plants: 0 }, list: { counts: { past: 2, open: 0 } } });
  });
});

test("on a sharing day a lot is offered only as far as more is left than its reserve", () => {
  const lineId = garden.line("Slatefoot", "leek");
  const lot = seed(lineId, "2026-09-01", 100);
  const day = garden.done("sharing.add", { name: "Swap", on: "2027-08-01", mostEach: 2 }).id;
  const free = () => sharingPage(garden.sky(), day)!.offerable.map((one) => one.free);
  expect(free()).toEqual([100]);
  const reserve = (seeds: number) => garden.db.prepare("UPDATE lot SET reserve = ? WHERE id = ?").run(seeds, lot);
  reserve(99);
  expect(free()).toEqual([1]);
  reserve(100);
  expect(free()).toEqual([]);
});

test("the drawer's inventory says of a broken chain when and why, and nothing of one that holds", () => {
  const { plan } = twoMelons(garden);
  expect(plan).toBeTruthy();
  const lineId = garden.line("Slatefoot", "leek");
  const [broken] = [seed(lineId, "2026-09-01"), seed(lineId, "2025-09-01")];
  garden.done("table.break", { lotId: broken, why: "a bag tore" });
  const csv = inventoryFile(garden.sky());
  expect(csv.match(/a bag tore/g)).toHaveLength(1);
  expect(csv).toContain("2027-07-09: a bag tore");
  expect(csv).not.toContain("null");
});
