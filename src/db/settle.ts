import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { answersOn, type Meeting, type Merging } from "./meeting";
import type { Db } from "./open";
import type { Row, Value } from "./rows";
import { aboutRow, type Kind, type Side, threeWay } from "./threeWay";

/** Rows that name one that goes by another id now name that. */
export function rename(list: Meeting[], renamed: Map<Id, Id>): void {
  if (renamed.size === 0) return;
  for (const { kind, row, versions } of list)
    for (const [column, { refers }] of Object.entries(kind.columns))
      for (const one of [row, versions.ours.row, versions.theirs.row])
        if (one && refers && renamed.has(one[column] as Id)) one[column] = renamed.get(one[column] as Id)!;
}

const keyOf = (row: Row, columns: string[]) => JSON.stringify(columns.map((column) => row[column]));

/** Two rows made apart for one thing become one, under the id that was made first. */
export function unite(kind: Kind, list: Meeting[], renamed: Map<Id, Id>, answers: Merging["answers"]): void {
  const there = list.filter(({ row }) => row);
  for (const [first, second] of groupBy(there, ({ row }) => keyOf(row!, kind.same!)).values()) {
    if (!first || !second) continue;
    const side = (which: Side) => [first, second].find((one) => one.versions[which].row)?.versions[which];
    const versions = { ours: side("ours")!, theirs: side("theirs")! };
    const answer = answersOn(answers, kind, first.id);
    Object.assign(first, { versions, ...threeWay(kind, first.base ?? second.base, versions, answer) });
    Object.assign(second, { row: null, disputes: [], mixed: false });
    renamed.set(second.id, first.id);
  }
}

/** Two things under one number: one keeps it, the other gets the next. */
export function setApart(kind: Kind, list: Meeting[], both: Db[], answers: Merging["answers"]): void {
  const columns = kind.apart!;
  const [last, within] = [columns.at(-1)!, columns.slice(0, -1)];
  const where = within.map((column) => `"${column}" = ?`).join(" AND ") || "TRUE";
  const there = list.filter(({ row }) => row);
  for (const clash of groupBy(there, ({ row }) => keyOf(row!, columns)).values()) {
    const [first, second] = clash;
    if (!first || !second) continue;
    const [ours, theirs] = first.versions.ours.row ? [first, second] : [second, first];
    const usual: Side = ours === first ? "ours" : "theirs";
    const taken = answersOn(answers, kind, first.id)("number", columns) ?? usual;
    const moves = taken === "ours" ? theirs : ours;
    first.disputes.push({
      columns,
      differing: columns,
      about: "number",
      values: { ours: { ...ours.row }, theirs: { ...theirs.row } },
      presses: { ours: ours.versions.ours.last, theirs: theirs.versions.theirs.last },
      taken,
      asked: true,
    });
    const values = within.map((column) => moves.row![column]!);
    const used = both.flatMap(
      (db) =>
        db
          .prepare(`SELECT "${last}" FROM "${kind.table}" WHERE ${where}`)
          .pluck()
          .all(...values) as Value[],
    );
    const others = there.filter(({ row }) => keyOf(row!, within) === keyOf(moves.row!, within));
    moves.row![last] = kind.next(moves.row!, [...used, ...others.map(({ row }) => row![last]!)]);
  }
}

/** A row that was taken away in one copy stays where one of the other names it. Gives those that stay. */
export function keepNamed(list: Meeting[], naming: Meeting[]): Meeting[] {
  const byId = new Map(list.map((one) => [one.id, one]));
  const waiting = naming.filter(({ row }) => row);
  const kept: Meeting[] = [];
  for (let one = waiting.pop(); one; one = waiting.pop())
    for (const [column, { refers }] of Object.entries(one.kind.columns)) {
      const named = refers ? byId.get(one.row![column] as Id) : undefined;
      if (!named || named.row) continue;
      const stays: Side = named.versions.ours.row ? "ours" : "theirs";
      const row = named.versions[stays].row;
      if (!row) continue;
      named.row = { ...row };
      named.disputes = [aboutRow(named.versions, { about: "removed", taken: stays, asked: false })];
      waiting.push(named);
      kept.push(named);
    }
  return kept;
}
