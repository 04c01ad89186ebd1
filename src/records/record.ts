import type Joi from "joi";
import type { Id } from "@/core/custody/id";

/**
 * What may stand in a column of a record or in a field of a command, as plain data: the schema that checks it
 * (schema.ts), the table's columns, labels and units of forms, and the types of rows and patches all follow from it.
 */
export type Spec =
  | { kind: "text"; most: number }
  | { kind: "name"; most: number }
  | { kind: "whole" | "real"; least?: number; most?: number; above?: number; below?: number }
  | { kind: "day" | "day-of-year" | "hour" | "flag" | "yes-no" | "species" | "protocol" | "version" | "time-zone" }
  | { kind: "choice"; of: readonly (string | number)[] }
  | { kind: "ref"; table: string }
  | { kind: "json" }
  | { kind: "given"; schema: Joi.Schema };

/** What its absence means: it is needed; the column is empty; a value stands in; or, in a patch, the column stays. */
export type Absent = { is: "needed" | "empty" | "kept" | "kept-or-empty" } | { is: "value"; value: unknown };

/** How two versions of a column are brought together when two copies of a garden went apart. */
export type Merge = "later" | "ask";

/** What a form says of a field beside its label. */
export type Drawn = {
  /** What it is counted or measured in, as it is kept. */
  unit?: string;
  /** What it measures, where a garden's units or a percentage show it otherwise than it is kept: metres, grams, 0–1. */
  measure?: "length" | "mass" | "share";
  hint?: string;
  /** What nothing chosen or typed means. */
  none?: string;
  /** Several lines of it are usual. */
  long?: true;
};

/** One field. `Out` is what a command gets, `Sent` what a caller may send. */
export class Field<Out, Sent = Out> {
  declare readonly out: Out;
  declare readonly sent: Sent;
  constructor(
    readonly spec: Spec,
    readonly label: string,
    readonly absent: Absent = { is: "needed" },
    readonly merge: Merge = "later",
    /** Sentences of its own, by the rule that was broken. */
    readonly said: Record<string, string> = {},
    readonly drawn: Drawn = {},
  ) {}

  private with<O, S>(change: Partial<Omit<Field<Out, Sent>, "spec" | "out" | "sent">>): Field<O, S> {
    const { spec, label, absent, merge, said, drawn } = { ...this, ...change };
    return new Field<O, S>(spec, label, absent, merge, said, drawn);
  }

  /** The column may be empty. */
  optional(): Field<Out | null, Sent | null | undefined> {
    return this.with({ absent: { is: "empty" } });
  }
  /** A value stands in where nothing is said. */
  or(value: Out): Field<Out, Sent | undefined> {
    return this.with({ absent: { is: "value", value } });
  }
  /** It must be said, whatever stands in elsewhere. */
  needed(): Field<NonNullable<Out>, NonNullable<Sent>> {
    return this.with({ absent: { is: "needed" } });
  }
  /** As part of a patch: where nothing is said the column stays as it is. */
  kept(): Field<Out | undefined, Sent | undefined> {
    return this.with({ absent: { is: this.absent.is === "empty" ? "kept-or-empty" : "kept" } });
  }
  /** Two different values need a person to decide. */
  asked(): Field<Out, Sent> {
    return this.with({ merge: "ask" });
  }
  as(label: string): Field<Out, Sent> {
    return this.with({ label });
  }
  saying(said: Record<string, string>): Field<Out, Sent> {
    return this.with({ said });
  }
  /** How a form draws it. */
  draws(drawn: Drawn): Field<Out, Sent> {
    return this.with({ drawn: { ...this.drawn, ...drawn } });
  }
}

// biome-ignore lint/suspicious/noExplicitAny: a field of whatever kind, as lists of fields hold it
export type AnyField = Field<any, any>;
export type Fields = Record<string, AnyField>;

export const text = (label: string, most = 500) => new Field<string>({ kind: "text", most }, label).or("");
export const name = (label: string, most = 120) => new Field<string>({ kind: "name", most }, label);
export const whole = (label: string, least: number, most: number) =>
  new Field<number>({ kind: "whole", least, most }, label);
export const count = (label: string, most = 1_000_000) => whole(label, 1, most);
export const real = (label: string, limits: { least?: number; most?: number; above?: number; below?: number }) =>
  new Field<number>({ kind: "real", ...limits }, label);
export const metres = (label: string) => real(label, { least: -100_000, most: 100_000 }).draws({ measure: "length" });
export const grams = (label: string) => real(label, { above: 0, most: 100_000 }).draws({ measure: "mass" });
export const day = (label: string) => new Field<string>({ kind: "day" }, label);
export const dayOfYear = (label: string) => new Field<string>({ kind: "day-of-year" }, label);
export const hour = (label: string) => new Field<string>({ kind: "hour" }, label);
export const flag = (label: string) => new Field<0 | 1>({ kind: "flag" }, label).or(0);
export const yesNo = (label: string) => new Field<boolean>({ kind: "yes-no" }, label).or(false);
export const species = (label = "Species") => new Field<string>({ kind: "species" }, label);
export const protocol = (label: string) => new Field<string>({ kind: "protocol" }, label);
export const timeZone = (label: string) => new Field<string>({ kind: "time-zone" }, label);
export const choice = <const T extends string>(label: string, of: readonly T[]) =>
  new Field<T>({ kind: "choice", of }, label);
export const ref = (table: string, label: string) => new Field<Id>({ kind: "ref", table }, label);
/** The version of a row that the writer saw; none for a press that goes by what it sees alone. */
export const seen = () => new Field<Id>({ kind: "version" }, "Version");
/** A list or other structure that is kept as JSON; a column of it is text, and queries read it. */
export const json = (label: string) => new Field<string>({ kind: "json" }, label);
/** A field of a command that no column holds, with a schema of its own. */
export const given = <T>(label: string, schema: Joi.Schema) => new Field<T>({ kind: "given", schema }, label);

type OutOf<F> = F extends Field<infer Out, infer _> ? Out : never;
type SentOf<F> = F extends Field<infer _, infer Sent> ? Sent : never;
type Optional<F extends Fields> = { [K in keyof F]: undefined extends SentOf<F[K]> ? K : never }[keyof F];
type Unsaid<F extends Fields> = { [K in keyof F]: undefined extends OutOf<F[K]> ? K : never }[keyof F];
type Flat<T> = { [K in keyof T]: T[K] };

/** What a command gets of fields. */
export type Told<F extends Fields> = Flat<
  { [K in Exclude<keyof F, Unsaid<F>>]: OutOf<F[K]> } & { [K in Unsaid<F>]?: OutOf<F[K]> }
>;
/** What a caller may send of fields. */
export type Sent<F extends Fields> = Flat<
  { [K in Exclude<keyof F, Optional<F>>]: SentOf<F[K]> } & { [K in Optional<F>]?: SentOf<F[K]> }
>;

type KeptField<F> = F extends Field<infer Out, infer Sent> ? Field<Out | undefined, Sent | undefined> : never;

/** How rows of two copies of a garden are brought together, beyond column by column. */
export type Meet<C> = {
  /** Columns that tell one story and are taken from one copy. */
  together?: (keyof C & string)[];
  /** Rows that agree in these are one and the same thing, written down twice. */
  same?: (keyof C & string)[];
  /** Rows that agree in these are two things under one number or code: one of them gets another. */
  apart?: (keyof C & string)[];
};

/** A record: one table, defined once. */
class RecordOf<N extends string, C extends Fields> {
  constructor(
    readonly table: N,
    readonly columns: C,
    readonly meet: Meet<C>,
  ) {}

  /** Columns as the fields of a command that adds a row. */
  adding<K extends keyof C>(...names: K[]): Pick<C, K> {
    return Object.fromEntries(names.map((column) => [column, this.columns[column]])) as Pick<C, K>;
  }

  /** Columns as the fields of a command that changes a row: what is not sent stays as it is. */
  patching<K extends keyof C>(...names: K[]): { [P in K]: KeptField<C[P]> } {
    return Object.fromEntries(names.map((column) => [column, this.columns[column]!.kept()])) as {
      [P in K]: KeptField<C[P]>;
    };
  }
}

export const record = <const N extends string, C extends Fields>(table: N, columns: C, meet: Meet<C> = {}) =>
  new RecordOf(table, columns, meet);

// biome-ignore lint/suspicious/noExplicitAny: a record of whatever columns, as lists of records hold it
export type AnyRecord = RecordOf<string, any>;
type ColumnsOf<R> = R extends RecordOf<string, infer C extends Fields> ? C : never;

/** A row as a query returns it. */
export type Row<R extends AnyRecord> = Flat<
  { id: Id; version: Id } & { [K in keyof ColumnsOf<R>]: OutOf<ColumnsOf<R>[K]> }
>;
/** What a row is made from: empty columns and those with a usual value may be left out. */
export type New<R extends AnyRecord> = Sent<ColumnsOf<R>> & { id?: Id };
/** A change of a row: an absent column stays, null empties it. */
export type Patch<R extends AnyRecord> = { [K in keyof ColumnsOf<R>]?: OutOf<ColumnsOf<R>[K]> };
