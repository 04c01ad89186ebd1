import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { TABLES } from "@/db/journal";
import { type Db, openDb } from "@/db/open";
import { type Outcome, perform } from "../command";
import { COMMANDS } from "../commands";

export type Plot = {
  db: Db;
  path: string;
  /** Carries out a command and expects it to be done. */
  done: (
    name: string,
    input: object,
  ) => { id: number; ids: number[]; entry: number; warnings: string[]; message: string };
  /** Carries out a command and expects it to be refused with nothing written. */
  refused: (name: string, input: object) => { message: string; fields: Record<string, string>; kind: string };
  on: (day: string) => void;
  close: () => void;
};

const contents = (db: Db) =>
  [...TABLES, "journal", "journalChange"].map((table) => JSON.stringify(db.prepare(`SELECT * FROM "${table}"`).all()));

/** A garden on a file of its own, with two beds, at 48.6° N on 9 July 2027. */
export function plot(): Plot {
  const folder = mkdtempSync(join(tmpdir(), "orchard-test-"));
  const path = join(folder, "orchard.db");
  const db = openDb(path);
  const send = (name: string, input: object): Outcome => perform(db, COMMANDS.get(name)!, input, null);
  const made: Plot = {
    db,
    path,
    done(name, input) {
      const outcome = send(name, input);
      if (!outcome.ok) throw new Error(`${name} was refused: ${outcome.message}`);
      return {
        id: outcome.id ?? 0,
        ids: outcome.ids ?? [],
        entry: outcome.entry ?? 0,
        warnings: outcome.warnings ?? [],
        message: outcome.message,
      };
    },
    refused(name, input) {
      const before = contents(db);
      const outcome = send(name, input);
      if (outcome.ok) throw new Error(`${name} was not refused: ${outcome.message}`);
      if (contents(db).some((rows, i) => rows !== before[i]))
        throw new Error(`${name} was refused but wrote something`);
      return outcome;
    },
    on: (day) => void db.prepare("UPDATE garden SET asOf = ? WHERE id = 1").run(day),
    close() {
      db.close();
      rmSync(folder, { recursive: true });
    },
  };
  made.done("garden.set", {
    name: "Tarnholt",
    latitude: 48.6,
    longitude: 9.3,
    timezone: "Europe/Zurich",
    lastFrost: "05-20",
    firstFrost: "09-28",
    units: "metric",
    version: 0,
  });
  made.on("2027-07-09");
  made.done("bed.add", { name: "A", x: 0, y: 0, width: 8, length: 4 });
  made.done("bed.add", { name: "B", x: 30, y: 0, width: 8, length: 4 });
  return made;
}

/** Two melon lines in flower together, as mother and father. */
export function twoMelons({ done, db }: Plot) {
  const line = (name: string) =>
    done("line.add", { name, species: "melon", school: "keep-pure", status: "open-pollinated" }).id;
  const mother = done("stand.add", { lineId: line("Ashlar Gold"), bedId: 1, sown: "2027-04-24", plants: 6 }).id;
  const father = done("stand.add", { lineId: line("Nettle Moon"), bedId: 2, sown: "2027-04-28", plants: 6 }).id;
  const plan = {
    motherStandId: mother,
    fatherStandId: father,
    lineName: "Lantern",
    fruitsWanted: 2,
    setLow: 0.3,
    setLikely: 0.4,
    setHigh: 0.5,
    confidence: 0.9,
  };
  const row = (table: string, id: number) =>
    db.prepare(`SELECT * FROM "${table}" WHERE id = ?`).get(id) as Record<string, unknown>;
  return { mother, father, plan, row };
}

/** A family of numbered plants from a lot of a cross. */
export function family(garden: Plot, plants = 5) {
  const { done, on } = garden;
  const { plan, ...melons } = twoMelons(garden);
  const cross = done("cross.plan", plan).id;
  const { ids } = done("flower.cover", { crossId: cross, flowers: 2, on: "2027-07-01" });
  done("flower.record", {
    crossId: cross,
    on: "2027-07-02",
    males: 2,
    results: ids.map((id) => ({ id, result: "pollinated" })),
  });
  done("flower.record", { crossId: cross, on: "2027-07-09", results: ids.map((id) => ({ id, result: "set" })) });
  on("2027-08-25");
  const lot = done("cross.harvest", { crossId: cross, fruits: 2, seeds: 40 }).id;
  const { lineId } = melons.row("lot", lot) as { lineId: number };
  on("2028-05-10");
  const stand = done("stand.add", {
    lineId,
    lotId: lot,
    bedId: 1,
    sown: "2028-05-10",
    sowedSeeds: 10,
    family: true,
  }).id;
  const counts = { sown: "2028-05-10", sowedSeeds: 10, flowers: "open", seedWanted: 1, bedId: 1 };
  if (plants) done("stand.change", { id: stand, version: 1, ...counts, cameUp: plants + 1, plants });
  const ids2 = garden.db
    .prepare("SELECT id FROM plant WHERE standId = ? ORDER BY number")
    .pluck()
    .all(stand) as number[];
  return { ...melons, plan, cross, lot, lineId, stand, counts, plants: ids2 };
}
