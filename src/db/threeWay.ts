import { partOf, type Row, type Value } from "./rows";

/** What bringing two copies together has to know of a table. */
export type Kind = {
  table: string;
  columns: Record<string, { usual: Value; refers: string | null; asked: boolean }>;
  /** Columns that are decided as one, because they tell one story. */
  together: string[];
  /** Two rows that agree in these are one and the same thing. */
  same: string[] | null;
  /** Two rows that agree in these are two things under one number, and one of them gets another. */
  apart: string[] | null;
  /** The next free value of the last column of `apart`, after all that are taken. */
  next: (row: Row, taken: Value[]) => Value;
};

export type Side = "ours" | "theirs";
export const other = (side: Side): Side => (side === "ours" ? "theirs" : "ours");

/** The press that wrote something. */
export type Press = { id: string; clock: string; at: string; day: string; summary: string };

/** A row as one copy has it, and which press since the copies parted wrote each of its columns last. */
export type Version = { row: Row | null; presses: Map<string, Press>; last: Press | null };

/** Two copies that say different things of one row. */
export type Dispute = {
  /** The columns that are decided as one; none where it is about whether the row stays, or about the row as a whole. */
  columns: string[];
  /** Those that differ. */
  differing: string[];
  about: "value" | "removed" | "row" | "number";
  values: Record<Side, Row | null>;
  presses: Record<Side, Press | null>;
  taken: Side;
  /** Whether a person must say which holds. */
  asked: boolean;
};

export type Settled = {
  row: Row | null;
  disputes: Dispute[];
  /** It holds columns of both copies. */
  mixed: boolean;
};

/** A person's answer to a question about some columns; none where it was not asked yet. */
export type Answer = (about: Dispute["about"], columns: string[]) => Side | undefined;

const alike = (a: Row, b: Row, columns: string[]) => columns.every((column) => a[column] === b[column]);

/** The side whose press came later; a press of which nothing is known came first. */
export function later(presses: Record<Side, Press | null>): Side {
  const key = (press: Press | null) => (press ? press.clock + press.id : "");
  return key(presses.theirs) > key(presses.ours) ? "theirs" : "ours";
}

const lastOf = (version: Version, columns: string[]): Press | null =>
  columns
    .map((column) => version.presses.get(column) ?? null)
    .reduce((a, b) => (later({ ours: a, theirs: b }) === "ours" ? a : b), null);

type Versions = Record<Side, Version>;

export const lastPresses = ({ ours, theirs }: Versions): Dispute["presses"] => ({
  ours: ours.last,
  theirs: theirs.last,
});

/** A dispute about a row as a whole, not about some columns of it. */
export const aboutRow = (
  versions: Versions,
  told: Pick<Dispute, "about" | "taken" | "asked"> & Partial<Pick<Dispute, "differing">>,
): Dispute => ({
  columns: [],
  differing: [],
  values: { ours: versions.ours.row, theirs: versions.theirs.row },
  presses: lastPresses(versions),
  ...told,
});

function removedOrChanged(base: Row, versions: Versions, columns: string[], answer: Answer): Settled {
  const stays: Side = versions.ours.row ? "ours" : "theirs";
  const { row } = versions[stays];
  if (alike(row!, base, columns)) return { row: null, disputes: [], mixed: false };
  const taken = answer("removed", []) ?? stays;
  const dispute = aboutRow(versions, { about: "removed", taken, asked: true });
  return { row: taken === stays ? { ...row! } : null, disputes: [dispute], mixed: false };
}

/**
 * Brings two versions of one row together: what only one copy changed is taken from it; of what both changed the later
 * press holds, unless a person says otherwise.
 * @param base the row when the copies parted; null for none
 */
export function threeWay(kind: Kind, base: Row | null, versions: Versions, answer: Answer): Settled {
  const names = Object.keys(kind.columns);
  const { ours, theirs } = versions;
  if (!ours.row || !theirs.row) {
    if (base && (ours.row || theirs.row)) return removedOrChanged(base, versions, names, answer);
    const only = ours.row ?? theirs.row;
    return { row: only && { ...only }, disputes: [], mixed: false };
  }
  const from = base ?? Object.fromEntries(names.map((name) => [name, kind.columns[name]!.usual]));
  const single = names.filter((name) => !kind.together.includes(name)).map((name) => [name]);
  const row: Row = {};
  const disputes: Dispute[] = [];
  const sources = new Set<Side>();
  for (const columns of kind.together.length > 0 ? [kind.together, ...single] : single) {
    let taken: Side = "ours";
    if (!alike(ours.row, theirs.row, columns)) {
      const [here, there] = [!alike(ours.row, from, columns), !alike(theirs.row, from, columns)];
      taken = here ? "ours" : "theirs";
      if (here && there) {
        const presses = { ours: lastOf(ours, columns), theirs: lastOf(theirs, columns) };
        taken = answer("value", columns) ?? later(presses);
        disputes.push({
          columns,
          differing: columns.filter((column) => ours.row![column] !== theirs.row![column]),
          about: "value",
          values: { ours: partOf(ours.row, columns), theirs: partOf(theirs.row, columns) },
          presses,
          taken,
          asked: columns.some((column) => kind.columns[column]!.asked),
        });
      }
      sources.add(taken);
    }
    for (const column of columns) row[column] = versions[taken].row![column]!;
  }
  return { row, disputes, mixed: sources.size > 1 };
}
