import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { CHOICES } from "@/views/choices";
import { familyView } from "@/views/family";
import { linesView } from "@/views/lines";
import { notesView } from "@/views/notes";
import { seasonView } from "@/views/season";
import { workOfSeason } from "@/views/work";
import { undo } from "../command";
import { family, type Plot, plot, twoMelons } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const stand = (lineId: string, sown: string, more: object = {}) => garden.done("stand.add", { lineId, sown, ...more });

describe("a line that has ended", () => {
  test("is not offered for sowing, stands last in the list, and goes on again", () => {
    const [one] = [garden.line("Nettle", "pea"), garden.line("Thistle", "pea")];
    const names = () => linesView(garden.sky()).list.items.map(({ name, ending }) => [name, ending]);
    const end = { id: one, version: garden.version("line", one), ending: "lost", why: "mice" };
    expect(garden.refused("line.end", { ...end, on: "2027-07-10" }).fields.on).toBe("That day is still to come.");
    expect(garden.done("line.end", { ...end, on: "2027-07-01" }).message).toBe("Line Nettle lost");
    expect(names()).toEqual([
      ["Thistle", null],
      ["Nettle", "lost"],
    ]);
    expect(linesView(garden.sky()).going).toBe(1);
    expect(CHOICES.lines(garden.sky()).map(({ name }) => name)).toEqual(["Thistle"]);
    expect(garden.row("line", one)).toMatchObject({ endedOn: "2027-07-01", ending: "lost", endedWhy: "mice" });
    garden.done("line.bring-back", { id: one, version: garden.version("line", one) });
    expect(garden.row("line", one)).toMatchObject({ endedOn: null, ending: null, endedWhy: "" });
    expect(CHOICES.lines(garden.sky())).toHaveLength(2);
  });
});

describe("a yardstick that is retired", () => {
  test("takes no more scores, keeps those it has, and can be used again", () => {
    const { plants, lineId, stand: id } = family(garden);
    const yardstick = garden.done("yardstick.add", { lineId, name: "Mass", kind: "number", wanted: "high" }).id;
    garden.done("score.set", { plantId: plants[0], yardstickId: yardstick, value: "1.1" });
    const retire = (again: boolean) =>
      garden.done("yardstick.retire", { id: yardstick, version: garden.version("yardstick", yardstick), again });
    retire(false);
    const view = () => familyView(garden.sky(), garden.code("stand", id))!;
    expect([view().yardsticks.length, view().retired.map(({ name }) => name)]).toEqual([0, ["Mass"]]);
    const score = { plantId: plants[1], yardstickId: yardstick, value: "2" };
    expect(garden.refused("score.set", score).fields.yardstickId).toBe("Mass is not used any more.");
    retire(true);
    expect(view().yardsticks[0]!.family).toMatchObject({ mean: 1.1, count: 1 });
    garden.done("score.set", score);
  });
});

describe("a note", () => {
  test("is of one thing, the newest first, and is no stranger's", () => {
    const pea = garden.line("Nettle", "pea");
    garden.done("note.add", { lineId: pea, words: "climbs well", on: "2027-06-01" });
    const { id } = garden.done("note.add", { lineId: pea, words: "<b>sweet</b>" });
    garden.done("note.add", { bedId: 1, words: "stony" });
    const of = (kind: string, row: string) => notesView(garden.db, kind, row)?.map(({ on, words }) => [on, words]);
    expect(of("lineId", pea)).toEqual([
      ["2027-07-09", "<b>sweet</b>"],
      ["2027-06-01", "climbs well"],
    ]);
    expect([of("standId", pea), of("words", pea), of("id; DROP", pea)]).toEqual([[], undefined, undefined]);
    expect(garden.refused("note.add", { words: "of nothing" }).fields.words).toBe("A note is of one thing.");
    expect(garden.refused("note.add", { lineId: pea, bedId: 1, words: "two" }).fields.words).toContain("one thing");
    expect(garden.refused("note.add", { lineId: pea, words: "later", on: "2027-07-10" }).fields).toHaveProperty("on");
    garden.done("note.add", {
      standId: garden.done("stand.add", { lineId: pea, sown: "2027-03-20" }).id,
      words: "one\ntwo",
    });
    garden.done("note.change", { id, version: garden.version("note", id), words: "sweet" });
    garden.done("note.remove", { id, version: garden.version("note", id) });
    expect(of("lineId", pea)).toEqual([["2027-06-01", "climbs well"]]);
  });
});

test("what was noted of a bed goes with it, and comes back with it", () => {
  garden.done("note.add", { bedId: 2, words: "stony" });
  const bedId = garden.row("bed", 2).id as string;
  const { entry } = garden.done("bed.remove", { id: 2, version: 1 });
  expect(notesView(garden.db, "bedId", bedId)).toEqual([]);
  undo(garden.db, entry);
  expect(notesView(garden.db, "bedId", bedId)).toMatchObject([{ words: "stony" }]);
});

describe("a season copied forward", () => {
  test("makes plans of their own: a year later, the same bed and number, the newest seed; what it did stays behind", () => {
    const { mother } = twoMelons(garden);
    garden.done("stand.first-flower", { id: mother, firstFlower: "2027-07-01" });
    garden.on("2027-09-20");
    garden.done("lot.save", { standId: mother, kind: "open", gathered: "2027-09-10", seeds: 50 });
    const own = garden.done("lot.save", { standId: mother, kind: "open", gathered: "2027-09-12", seeds: 60 }).id;
    const { ids, entry } = garden.done("stand.copy", { standIds: [mother] });
    expect(garden.row("stand", ids[0]!)).toMatchObject({
      code: expect.stringMatching(/^S28-001-/),
      season: 2028,
      sown: "2028-04-24",
      planned: 1,
      plants: null,
      wanted: 6,
      firstFlower: null,
      lotId: own,
      bedId: garden.row("bed", 1).id,
    });
    undo(garden.db, entry);
    expect(garden.sky().standsOf(2028)).toEqual([]);
  });

  test("warns of a family that comes back to its bed too soon, and gives it one where it has waited", () => {
    const pea = garden.line("Nettle", "pea");
    const { id } = stand(pea, "2027-03-20", { bedId: 1, plants: 40 });
    const { warnings, ids } = garden.done("stand.copy", { standIds: [id] });
    expect(warnings).toEqual([
      "Nettle stood in bed A in 2027: pea is of the same family (Fabaceae) and better waits 3 to 5 years, a rule of thumb.",
    ]);
    expect(garden.row("stand", ids[0]!).bedId).toBe(garden.row("bed", 1).id);
    const turned = garden.done("stand.copy", { standIds: [id], years: 2, turn: true });
    expect([turned.warnings, garden.row("stand", turned.ids[0]!).bedId]).toEqual([[], garden.row("bed", 2).id]);
    // Both beds bore peas by then: it stays, with its warning.
    const again = garden.done("stand.copy", { standIds: [id], years: 3, turn: true });
    expect(again.warnings[0]).toContain("Nettle stood in bed A in 2028");
    expect(garden.done("stand.copy", { standIds: [id], years: 9 }).warnings).toEqual([]);
    // A sowing by hand is warned of alike, and another family is not.
    expect(stand(garden.line("Bean", "runner-bean"), "2028-05-10", { bedId: 1 }).warnings[0]).toContain("runner bean");
    expect(stand(garden.line("Kiln", "tomato"), "2028-03-10", { bedId: 1 }).warnings).toEqual([]);
  });

  test("offers what stood in the season before, but no family, no ended line, and says what is planned already", () => {
    const { stand: numbered } = family(garden);
    const [pea, bean] = [garden.line("Nettle", "pea"), garden.line("Bean", "runner-bean")];
    stand(pea, "2028-03-20", { bedId: 1, plants: 40 });
    stand(bean, "2028-05-20", { bedId: 2, plants: 9 });
    stand(pea, "2029-03-20", { bedId: 2 });
    const choices = () =>
      CHOICES.copy(garden.sky(), 2029).map(({ label, sown, there, warning }) => [
        label.split(" ")[0],
        sown,
        there,
        !!warning,
      ]);
    expect(garden.row("stand", numbered).season).toBe(2028);
    expect(choices()).toEqual([
      ["Bean", "2029-05-20", false, true],
      ["Nettle", "2029-03-20", true, true],
    ]);
    const past = (day: string) => {
      garden.on(day);
      return CHOICES.copy(garden.sky(), 2029)[0]!.past;
    };
    expect([past("2029-05-20"), past("2029-05-21")]).toEqual([false, true]);
    garden.on("2028-09-20");
    garden.done("line.end", { id: bean, version: garden.version("line", bean), ending: "given-up" });
    expect(choices().map(([name]) => name)).toEqual(["Nettle"]);
    expect([2027, 2028, 2029].map((season) => seasonView(garden.sky(), season).copyable)).toEqual([false, true, true]);
  });
});

describe("seed counted later", () => {
  test("fruit is a lot by its tags, sown uncounted if need be, and held to its count once there is one", () => {
    const { plan } = twoMelons(garden);
    const crossId = garden.done("cross.plan", plan).id;
    const { ids } = garden.done("flower.cover", { crossId, flowers: 3, on: "2027-07-01" });
    const record = (result: string, on: string) =>
      garden.done("flower.record", { crossId, on, results: ids.map((id) => ({ id, result })) });
    record("pollinated", "2027-07-02");
    record("set", "2027-07-09");
    garden.on("2027-09-01");
    const lotId = garden.done("cross.harvest", { crossId, flowerIds: [ids[2], ids[0]] }).id;
    expect(garden.row("lot", lotId)).toMatchObject({ fruits: 2, seeds: null, mass: null });
    const states = garden.db.prepare("SELECT number, state FROM flower ORDER BY number").raw().all();
    expect(states).toEqual([
      [1, "harvested"],
      [2, "set"],
      [3, "harvested"],
    ]);
    const lineId = garden.row("lot", lotId).lineId as string;
    const sow = (sowedSeeds: number) => ({ lineId, lotId, sown: "2028-05-01", sowedSeeds, family: 1 });
    garden.done("stand.add", sow(30));
    const version = () => garden.version("lot", lotId);
    garden.done("lot.change", { id: lotId, version: version(), seeds: 40 });
    expect(garden.refused("stand.add", sow(11)).fields.sowedSeeds).toContain("holds 10 seeds more");
    expect(garden.refused("lot.change", { id: lotId, version: garden.version("line", lineId), seeds: 4 }).kind).toBe(
      "conflict",
    );
  });

  test("a cross's fruit is not its mother's own seed, also where all of hers is pollinated by hand", () => {
    const { plan, mother } = twoMelons(garden);
    const crossId = garden.done("cross.plan", plan).id;
    const { ids } = garden.done("flower.cover", { crossId, flowers: 1, on: "2027-07-01" });
    const record = (result: string, on: string) =>
      garden.done("flower.record", { crossId, on, results: [{ id: ids[0], result }] });
    record("pollinated", "2027-07-02");
    record("set", "2027-07-09");
    const kinds = () =>
      garden.db.prepare("SELECT kind FROM cross WHERE motherStandId = ? ORDER BY id").pluck().all(mother);
    expect(kinds()).toEqual(["cross"]);
    // By hand from now on: its own seed is planned, as the cross gives none of it; asked for twice it is planned once.
    const byHand = { season: 2027, changes: [{ kind: "hand", standId: mother }] };
    garden.done("stand.remedy", byHand);
    garden.done("stand.remedy", byHand);
    expect(kinds()).toEqual(["cross", "intercross"]);
    garden.on("2027-09-01");
    garden.done("cross.harvest", { crossId, fruits: 1, seeds: 40 });
    const gathers = () =>
      workOfSeason(garden.sky(), 2027).filter(({ act, stand }) => act === "gather" && stand.id === mother).length;
    expect(gathers()).toBe(1);
    garden.done("lot.save", { standId: mother, kind: "self", gathered: "2027-09-01", seeds: 30 });
    expect(gathers()).toBe(0);
  });
});

describe("plants that live on", () => {
  test("stand in the next season under their numbers, flower from when they are out again, and are asked for once", () => {
    const { stand: id, plants } = family(garden);
    garden.done("plant.mark", { id: plants[1], mark: "out", reason: "weak" });
    garden.done("plant.remove", { ids: [plants[1]] });
    garden.on("2028-09-10");
    const go = (wintering: string) => ({ id, version: garden.version("stand", id), wintering });
    const { id: next, code } = garden.done("stand.go-on", go("house"));
    expect(code).toMatch(/^F29-001-/);
    const row = () => garden.row("stand", next);
    expect(row()).toMatchObject({ season: 2029, continuesId: id, wintering: "house", plants: 4, planned: 0 });
    const numbers = garden.db.prepare("SELECT number FROM plant WHERE standId = ? ORDER BY number").pluck().all(next);
    expect(numbers).toEqual([1, 3, 4, 5]);
    expect(garden.refused("stand.go-on", go("outside")).fields.id).toContain(`goes on as ${code} already`);
    const works = () => workOfSeason(garden.sky(), 2029).map(({ act, standing }) => [act, standing]);
    expect(works()[0]).toEqual(["lift", "early"]);
    // A melon flowers 55 to 75 days from sowing; half of that from the last frost, 20 May, is 33 days.
    expect(garden.sky().standsOf(2029)[0]!.window.start).toBe("2029-06-22");
    garden.on("2028-09-12");
    garden.done("deed.done", { standId: next, act: "lift", on: "2028-09-12" });
    garden.on("2029-05-25");
    garden.done("deed.done", { standId: next, act: "replant", on: "2029-05-25" });
    expect(row()).toMatchObject({ liftedOn: "2028-09-12", replantedOn: "2029-05-25", season: 2029 });
    expect(garden.sky().standsOf(2029)[0]!.window.start).toBe("2029-06-27");
    garden.on("2029-06-20");
    garden.done("deed.done", { standId: next, act: "first-flower", on: "2029-06-18", sex: "female" });
    expect(row()).toMatchObject({ firstFlower: "2029-06-18", firstSex: "female" });
    garden.done("stand.end", { id, version: garden.version("stand", id), ending: "done" });
    expect(garden.refused("stand.go-on", go("house")).fields.id).toContain("Bring it back first");
  });
});
