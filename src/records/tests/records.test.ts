import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { PROTOCOLS, SPECIES } from "@/catalogue/catalogue";
import { perform } from "../command";
import { COMMANDS } from "../commands";
import type { AnyField, Fields, Spec } from "../record";
import { RECORDS } from "../records";
import { family, NOBODY, type Plot, plot } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

type Column = { name: string; type: string; notnull: number };
const TYPES: Partial<Record<Spec["kind"], string>> = { whole: "INTEGER", real: "REAL", flag: "INTEGER" };

/** Lists that grow by a file; the record alone holds them. */
const GROWING = new Set([
  "deed.act",
  "plan.act",
  "line.way",
  "yardstick.kind",
  "vessel.kind",
  "lot.way",
  "handling.act",
]);

describe("the records and the tables are one", () => {
  test.each(RECORDS.map((record) => [record.table, record.columns as Fields] as const))("%s", (table, columns) => {
    const { db } = garden;
    const told = db.pragma(`table_info("${table}")`) as Column[];
    expect(told.map(({ name }) => name).sort()).toEqual(["id", "version", ...Object.keys(columns)].sort());
    for (const { name, type, notnull } of told.filter((column) => columns[column.name])) {
      const { spec, absent } = columns[name]!;
      expect([name, type]).toEqual([name, TYPES[spec.kind] ?? "TEXT"]);
      expect([name, notnull === 1]).toEqual([name, absent.is !== "empty"]);
    }
    const named = (db.pragma(`foreign_key_list("${table}")`) as { from: string; table: string }[]).map(
      (key) => `${key.from} names ${key.table}`,
    );
    const refs = Object.entries(columns).flatMap(([name, { spec }]) =>
      spec.kind === "ref" ? [`${name} names ${spec.table}`] : [],
    );
    expect(named.sort()).toEqual(refs.sort());
    const sql = db.prepare("SELECT sql FROM sqlite_master WHERE type = 'table' AND name = ?").pluck().get(table);
    for (const [name, { spec }] of Object.entries(columns)) {
      if (spec.kind !== "choice" || GROWING.has(`${table}.${name}`)) continue;
      const list = new RegExp(`\\b${name} IN \\(([^)]*)\\)`).exec(sql as string)?.[1] ?? "no list";
      const words = list.split(",").map((word) => word.trim().replaceAll("'", ""));
      expect([name, words.sort()]).toEqual([name, [...spec.of].sort()]);
    }
  });
});

const ODD = fc.oneof(
  fc.constantFrom<unknown>(null, "", "\0", "\ud800", "__proto__", "=1+1", -1, 1e308, "0x10", "NaN", true, [], [[[]]]),
  fc.constantFrom<unknown>({ toString: 1 }, { constructor: 1 }, "2027-02-30", "9999-12-31", "1990-01-01"),
  fc.string({ unit: "binary", maxLength: 40 }),
);

/** What a field's own schema would take, as far as one can tell from its kind. */
function fitting({ spec }: AnyField): fc.Arbitrary<unknown> {
  const ids = (table: string) =>
    fc.constantFrom(NOBODY, ...(garden.db.prepare(`SELECT id FROM "${table}"`).pluck().all() as string[]));
  switch (spec.kind) {
    case "text":
    case "name":
      return fc.string({ minLength: 1, maxLength: Math.min(spec.most, 60) });
    case "whole":
    case "real": {
      const [least, most] = [spec.least ?? spec.above ?? -50, spec.most ?? spec.below ?? 1_000_000];
      const edges = fc.constantFrom(least, most, Math.max(least, 1), Math.min(most, 3));
      return fc.oneof(
        edges,
        fc.double({ min: least, max: most, noNaN: true }),
        fc.double({ min: least, max: most, noNaN: true }).map(Math.round),
      );
    }
    case "day":
      return fc.constantFrom("1990-01-01", "2027-03-01", "2027-07-01", "2028-02-29", "2028-07-20", "2100-12-31");
    case "day-of-year":
      return fc.constantFrom("01-01", "02-29", "05-20", "12-31");
    case "hour":
      return fc.constantFrom("00:00", "05:40", "23:59");
    case "flag":
    case "yes-no":
      return fc.constantFrom(true, false, 0, 1);
    case "choice":
      return fc.constantFrom(...spec.of);
    case "species":
      return fc.constantFrom(...SPECIES.map((s) => s.id));
    case "protocol":
      return fc.constantFrom(...PROTOCOLS.map((p) => p.id));
    case "time-zone":
      return fc.constantFrom("UTC", "Europe/Zurich", "Pacific/Auckland");
    case "ref":
      return ids(spec.table);
    case "version":
      return fc.constantFrom(NOBODY, ...(garden.db.prepare("SELECT version FROM stand").pluck().all() as string[]));
    case "json":
      return fc.constant("[]");
    case "given":
      return fc.oneof(
        fc.uniqueArray(ids("plant"), { maxLength: 4 }),
        fc.uniqueArray(ids("flower"), { maxLength: 4 }),
        fc.constantFrom<unknown>([], "", "{", '{"rows":[{"toString":1}]}', '{"rows":[{"cross":{"toString":1}}]}'),
        fc.constantFrom<unknown>("date;min;max\n2027-01-01;1;2", '{"type":"constructor"}', '{"features":[null]}'),
        ids("flower").map((id) => [{ id, result: "set" }]),
        ids("stand").map((standId) => [{ kind: "resow", standId, sown: "2027-08-01" }]),
        ids("stand").map((standId) => [{ standId, share: 1 }]),
        fc.constant([
          { x: 0, y: 0 },
          { x: 0, y: 0 },
        ]),
      );
  }
}

describe("whatever is sent, the answer is one", () => {
  test.each([...COMMANDS.entries()])(
    "%s does it or says why not, and leaves no row that names a lost one",
    (name, known) => {
      family(garden);
      garden.on("2028-07-20");
      const fields = Object.entries(known.fields as Fields);
      const inputs = fc.record(
        Object.fromEntries(
          fields.map(([field, of]) => [
            field,
            fc.oneof({ weight: 9, arbitrary: fitting(of) }, { weight: 1, arbitrary: ODD }),
          ]),
        ),
        { requiredKeys: fields.filter(([, of]) => of.absent.is === "needed").map(([field]) => field) },
      );
      fc.assert(
        fc.property(inputs, (input) => {
          // As it comes over the wire.
          const outcome = perform(garden.db, known, JSON.parse(JSON.stringify(input)), { day: "2028-07-20" });
          if (!outcome.ok) expect(outcome.message).toMatch(/\S/);
        }),
        { numRuns: 60, seed: 2027 },
      );
      expect(garden.db.pragma("foreign_key_check")).toEqual([]);
      expect(name).toMatch(/^[a-z]+\.[a-z-]+$/);
    },
  );
});
