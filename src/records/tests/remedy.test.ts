import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { undo } from "../command";
import { type Plot, plot, twoMelons } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
  twoMelons(garden);
});
afterEach(() => garden.close());

const row = () => garden.db.prepare("SELECT * FROM stand WHERE id = 1").get() as Record<string, unknown>;
const take = (...changes: object[]) => garden.done("stand.remedy", { season: 2027, changes });

describe("a way out that is taken", () => {
  test.each<[object, object]>([
    [
      { kind: "resow", standId: 1, sown: "2027-07-20" },
      { sown: "2027-07-20", firstFlower: null, plantedOut: null },
    ],
    [{ kind: "move", standId: 1, bedId: 2 }, { bedId: 2 }],
    [{ kind: "thicken", standId: 1, plants: 18 }, { plants: 18 }],
    [{ kind: "save-from", standId: 1, plants: 3 }, { saveFrom: 3 }],
    [
      { kind: "cover", standId: 1, cover: "cage" },
      { flowers: "covered", cover: "cage", removeEvery: null },
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
    expect(undo(garden.db, entry, null).ok).toBe(true);
    const { version: _, ...now } = row();
    const { version: __, ...then } = before;
    expect(now).toEqual(then);
  });

  test("a sowing that flowers only next season goes there with it", () => {
    take({ kind: "resow", standId: 1, sown: "2027-12-10" });
    expect(row()).toMatchObject({ season: 2028 });
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
    expect(garden.refused("stand.remedy", wanted).fields.plants).toContain("Only 8 came up");
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
    expect(garden.db.prepare("SELECT agreedSeason FROM source").pluck().get()).toBe(2027);
    const unknown = { season: 2027, changes: [{ kind: "agree", sourceId: 7 }] };
    expect(garden.refused("stand.remedy", unknown).message).toContain("does not exist");
  });

  test("an arrangement is one entry, named by its stands", () => {
    const { message, entry } = take(
      { kind: "resow", standId: 1, sown: "2027-07-12" },
      { kind: "cover", standId: 1, cover: "cage" },
      { kind: "hand", standId: 2 },
    );
    expect(message).toMatch(/^Way out taken for .*Ashlar Gold, .*Nettle Moon$/);
    expect(undo(garden.db, entry, null).ok).toBe(true);
    expect(row()).toMatchObject({ sown: "2027-04-24", flowers: "open" });
  });
});
