import { KINDS, LEASED, makeCode } from "@/core/custody/code";
import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Context } from "./command";

/** Where the ranges of copies begin and how many there are, in leases: a copy knows nothing of the others' ranges. */
const COPIES_FROM = 10;
const COPIES = 90;

type Lease = { low: number; last: number };

/** The device that gave the garden's first numbers: its own run on from 1. */
function homeOf(db: Db, device: Id): Id {
  prepared(db, "INSERT OR IGNORE INTO lease (kind, year, low, high, device, last) VALUES ('home', 0, 1, 1, ?, 1)").run(
    device,
  );
  return prepared(db, "SELECT device FROM lease WHERE kind = 'home'").pluck().get() as Id;
}

/** A spot that differs between devices, from the part of an id that is chance. */
const spot = (device: Id) => Number.parseInt(device.slice(-6), 16) % COPIES;

/** Leases a device the next range of numbers; on a copy of a garden one far from those of the device it was copied from. */
function lease(db: Db, kind: string, year: number, device: Id): Lease {
  const own = homeOf(db, device) === device;
  const overlaps = prepared(db, "SELECT max(high) FROM lease WHERE kind = ? AND year = ? AND low <= ? AND high >= ?");
  let low = (own ? 0 : COPIES_FROM + spot(device)) * LEASED + 1;
  for (;;) {
    const high = Math.ceil(low / LEASED) * LEASED;
    const taken = overlaps.pluck().get(kind, year, high, low) as number | null;
    if (taken === null) {
      prepared(db, "INSERT INTO lease (kind, year, low, high, device, last) VALUES (?, ?, ?, ?, ?, ?)").run(
        kind,
        year,
        low,
        high,
        device,
        low - 1,
      );
      return { low, last: low - 1 };
    }
    low = taken + 1;
  }
}

/** The code of a new thing, from the device's own range. Numbers are never given twice, not even after an undo. */
export function nextCode({ db, device }: Context, kind: keyof typeof KINDS, season: number): string {
  const letter = KINDS[kind];
  const year = season % 100;
  const open = prepared(
    db,
    "SELECT low, last FROM lease WHERE kind = ? AND year = ? AND device = ? AND last < high ORDER BY low LIMIT 1",
  ).get(letter, year, device) as Lease | undefined;
  const { low } = open ?? lease(db, letter, year, device);
  const number = prepared(db, "UPDATE lease SET last = last + 1 WHERE kind = ? AND year = ? AND low = ? RETURNING last")
    .pluck()
    .get(letter, year, low) as number;
  return makeCode(kind, season, number);
}
