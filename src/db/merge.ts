import type { Id } from "@/core/custody/id";
import { type Parted, partedAt, refuseStrange, takeOver, uniteLeases } from "./copies";
import { isConstraint } from "./failure";
import { answersOn, type Meeting, type Merging, mark, meetings, type Progress, STEP } from "./meeting";
import type { Db } from "./open";
import { type Change, Refusal, Writer } from "./ops";
import { partOf } from "./rows";
import { keepNamed, rename, setApart, unite } from "./settle";
import { aboutRow, lastPresses, later, other } from "./threeWay";

export type Merged = {
  parted: Parted;
  meetings: Meeting[];
  changes: Change[];
  /** What rule books say of rows as they are now: for a person to set right afterwards. */
  look: { table: string; id: Id; message: string }[];
};

/** Writes a row as it is to be, and what the joint journal would not say by itself. */
function put(writer: Writer, { kind, id, row, expected }: Meeting): void {
  const now = writer.read(kind.table, id);
  if (!row) {
    if (now) writer.remove(kind.table, id);
    else if (expected) writer.absent(kind.table, id);
    return;
  }
  if (!now) {
    writer.insert(kind.table, { ...row, id });
    return;
  }
  writer.update(kind.table, id, row);
  // What holds already is said anew where the joint journal would have it otherwise.
  const names = Object.keys(row);
  const otherwise = names.filter((name) => row[name] === now[name] && row[name] !== expected?.row[name]);
  const silent = writer.read(kind.table, id)!.version === now.version && expected?.version !== now.version;
  if (!expected) writer.confirm(kind.table, id, row);
  else if (otherwise.length > 0 || silent)
    writer.confirm(kind.table, id, partOf(row, silent && otherwise.length === 0 ? names.slice(0, 1) : otherwise));
}

/** A row that can't hold columns of both copies is taken whole from one, with what it names. */
function takeWhole(writer: Writer, list: Meeting[], one: Meeting, answers: Merging["answers"]): void {
  const { kind, id, versions } = one;
  const { ours, theirs } = versions;
  const taken = answersOn(answers, kind, id)("row", []) ?? later(lastPresses(versions));
  one.row = versions[taken].row ?? versions[other(taken)].row;
  one.mixed = false;
  const differing = Object.keys(kind.columns).filter((column) => ours.row?.[column] !== theirs.row?.[column]);
  one.disputes = [aboutRow(versions, { about: "row", differing, taken, asked: true })];
  for (const named of keepNamed(list, [one])) put(writer, named);
  put(writer, one);
}

function* write(writer: Writer, list: Meeting[], answers: Merging["answers"]): Generator<Progress> {
  const inOrder = [
    ...list.filter(({ row }) => !row).reverse(),
    ...list.filter(({ row, versions }) => row && versions.ours.row),
    ...list.filter(({ row, versions }) => row && !versions.ours.row),
  ];
  for (const [i, one] of inOrder.entries()) {
    try {
      put(writer, one);
    } catch (failure) {
      if (!isConstraint(failure) || !one.mixed) throw failure;
      takeWhole(writer, list, one, answers);
    }
    if (i % STEP === 0) yield { doing: "Writing", done: i, of: inOrder.length };
  }
}

/**
 * What columns hold that their record refuses; null where all is well.
 * @throws Refusal when that is not what this garden holds itself: a page could not be drawn, or nothing written any more
 */
function unfit({ kind, id, row, versions }: Meeting, refused: Merging["refused"]): string | null {
  const wrong = Object.entries(refused(kind.table, { ...row!, id }));
  const theirs = wrong.find(([column]) => row![column] !== versions.ours.row?.[column]);
  if (theirs)
    throw new Refusal(
      `That copy holds what this program does not know: ${theirs[1]} Nothing was saved. Bring both to the newest version, then merge again.`,
    );
  return wrong[0]?.[1] ?? null;
}

/** Holds what was written against the rule books; a row of both copies that breaks its own is taken whole from one. */
function* hold(writer: Writer, list: Meeting[], merging: Merging): Generator<Progress, Merged["look"]> {
  const { judge, answers } = merging;
  const look: Merged["look"] = [];
  const written = list.filter(({ row, versions }) => row && versions.theirs.row);
  for (const [i, one] of written.entries()) {
    const { kind, id, base } = one;
    if (i % STEP === 0) yield { doing: "Checking", done: i, of: written.length };
    const broken = () => {
      try {
        judge(kind.table, { ...one.row!, id }, base);
        return null;
      } catch (failure) {
        if (!(failure instanceof Refusal) || failure.kind === "conflict") throw failure;
        return failure.message;
      }
    };
    const wrong = () => unfit(one, merging.refused) ?? broken();
    let message = wrong();
    if (message && one.mixed) {
      takeWhole(writer, list, one, answers);
      message = wrong();
    }
    if (message) look.push({ table: kind.table, id, message });
  }
  return look;
}

/**
 * Brings another copy of the garden into this one, inside a transaction of the caller's: its journal, and the rows as
 * both want them. Either way round the same rows come out.
 * @throws Refusal when the other is no copy of this garden
 */
export function* bringTogether(ours: Db, theirs: Db, merging: Merging): Generator<Progress, Merged> {
  const { op, kinds, answers } = merging;
  refuseStrange(ours, theirs);
  const parted = partedAt(ours, theirs);
  if (parted.lacking.size === 0) throw new Refusal("Everything in that copy is here already. Nothing was written.");
  ours.pragma("defer_foreign_keys = ON");
  const byTable = new Map(kinds.map((kind) => [kind.table, kind]));
  for (const done of takeOver(ours, theirs, parted.lacking, op, byTable))
    if (done % STEP === 0) yield { doing: "Reading its history", done, of: parted.lacking.size };
  mark(ours, parted);
  const list = yield* meetings(ours, theirs, merging);
  keepNamed(list, list);
  const renamed = new Map<Id, Id>();
  for (const kind of kinds) {
    const own = list.filter((one) => one.kind === kind);
    rename(own, renamed);
    if (kind.same) unite(kind, own, renamed, answers);
    if (kind.apart) setApart(kind, own, [ours, theirs], answers);
  }
  rename(list, renamed);
  const writer = new Writer(ours, op);
  yield* write(writer, list, answers);
  const look = yield* hold(writer, list, merging);
  uniteLeases(ours, theirs);
  ours.exec("DROP TABLE temp.parted");
  return { parted, meetings: list, changes: writer.changes, look };
}
