import { KINDS, LEASED } from "@/core/custody/code";
import { type Id, isId } from "@/core/custody/id";
import { msOf, readClock } from "./clock";
import { SCHEMA } from "./migrate";
import type { Db } from "./open";
import { headOf, Refusal, type StoredChange, type StoredOp } from "./ops";
import { insertRow } from "./rows";
import type { Kind } from "./threeWay";
import { undoneOps } from "./undo";

/** The ops that what is in a copy's tables follows from: not those whose bringing in was taken back. */
function standing(db: Db): Map<Id, string> {
  const undone = undoneOps(db);
  const by = new Map<Id, boolean>();
  const brought = db.prepare("SELECT op, merge FROM brought").all() as { op: Id; merge: Id }[];
  for (const { op, merge } of brought) by.set(op, by.get(op) === true || !undone.has(merge));
  const ops = db.prepare("SELECT id, clock || ' ' || command FROM op").raw().all() as [Id, string][];
  return new Map(ops.filter(([id]) => by.get(id) !== false));
}

/** Where two copies parted: the ops that only one of them stands on. */
export type Parted = { own: Id[]; lacking: Set<Id>; common: Set<Id> };

/** @throws Refusal when the two are not copies of one garden */
export function partedAt(ours: Db, theirs: Db): Parted {
  const [here, there] = [standing(ours), standing(theirs)];
  const common = new Set<Id>();
  for (const [id, what] of here) {
    if (!there.has(id)) continue;
    if (there.get(id) !== what)
      throw new Refusal("The two journals tell different things under one name, so they can't be brought together.");
    common.add(id);
  }
  if (common.size === 0)
    throw new Refusal("That file holds another garden: nothing in its history is in this one's. Nothing was written.");
  return {
    common,
    own: [...here.keys()].filter((id) => !common.has(id)),
    lacking: new Set([...there.keys()].filter((id) => !common.has(id))),
  };
}

const schemaIn = (db: Db) =>
  JSON.stringify(
    db
      .prepare(
        "SELECT type, name, sql FROM sqlite_master WHERE sql IS NOT NULL AND name NOT LIKE 'sqlite_%' ORDER BY type, name",
      )
      .all(),
  );

const STRANGE = "That file is not as this program writes it";

/** @throws Refusal when a file was made by other hands */
export function refuseStrange(ours: Db, theirs: Db): void {
  if (schemaIn(ours) !== schemaIn(theirs)) throw new Refusal(`${STRANGE}: its tables are others. Nothing was written.`);
}

/** Refuses an entry that no copy writes, or after which none of this garden could be written. */
function refuseStrangeOp(op: StoredOp, clockOf: (id: Id) => string | undefined, now: number): void {
  const clock = readClock(op.clock, now);
  if (!isId(op.id) || !isId(op.device) || clock === "unreadable" || op.schema > SCHEMA || op.schema <= 0)
    throw new Refusal(`${STRANGE}: an entry of its history can't be read. Nothing was written.`);
  if (clock === "ahead")
    throw new Refusal(
      "That copy's clock is months or years ahead of this device's, so later records would not count. Nothing was saved. Correct the clock that is wrong, then merge again.",
    );
  // Of two that took each other back neither would end.
  if (op.undoes !== null && !((clockOf(op.undoes) ?? op.clock) < op.clock))
    throw new Refusal(`${STRANGE}: a press takes back one that came later. Nothing was written.`);
}

const isValue = (value: unknown) => value === null || typeof value === "string" || typeof value === "number";

function refuseStrangeChange({ tableName, before, after }: StoredChange, kinds: Map<string, Kind>): void {
  const columns = kinds.get(tableName)?.columns;
  for (const text of [before, after]) {
    const row = text === null ? {} : (JSON.parse(text) as object | null);
    const known = columns && row && Object.entries(row).every(([name, value]) => columns[name] && isValue(value));
    if (!known) throw new Refusal(`${STRANGE}: its history speaks of what no garden has. Nothing was written.`);
  }
}

/** Takes over the entries of another copy's journal, as it wrote them. Yields how many are in. */
export function* takeOver(
  ours: Db,
  theirs: Db,
  lacking: Set<Id>,
  merge: Id,
  kinds: Map<string, Kind>,
): Generator<number> {
  const changes = theirs.prepare("SELECT * FROM opChange WHERE op = ? ORDER BY seq");
  const bring = ours.prepare("INSERT INTO brought (op, merge) VALUES (?, ?)");
  // In the order of their clocks: what is taken back is here before what takes it back.
  const clock = ours.prepare("SELECT clock FROM op WHERE id = ?").pluck();
  const clockOf = (id: Id) => clock.get(id) as string | undefined;
  // A garden whose own clock was once ahead goes on from there.
  const now = Math.max(Date.now(), msOf(headOf(ours) ?? "0"));
  let taken = 0;
  for (const op of theirs.prepare("SELECT * FROM op ORDER BY clock").iterate() as IterableIterator<StoredOp>) {
    if (!lacking.has(op.id)) continue;
    bring.run(op.id, merge);
    yield ++taken;
    if (clockOf(op.id) !== undefined) continue;
    refuseStrangeOp(op, clockOf, now);
    insertRow(ours, "op", op);
    for (const change of changes.all(op.id) as StoredChange[]) {
      refuseStrangeChange(change, kinds);
      insertRow(ours, "opChange", change);
    }
  }
}

type Lease = { kind: string; year: number; low: number; high: number };

const LETTERS: string[] = ["home", ...Object.values(KINDS)];
/** No garden counts further. */
const MOST = 1e9;

const isLease = ({ kind, year, low, high }: Lease) =>
  LETTERS.includes(kind) &&
  [year, low, high].every(Number.isSafeInteger) &&
  year >= 0 &&
  year < 100 &&
  low >= 1 &&
  high < low + LEASED &&
  high <= MOST;

/**
 * Numbers that either copy has given stay given.
 * @throws Refusal when the other gives them out in steps that would leave none
 */
export function uniteLeases(ours: Db, theirs: Db): void {
  const add = ours.prepare(
    `INSERT INTO lease (kind, year, low, high, device, last) VALUES (:kind, :year, :low, :high, :device, :last)
     ON CONFLICT (kind, year, low) DO UPDATE SET high = max(high, excluded.high), last = max(last, excluded.last),
       device = min(device, excluded.device)`,
  );
  for (const lease of theirs.prepare("SELECT * FROM lease").all() as Lease[]) {
    if (!isLease(lease)) throw new Refusal(`${STRANGE}: it gives out numbers as no garden does. Nothing was written.`);
    add.run(lease);
  }
}
