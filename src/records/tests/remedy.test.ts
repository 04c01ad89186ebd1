import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { undo } from "../command";
import { type Plot, plot, twoMelons } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
  twoMelons(garden);
});
afterEach(() => garden.close());

const row = () => garden.db.prepare("SELECT * FROM stand WHERE rowid = 1").get() as Record<string, unknown>;
const take = (...changes: object[]) => garden.done("stand.remedy", { season: 2027, changes });

describe("a way out that is taken", () => {
  test.each<[object, object]>([
    [{ kind: "thicken", standId: 1, plants: 18 }, { plants: 18 }],
    [{ kind: "save-from", standId: 1, plants: 3 }, { saveFrom: 3 }],
    [
      { kind: "cover", standId: 1, cover: "cage" },
      { flowers: "covered", cover: "cage", removeEvery: null },
    ],
    [
      { kind: "cover", standId: 1, cover: "cage", mesh: "cloth" },
      { flowers: "covered", cover: "cage", mesh: "cloth" },
    ],
    [
      { kind: "hand", standId: 1 },
      { flowers: "hand", cover: null },
    ],
    [
      { kind: "remove", standId: 1, every: 3 },
      { flowers: "removed", removeEvery: 3, seedWanted: 0 },
    ],
    [
      { kind: "not-this-year", standId: 1 },
      { flowers: "removed", removeEvery: null, seedWanted: 0 },
    ],
  ])("%j is what the record then says, and undo takes it back", (change, expected) => {
    const before = row();
    const { entry } = take(change);
    expect(row()).toMatchObject(expected);
    expect(undo(garden.db, entry).ok).toBe(true);
    const { version: _, ...now } = row();
    const { version: __, ...then } = before;
    expect(now).toEqual(then);
  });

  test("a move names the bed it goes to", () => {
    take({ kind: "move", standId: 1, bedId: 2 });
    expect(row().bedId).toBe(garden.row("bed", 2).id);
  });

  test("a sowing ahead moves with its planting out, its season and the crosses it is the mother of", () => {
    const { plan } = { plan: { fruitsWanted: 2, setLow: 0.3, setHigh: 0.5, confidence: 0.9, lineName: "L" } };
    const ahead = { lineId: 1, bedId: 1, sown: "2028-04-24", plantedOut: "2028-05-20", plants: 6 };
    const { id } = garden.done("stand.add", ahead);
    const cross = garden.done("cross.plan", { ...plan, motherStandId: id, fatherStandId: 2 }).id;
    take({ kind: "resow", standId: id, sown: "2028-12-10" });
    expect(garden.row("stand", id)).toMatchObject({ sown: "2028-12-10", plantedOut: "2029-01-05", season: 2029 });
    expect(garden.row("cross", cross).season).toBe(2029);
  });

  test("of one sown already it is a second sowing: the first keeps what was seen, its crosses and their season", () => {
    const cross = garden.done("cross.plan", {
      motherStandId: 1,
      fatherStandId: 2,
      lineName: "L",
      fruitsWanted: 2,
      setLow: 0.3,
      setHigh: 0.5,
      confidence: 0.9,
    }).id;
    garden.done("stand.first-flower", { id: 1, firstFlower: "2027-07-01" });
    const { message, entry } = take({ kind: "resow", standId: 1, sown: "2027-07-20" });
    expect(message).toContain("to be sown a second time on 20 Jul");
    expect(row()).toMatchObject({ sown: "2027-04-24", firstFlower: "2027-07-01", flowers: "removed", seedWanted: 0 });
    const second = garden.row("stand", 3);
    expect(second).toMatchObject({ sown: "2027-07-20", firstFlower: null, flowers: "open", seedWanted: 1, plants: 6 });
    expect(second.bedId).toBe(row().bedId);
    expect(garden.row("cross", cross)).toMatchObject({ season: 2027, motherStandId: row().id });
    garden.undone(entry);
    expect(garden.row("stand", 3)).toBeUndefined();
    expect(row()).toMatchObject({ flowers: "open", seedWanted: 1 });
  });

  test("what was reckoned with an older version is refused where the same was changed since", () => {
    const seen = garden.version("stand", 1);
    garden.done("stand.change", { id: 1, version: 1, plants: 7 });
    const change = (of: object) => ({ season: 2027, changes: [{ standId: 1, version: seen, ...of }] });
    expect(garden.refused("stand.remedy", change({ kind: "thicken", plants: 9 }))).toMatchObject({
      kind: "conflict",
      message: expect.stringContaining("Plants is now “7”"),
    });
    garden.done("stand.remedy", change({ kind: "hand" }));
    expect(row()).toMatchObject({ plants: 7, flowers: "hand" });
  });

  test("thickening a family numbers its new plants, and can't take numbers away", () => {
    const family = garden.done("stand.add", { lineId: 1, sown: "2027-05-01", plants: 10, family: 1 }).id;
    take({ kind: "thicken", standId: family, plants: 30 });
    const numbers = () => garden.db.prepare("SELECT max(number) FROM plant WHERE standId = ?").pluck().get(family);
    expect(numbers()).toBe(30);
    const fewer = { season: 2027, changes: [{ kind: "thicken", standId: family, plants: 3 }] };
    expect(garden.refused("stand.remedy", fewer).fields.plants).toBe("30 plants carry numbers already.");
  });

  test("one way out after another leaves no trace of the first", () => {
    take({ kind: "cover", standId: 1, cover: "bags" });
    take({ kind: "remove", standId: 1, every: 2 });
    expect(row()).toMatchObject({ flowers: "removed", cover: null, removeEvery: 2 });
    take({ kind: "hand", standId: 1 });
    expect(row()).toMatchObject({ flowers: "hand", cover: null, removeEvery: null });
  });

  test("no more plants than came up", () => {
    const change = { id: 1, version: 1, sown: "2027-04-24", sowedSeeds: 12, cameUp: 8, plants: 6, bedId: 1 };
    garden.done("stand.change", { ...change, flowers: "open", seedWanted: 1 });
    const wanted = { season: 2027, changes: [{ kind: "thicken", standId: 1, plants: 9 }] };
    expect(garden.refused("stand.remedy", wanted).fields.plants).toContain("only 8 came up");
  });

  test("a promise holds for its season alone", () => {
    garden.done("source.add", {
      name: "field",
      kind: "field",
      species: "melon",
      plants: 9,
      presence: 1,
      distance: 90,
      bearing: 0,
    });
    take({ kind: "agree", sourceId: 1 });
    const row = () => garden.db.prepare("SELECT askSeason, askedOn, agreedSeason FROM source").get();
    // He is to be asked; nothing is promised before he has answered.
    expect(row()).toEqual({ askSeason: 2027, askedOn: null, agreedSeason: null });
    const ask = (answer: string) => ({ id: 1, version: garden.version("source", 1), answer });
    garden.done("source.ask", ask("asked"));
    expect(row()).toEqual({ askSeason: 2027, askedOn: "2027-07-09", agreedSeason: null });
    const { entry } = garden.done("source.ask", ask("refused"));
    expect(row()).toEqual({ askSeason: null, askedOn: "2027-07-09", agreedSeason: null });
    expect(garden.refused("source.ask", ask("agreed")).fields.id).toContain("not to be asked");
    undo(garden.db, entry);
    garden.done("source.ask", ask("agreed"));
    expect(row()).toEqual({ askSeason: null, askedOn: "2027-07-09", agreedSeason: 2027 });
    const unknown = { season: 2027, changes: [{ kind: "agree", sourceId: 7 }] };
    expect(garden.refused("stand.remedy", unknown).message).toContain("not on the ground any more");
  });

  test("an arrangement is one entry, named by its stands", () => {
    const { message, entry } = take(
      { kind: "move", standId: 1, bedId: 2 },
      { kind: "cover", standId: 1, cover: "cage" },
      { kind: "hand", standId: 2 },
    );
    expect(message).toMatch(/^Way out taken for .*Ashlar Gold, .*Nettle Moon$/);
    expect(undo(garden.db, entry).ok).toBe(true);
    expect(row()).toMatchObject({ sown: "2027-04-24", flowers: "open" });
  });
});
