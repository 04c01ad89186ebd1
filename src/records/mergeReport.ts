import type { Id } from "@/core/custody/id";
import { type Meeting, questionId } from "@/db/meeting";
import type { Merged } from "@/db/merge";
import type { Db } from "@/db/open";
import { type Row, readRow, type Value } from "@/db/rows";
import type { Dispute, Side } from "@/db/threeWay";
import type { Fields } from "./record";
import { RECORDS } from "./records";

export const FIELDS = new Map<string, Fields>(RECORDS.map(({ table, columns }) => [table, columns as Fields]));

/** What one copy says, and when it was said. */
export type Said = { words: string; at: string | null; summary: string | null };

export type Difference = {
  id: string;
  /** What it is about: “Plant 7 of F28-001-K”. */
  name: string;
  about: Dispute["about"];
  ours: Said;
  theirs: Said;
  taken: Side;
};

export type MergeReport = {
  /** Presses that come in, the newest first, so many of them as are shown, and how many there are. */
  presses: { summary: string; at: string }[];
  count: number;
  /** Presses of this copy alone. */
  own: number;
  rows: { table: string; added: number; changed: number; removed: number }[];
  /** What both changed and the later press decides. */
  both: Difference[];
  /** What a person must decide. */
  questions: Difference[];
  /** What is to be set right afterwards. */
  look: { name: string; message: string }[];
};

const SHOWN = 40;

const WORD: Record<string, string> = { lot: "seed lot", normal: "mean of month", reading: "reading of" };

const thing = (table: string) => WORD[table] ?? table;

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** Names rows in words, from the databases that hold them. */
class Names {
  constructor(private readonly dbs: Db[]) {}

  private find(table: string, id: Value): Row | undefined {
    for (const db of this.dbs) {
      const row = readRow(db, table, id);
      if (row) return row;
    }
    return undefined;
  }

  of(table: string, id: Value, row: Row | undefined = this.find(table, id)): string {
    if (!row) return "one that is not there";
    const named = (column: string, other: string) => this.of(other, row[column]!);
    switch (table) {
      case "garden":
        return `the garden ${row.name}`;
      case "plant":
        return `plant ${row.number} of ${named("standId", "stand")}`;
      case "flower":
        return `flower ${row.number} of ${named("crossId", "cross")}`;
      case "score":
        return `${this.find("yardstick", row.yardstickId!)?.name} of ${named("plantId", "plant")}`;
      case "candidate":
        return `a possible ${row.role} of ${
          row.crossId ? named("crossId", "cross") : row.flowerId ? named("flowerId", "flower") : named("lotId", "lot")
        }`;
      case "normal":
      case "reading":
        return `${thing(table)} ${id}`;
      case "line":
        return `line ${row.name}`;
      case "task":
        return `task ${row.title}`;
      case "note":
        return `a note of ${row.on}`;
      case "deed":
        return `“${row.act}” of ${row.on} on ${named("standId", "stand")}`;
      case "stand":
      case "cross":
      case "lot":
        return `${thing(table)} ${row.code} (${named("lineId", "line").slice("line ".length)})`;
      default:
        return `${thing(table)} ${row.name}`;
    }
  }

  private value(table: string, column: string, value: Value): string {
    const spec = FIELDS.get(table)![column]!.spec;
    if (value === null || value === "") return "nothing";
    if (spec.kind === "ref") return this.of(spec.table, value);
    if (spec.kind === "flag") return value ? "yes" : "no";
    return String(value);
  }

  /** What a copy says of some columns. */
  said(table: string, columns: string[], row: Row): string {
    const label = (column: string) => FIELDS.get(table)![column]!.label;
    return columns.map((column) => `${label(column)}: ${this.value(table, column, row[column] ?? null)}`).join(", ");
  }
}

function difference(names: Names, { kind, id, row }: Meeting, dispute: Dispute): Difference {
  const { about, differing, values, presses, taken } = dispute;
  const said = (side: Side): Said => {
    const value = values[side];
    const press = presses[side];
    const words = !value
      ? "was taken away"
      : about === "removed"
        ? "was changed, or is needed"
        : about === "number"
          ? capital(value.coveredOn ? `covered ${value.coveredOn}` : names.of(kind.table, id, value))
          : names.said(kind.table, differing, value);
    return { words, at: press?.at ?? null, summary: press?.summary ?? null };
  };
  const subject = row ?? values.ours ?? values.theirs ?? undefined;
  return {
    id: questionId(kind, id, dispute),
    name: capital(names.of(kind.table, id, subject)),
    about,
    ours: said("ours"),
    theirs: said("theirs"),
    taken,
  };
}

export function reportOf(ours: Db, theirs: Db, { parted, meetings, look }: Merged): MergeReport {
  const names = new Names([ours, theirs]);
  const differences = meetings.flatMap((meeting) =>
    meeting.disputes.map((dispute) => ({ asked: dispute.asked, shown: difference(names, meeting, dispute) })),
  );
  const rows = RECORDS.map(({ table }) => {
    const own = meetings.filter(({ kind }) => kind.table === table);
    const count = (which: (one: Meeting) => boolean) => own.filter(which).length;
    return {
      table: thing(table),
      added: count(({ row, versions }) => row !== null && versions.ours.row === null),
      removed: count(({ row, versions }) => row === null && versions.ours.row !== null),
      changed: count(
        ({ row, versions }) =>
          row !== null && versions.ours.row !== null && Object.keys(row).some((c) => row[c] !== versions.ours.row![c]),
      ),
    };
  });
  const told = theirs.prepare("SELECT id, summary, at FROM op ORDER BY clock DESC").all() as {
    id: Id;
    summary: string;
    at: string;
  }[];
  return {
    presses: told
      .filter(({ id }) => parted.lacking.has(id))
      .slice(0, SHOWN)
      .map(({ summary, at }) => ({ summary, at })),
    count: parted.lacking.size,
    own: parted.own.length,
    rows: rows.filter(({ added, changed, removed }) => added + changed + removed > 0),
    both: differences.filter(({ asked }) => !asked).map(({ shown }) => shown),
    questions: differences.filter(({ asked }) => asked).map(({ shown }) => shown),
    look: look.map(({ table, id, message }) => ({ name: capital(names.of(table, id)), message })),
  };
}
