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
type OfCommand<N extends Name> = Omit<FormProps, "command" | "values" | "hidden" | "factors" | "shape"> & {
  command: N;
  hidden?: Partial<Commands[N]>;
};
type AsItIs<N extends Name> = {
  shape?: undefined;
  values: { [K in keyof Commands[N]]?: Shown };
  factors?: { [K in keyof Commands[N]]?: number };
};
/** A form whose fields are not the command's own says how they become it. */
type Shaped = {
  shape: NonNullable<FormProps["shape"]>;
  values: Record<string, Shown>;
  factors?: Record<string, number>;
};

/** A form comes with its first field: most pages are read before one is opened. */
export const CommandForm = ((props: FormProps) => (
  <Meanwhile fallback={<Fetching />}>
    <Form {...props} />
  </Meanwhile>
)) as <N extends Name>(props: OfCommand<N> & (AsItIs<N> | Shaped)) => ReactNode;

type FieldProps = ComponentProps<typeof FieldPiece>;
/** The fields of whatever command. */
export type AnyFieldName = { [N in Name]: keyof Commands[N] }[Name] & string;
export const Field = PlainField as unknown as (props: Omit<FieldProps, "name"> & { name: AnyFieldName }) => ReactNode;
/** A field that its form gives a shape of its own. */
export const OwnField = PlainField as unknown as (props: FieldProps) => ReactNode;
