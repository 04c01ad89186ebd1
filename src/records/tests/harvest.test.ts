import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { harvestView, pickersList } from "@/views/harvest";
import { openWork } from "@/views/work";
import { candidatesOf } from "../candidate/queries";
import { family, type Plot, plot } from "./plot";

let garden: Plot;
let stand: Id;
let plants: Id[];
let melons: ReturnType<typeof family>;
beforeEach(() => {
  garden = plot();
  melons = family(garden);
  ({ stand, plants } = melons);
  garden.on("2028-09-01");
});
afterEach(() => garden.close());

const pick = (more: object = {}) => ({ standId: stand, fruits: 2, state: "sound", verdict: "matches", ...more });
const view = () => harvestView(garden.sky()).stands.find(({ id }) => id === stand)!;
const version = () => garden.version("stand", stand);
const lots = () =>
  garden.db
    .prepare(
      "SELECT fruits, motherPlantId, onTable FROM lot WHERE fruits IS NOT NULL AND crossId IS NULL ORDER BY rowid",
    )
    .raw()
    .all();

describe("picking in passes", () => {
  test("gives a lot for each plant, and more of one day goes on with it", () => {
    garden.done("pick.add", pick({ plantIds: plants.slice(0, 2) }));
    expect(lots()).toEqual([
      [2, plants[0], 1],
      [2, plants[1], 1],
    ]);
    garden.done("pick.add", pick({ plantIds: [plants[0]], fruits: 3, state: "dropped" }));
    expect(lots()[0]).toEqual([5, plants[0], 1]);
    garden.done("pick.add", pick({ plantIds: [plants[0]], on: "2028-08-30" }));
    expect(lots()).toHaveLength(3);
    expect(view()).toMatchObject({ passes: 2, fruits: 9, plants: [1, 2] });
    // Once it is being cleaned nothing goes into it any more.
    const first = garden.db.prepare("SELECT lotId FROM pick ORDER BY rowid").pluck().get() as Id;
    garden.done("table.begin", { lotId: first, way: "ferment" });
    garden.done("pick.add", pick({ plantIds: [plants[0]] }));
    expect(lots()).toHaveLength(4);
  });

  test("what does not match is set aside with the reason, and never mixed in", () => {
    expect(garden.refused("pick.add", pick({ verdict: "set-aside" })).fields.why).toContain(
      "Say in what it does not match",
    );
    garden.done("pick.add", pick({ verdict: "set-aside", why: "ribbed, should be smooth", fruits: 1 }));
    expect(lots()).toEqual([]);
    expect(view()).toMatchObject({ passes: 0, fruits: 0, setAside: [{ fruits: 1, why: "ribbed, should be smooth" }] });
  });

  test("fruit found between two stands is seed of either, half and half", () => {
    const { id } = garden.done("pick.add", pick({ verdict: "uncertain", otherStandId: melons.mother }));
    expect(garden.row("lot", id)).toMatchObject({
      motherStandId: null,
      note: "found between plants: mother uncertain",
    });
    expect(candidatesOf(garden.db, "lot", id).map(({ standId, share }) => [standId, share])).toEqual(
      expect.arrayContaining([
        [stand, 0.5],
        [melons.mother, 0.5],
      ]),
    );
    expect(garden.refused("pick.add", pick({ verdict: "uncertain", plantIds: [plants[0]] })).fields).toHaveProperty(
      "plantIds",
    );
    expect(garden.refused("pick.add", pick({ verdict: "uncertain", otherStandId: stand })).fields).toHaveProperty(
      "otherStandId",
    );
  });

  test("ends after the passes that are wanted, when it is released for eating; it can be taken back", () => {
    garden.done("pick.passes", { id: stand, version: version(), passesWanted: 1 });
    garden.done("pick.add", pick());
    expect(view()).toMatchObject({ passesWanted: 1, passes: 1 });
    garden.done("pick.release", { id: stand, version: version(), released: 1 });
    expect(garden.refused("pick.add", pick()).fields.standId).toContain("released for eating on 2028-09-01");
    expect(pickersList(garden.sky(), garden.code("stand", stand))).toContain("RELEASED FOR EATING");
    garden.done("pick.release", { id: stand, version: version(), released: 0 });
    garden.done("pick.add", pick());
  });

  test("keeps a stand's seed on the list until the passes that are wanted are done", () => {
    const open = () =>
      openWork(garden.sky()).filter(({ stand: of, act }) => of.id === stand && act === "gather").length;
    garden.on("2028-08-20");
    expect(open()).toBe(1);
    garden.done("pick.passes", { id: stand, version: version(), passesWanted: 2 });
    garden.done("pick.add", pick());
    expect(open()).toBe(1);
    garden.on("2028-08-28");
    garden.done("pick.add", pick());
    expect(open()).toBe(0);
  });

  test("days and plants that can't be are refused", () => {
    const wrong = (more: object) => garden.refused("pick.add", pick(more)).fields;
    expect(wrong({ on: "2028-05-01" }).on).toContain("before the stand has flowered");
    expect(wrong({ on: "2028-09-02" }).on).toContain("still to come");
    expect(wrong({ fruits: 0 })).toHaveProperty("fruits");
    garden.done("plant.remove", { ids: [plants[3]], reason: "bitter", on: "2028-08-01" });
    expect(wrong({ plantIds: [plants[3]] }).plantIds).toContain("was taken out on 1 Aug");
    expect(wrong({ standId: melons.father, plantIds: [plants[0]] }).plantIds).toContain("stands elsewhere");
  });
});

describe("what ripens", () => {
  test("stands by how near it is, with its sign and its race with the frost", () => {
    const when = (day: string) => {
      garden.on(day);
      return view().when;
    };
    const { early, late } = view().ripe;
    expect([when("2028-06-01"), when(early), when("2028-12-24")]).toEqual(["later", "now", "past"]);
    expect(late > early).toBe(true);
    expect(view().sign).toContain("slips from its stalk");
    expect(view().race!.frost).toBe("2028-09-28");
    expect(view().after).toMatchObject({ low: 5, high: 14 });
  });

  test("a list for helpers says which plants to pick and which to leave", () => {
    garden.done("plant.mark", { id: plants[0], mark: "seed-parent", reason: "sweet" });
    garden.done("plant.mark", { id: plants[1], mark: "out", reason: "bitter" });
    const list = pickersList(garden.sky(), garden.code("stand", stand))!;
    expect(list).toContain("Pick only from:\n  plant 1: sweet");
    expect(list).toContain("Leave, for seed they are no good:\n  plant 2: bitter");
    expect(list).toContain("Bitter fruit can poison.");
    expect(view().chosen).toMatchObject([{ number: 1 }]);
    expect(pickersList(garden.sky(), "S28-999-9")).toBeNull();
  });

  test("fruit by hand hangs with its ripe days and its chance against the frost", () => {
    garden.on("2028-07-20");
    const [cross] = garden.done("cross.next-generation", {
      standId: stand,
      plantIds: [plants[0]],
      how: "self",
      fruitsEach: 2,
    }).ids;
    const { ids } = garden.done("flower.cover", { crossId: cross, flowers: 2, on: "2028-07-10" });
    garden.done("flower.record", {
      crossId: cross,
      on: "2028-07-11",
      results: ids.map((id) => ({ id, result: "pollinated" })),
    });
    expect(harvestView(garden.sky()).crosses).toEqual([]);
    garden.done("flower.record", {
      crossId: cross,
      on: "2028-07-20",
      results: ids.map((id) => ({ id, result: "set" })),
    });
    const [hangs] = harvestView(garden.sky()).crosses;
    expect(hangs).toMatchObject({ code: garden.code("cross", cross!), fruits: 2 });
    expect(hangs!.first > "2028-07-20" && hangs!.last > hangs!.first).toBe(true);
    expect(hangs!.chance).toBeGreaterThan(0.5);
  });
});
