import type { ReactNode } from "react";
import type { Units } from "@/core/units/units";
import type { Commands } from "@/records/commands";
import type { AnyRecord, Row } from "@/records/record";
import { More } from "@/ui/More";
import { CommandForm, type FieldName, type FieldOf, type FieldProps, type Name } from "./command";
import { factorOf, fieldOf, shownIn, type Words } from "./recordFields";

/** The columns of a record that a command takes. */
type ColumnOf<R extends AnyRecord, N extends Name> = Exclude<keyof Row<R>, "id" | "version"> & FieldName<N>;

/** Columns that hold one of some codes: their words must be given. */
type Coded<R extends AnyRecord, K extends keyof Row<R>> = {
  [C in K]: NonNullable<Row<R>[C]> extends string ? (string extends NonNullable<Row<R>[C]> ? never : C) : never;
}[K];
/** Columns with two codes, that are chosen between where words are given, and ticked otherwise. */
type Flags<R extends AnyRecord, K extends keyof Row<R>> = {
  [C in K]: NonNullable<Row<R>[C]> extends 0 | 1 ? C : never;
}[K];
type WordsOf<R extends AnyRecord, K extends keyof Row<R>> = {
  [C in Coded<R, K>]: Record<NonNullable<Row<R>[C]> & string, string>;
} & { [C in Flags<R, K>]?: Record<0 | 1, string> };

type Props<N extends Name, R extends AnyRecord, K extends keyof Row<R> & string> = {
  of: R;
  command: N;
  /** What is needed now, two beside each other; the rest in groups, each behind a press that says what it is about. */
  fields: readonly K[];
  more?: Readonly<Record<string, readonly K[]>>;
  /** The row that is changed; none where one is added. */
  row?: Pick<Row<R>, K> & { id: string; version: string };
  /** What the fields of a new one hold at first. */
  values?: { [C in K]?: Row<R>[C] };
  units: Units;
  /** Says of a column what its record can't: the choices of a reference, a hint for this place, a piece of its own. */
  about?: { [C in K]?: Partial<Omit<FieldProps, "name">> | ((Field: FieldOf<K>) => ReactNode) };
  hidden?: Partial<Commands[N]>;
  draft: string;
  submit: string;
  onDone?: Parameters<typeof CommandForm>[0]["onDone"];
  shape?: (typed: Record<string, unknown>) => Record<string, unknown>;
  /** What is said between the fields and the press. */
  children?: ReactNode;
} & (Coded<R, K> extends never ? { words?: WordsOf<R, K> } : { words: WordsOf<R, K> });

/** Long texts and ticks take a line of their own. */
const WIDE: ReadonlySet<FieldProps["type"]> = new Set(["textarea", "checkbox"]);

/**
 * A form of a record's columns: label, kind, unit, choices and hint are the record's. A name that is no column of it, or no
 * field of the command, does not compile, nor does a column of codes without their words.
 */
export function RecordForm<const N extends Name, const R extends AnyRecord, const K extends ColumnOf<R, N> & string>(
  props: Props<N, R, K>,
) {
  const { of, command, fields, more = {}, row, values, units, about, hidden, shape, children, ...rest } = props;
  const words = (props.words ?? {}) as Record<string, Words>;
  const columns = of.columns as Record<string, Parameters<typeof fieldOf>[0]>;
  const names: string[] = [...fields, ...Object.values(more).flat()];
  const began = (row ?? values ?? {}) as Record<string, unknown>;
  const groups = Object.entries(more).filter(([, list]) => list.length > 0);
  const draw = (Field: FieldOf<string>, list: readonly string[]) => (
    <div className="grid items-start gap-4 sm:grid-cols-2">
      {list.map((name) => {
        const own = about?.[name as K];
        if (typeof own === "function") return <div key={name}>{own(Field as FieldOf<K>)}</div>;
        const drawn = { ...fieldOf(columns[name]!, units, words[name]), ...own };
        return (
          <Field key={name} name={name} {...drawn} className={WIDE.has(drawn.type) ? "sm:col-span-2" : undefined} />
        );
      })}
    </div>
  );
  const form = {
    ...rest,
    command,
    patch: row !== undefined,
    values: Object.fromEntries(names.map((name) => [name, shownIn(columns[name]!, began[name] ?? null, units)])),
    factors: Object.fromEntries(
      names.map((name) => [name, factorOf(columns[name]!, units)]).filter(([, factor]) => factor !== 1),
    ),
    hidden: { ...(row && { id: row.id, version: row.version }), ...hidden },
    shape: shape ?? ((typed: Record<string, unknown>) => typed),
  };
  return (
    <CommandForm
      {...(form as unknown as {
        command: N;
        values: Record<string, string>;
        shape: NonNullable<typeof shape>;
        draft: string;
        submit: string;
      })}
    >
      {(Field) => (
        <>
          {draw(Field, fields)}
          {groups.length > 0 && (
            <div className="border-t border-rule pt-1">
              {groups.map(([said, list]) => (
                <More key={said} of={said}>
                  {draw(Field, list)}
                </More>
              ))}
            </div>
          )}
          {children}
        </>
      )}
    </CommandForm>
  );
}
