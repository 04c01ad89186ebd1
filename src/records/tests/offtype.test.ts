import { afterEach, beforeEach, expect, test } from "vitest";
import { undo } from "../command";
import { type Plot, plot, twoMelons } from "./plot";

let garden: Plot;
let lotId: string;
beforeEach(() => {
  garden = plot();
  const { mother } = twoMelons(garden);
  garden.on("2027-10-01");
  lotId = garden.done("lot.save", { standId: mother, kind: "open", gathered: "2027-09-20", seeds: 200 }).id!;
});
afterEach(() => garden.close());

test("a count of off-types is kept, struck out and brought back", () => {
  const { id, message, entry } = garden.done("offtype.count", { lotId, plants: 40, strange: 0, on: "2027-09-30" });
  expect(message).toContain("0 of 40 plants of a strange father");
  expect(garden.row("offtype", id!)).toMatchObject({ plants: 40, strange: 0, on: "2027-09-30" });
  expect(undo(garden.db, entry).ok).toBe(true);
  const again = garden.done("offtype.count", { lotId, plants: 40, strange: 3 }).id!;
  const dropped = garden.done("offtype.drop", { id: again, version: garden.version("offtype", again) });
  expect(garden.db.prepare("SELECT count(*) FROM offtype").pluck().get()).toBe(0);
  expect(undo(garden.db, dropped.entry).ok).toBe(true);
  expect(garden.row("offtype", again)).toMatchObject({ on: "2027-10-01", strange: 3 });
});

test.each<[string, object, object]>([
  ["more strangers than plants", { plants: 4, strange: 5 }, { strange: "More than the 4 plants that were looked at." }],
  ["no plants", { plants: 0, strange: 0 }, { plants: expect.any(String) }],
  ["a day before its seed", { on: "2027-09-19" }, { on: expect.stringContaining("gathered on 20 Sept") }],
  ["a day ahead", { on: "2028-09-19" }, { on: expect.any(String) }],
  ["a lot that is not there", { lotId: "01900000-0000-7000-8000-000000000000" }, { lotId: "That lot does not exist." }],
])("%s is refused", (_, wrong, fields) => {
  expect(garden.refused("offtype.count", { lotId, plants: 20, strange: 1, ...wrong }).fields).toMatchObject(fields);
});

test("seed whose father is known has no strangers to count", () => {
  const own = garden.done("lot.save", { standId: 1, kind: "self", gathered: "2027-09-20", seeds: 20 }).id!;
  expect(garden.refused("offtype.count", { lotId: own, plants: 20, strange: 1 }).fields).toMatchObject({
    lotId: expect.stringContaining("no seed of open flowers"),
  });
});
