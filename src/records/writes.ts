import type { Id } from "@/core/custody/id";
import { isConstraint } from "@/db/failure";
import { Refusal, type Writer, writtenSince } from "@/db/ops";
import type { AnyRecord, Fields, New, Patch, Row } from "./record";

type Kept = Record<string, string | number | null>;

/** The writer of one op, in terms of records: what is written is what their definitions know. */
export class Writes {
  constructor(
    readonly raw: Writer,
    /** Holds a row against its rule book. */
    private readonly judge: (table: string, next: object, before: object | null) => void,
  ) {}

  read<R extends AnyRecord>({ table }: R, id: Id): Row<R> | undefined {
    return this.raw.read(table, id) as Row<R> | undefined;
  }

  insert<R extends AnyRecord>({ table, columns }: R, row: New<R>): Id {
    const next = said(row);
    return this.explained(
      () => this.raw.insert(table, next),
      () => this.judge(table, { ...beginnings(columns as Fields), ...next }, null),
    );
  }

  /** A row that is held against its rule book before the rest of the press is done: what is wrong is said beside its own fields. */
  insertHeld<R extends AnyRecord>(record: R, row: New<R>): Id {
    this.judge(record.table, { ...beginnings(record.columns as Fields), ...said(row) }, null);
    return this.insert(record, row);
  }

  /**
   * Changes columns of a row; those left out stay as they are.
   * @param seen the version the writer saw: where another has written the same columns since, all is refused
   */
  update<R extends AnyRecord>(record: R, id: Id, patch: Patch<R>, seen?: Id | null): void {
    const change = said(patch);
    if (seen) this.refuseOverwriting(record, id, change, seen);
    this.explained(
      () => this.raw.update(record.table, id, change),
      () => {
        const before = this.raw.read(record.table, id)!;
        this.judge(record.table, { ...before, ...change }, before);
      },
    );
  }

  /** What the schema itself won't hold is told in the rule book's words, where it has some. */
  private explained<T>(write: () => T, judge: () => void): T {
    try {
      return write();
    } catch (failure) {
      if (isConstraint(failure)) judge();
      throw failure;
    }
  }

  /** @param seen the version the writer saw: a row that was written since is not taken away unseen */
  remove<R extends AnyRecord>(record: R, id: Id, seen?: Id | null): void {
    if (seen) this.refuseOverwriting(record, id, null, seen);
    this.raw.remove(record.table, id);
  }

  private refuseOverwriting({ table, columns }: AnyRecord, id: Id, change: Kept | null, seen: Id): void {
    const now = this.raw.read(table, id);
    if (!now || now.version === seen || now.version === this.raw.op) return;
    const written = writtenSince(this.raw.db, table, id, seen);
    const differing = Object.keys(change ?? now).filter(
      (column) =>
        column !== "version" &&
        (change === null || now[column] !== change[column]) &&
        (!written || written.has(column)),
    );
    if (differing.length === 0) return;
    const words = differing.map(
      (column) => `${(columns as Fields)[column]?.label ?? column} is now “${now[column] ?? "empty"}”`,
    );
    throw new Refusal(
      `This was changed elsewhere since you opened it: ${words.join(", ")}. What you typed is kept here; nothing was saved. Load the newer version, or save again to put yours over it.`,
      {},
      "conflict",
    );
  }
}

/** A row of which nothing was said. */
export const beginnings = (columns: Fields): Kept =>
  Object.fromEntries(
    Object.entries(columns).map(([column, { absent }]) => [column, absent.is === "value" ? absent.value : null]),
  ) as Kept;

/** What was said: an undefined column is one that was left out. */
const said = (row: object): Kept =>
  Object.fromEntries(Object.entries(row).filter(([, value]) => value !== undefined)) as Kept;
