"use client";
import type { ComponentProps, ReactNode } from "react";
import type { Commands } from "@/records/commands";
import { CommandButton as Button } from "@/ui/CommandButton";
import type { Field as FieldPiece, CommandForm as FormPiece } from "@/ui/CommandForm";
import { Fetching } from "@/ui/Fetching";
import { later } from "@/ui/later";
import { Meanwhile } from "@/ui/Meanwhile";
import { useCommand as usePlainCommand } from "@/ui/useCommand";

/**
 * The doors to the records as screens knock at them: the same pieces as in ui, which know nothing of any record, with the
 * names and fields of the commands. A wrong name or field does not compile.
 */
export type Name = keyof Commands;

type Run = ReturnType<typeof usePlainCommand>;
type Typed = {
  run: <N extends Name>(name: N, input: Commands[N]) => ReturnType<Run["run"]>;
  runAloud: <N extends Name>(name: N, input: Commands[N]) => ReturnType<Run["runAloud"]>;
  runKept: <N extends Name>(name: N, input: Commands[N], words: string) => ReturnType<Run["runKept"]>;
  runKeptAloud: <N extends Name>(name: N, input: Commands[N], words: string) => ReturnType<Run["runKeptAloud"]>;
  undo: Run["undo"];
  busy: boolean;
};
export const useCommand = usePlainCommand as () => Typed;

export const CommandButton = Button as <N extends Name>(
  props: Omit<ComponentProps<typeof Button>, "command" | "input"> & { command: N; input: Commands[N] },
) => ReactNode;

const Form = later(async () => (await import("@/ui/CommandForm")).CommandForm);
const PlainField = later(async () => (await import("@/ui/CommandForm")).Field);

type FormProps = ComponentProps<typeof FormPiece>;
type Shown = FormProps["values"][string];
export type FieldProps = ComponentProps<typeof FieldPiece>;

/** A field of a form that holds these names; another does not compile. */
export type FieldOf<K extends string> = (props: Omit<FieldProps, "name"> & { name: K }) => ReactNode;

/** The fields that a command takes; of several commands, what any of them takes. */
export type FieldName<N extends Name> = N extends Name ? keyof Commands[N] & string : never;

type OfCommand<N extends Name, V> = Omit<
  FormProps,
  "command" | "values" | "hidden" | "factors" | "shape" | "children"
> & {
  command: N;
  hidden?: Partial<Commands[N]>;
  factors?: { [K in keyof V]?: number };
  children: ReactNode | ((Field: FieldOf<keyof V & string>) => ReactNode);
};
type AsItIs<N extends Name, V> = { shape?: undefined; values: V & { [K in Exclude<keyof V, FieldName<N>>]: never } };
/** A form whose fields are not the command's own says how they become it. */
type Shaped<V> = { shape: NonNullable<FormProps["shape"]>; values: V };

const Field = PlainField as unknown as FieldOf<string>;

/** A form comes with its first field: most pages are read before one is opened. */
export const CommandForm = (({
  children,
  ...props
}: Omit<FormProps, "children"> & {
  children: ReactNode | ((of: FieldOf<string>) => ReactNode);
}) => (
  <Meanwhile fallback={<Fetching />}>
    <Form {...props}>{typeof children === "function" ? children(Field) : children}</Form>
  </Meanwhile>
)) as unknown as <N extends Name, const V extends Record<string, Shown>>(
  props: OfCommand<N, V> & (AsItIs<N, V> | Shaped<V>),
) => ReactNode;
