"use client";
import type { Id } from "@/core/custody/id";
import { useFormHeard } from "@/ui/formHere";
import type { FieldOf } from "./command";
import { SOWN_IN } from "./standNames";
import { choicesOf } from "./words";

type Props<K extends string> = {
  Field: FieldOf<K>;
  name: K;
  label: string;
  hint?: string;
  /** The lines that can be chosen, with how many plants their kind wants. */
  choices: { id: Id; enough?: string }[];
};

/** The line that is chosen to be sown. */
function useChosen<C extends { id: Id }>(choices: C[]): C | undefined {
  const chosen = useFormHeard("values").getValues("lineId") as Id | undefined;
  return choices.find(({ id }) => id === chosen);
}

type SownInProps = {
  Field: FieldOf<"sownIn">;
  choices: { id: Id; raised?: "tray" | "ground" }[];
};

const USUAL = {
  tray: "Usual for it: raised in trays, then planted out.",
  ground: "Usual for it: sown where it stays.",
};

/** What it is sown in, beside it what is usual for the kind chosen above. */
export function SownInField({ Field, choices }: SownInProps) {
  const raised = useChosen(choices)?.raised;
  return (
    <Field
      name="sownIn"
      label="Sown in"
      type="select"
      none="As usual"
      choices={choicesOf(SOWN_IN)}
      hint={raised && USUAL[raised]}
    />
  );
}

/** A number of plants, beside it how many the kind chosen above wants for seed. */
export function PlantsField<const K extends string>({ Field, name, label, hint, choices }: Props<K>) {
  const enough = useChosen(choices)?.enough;
  const told = [hint, enough && `For seed: ${enough}.`].filter(Boolean).join(" ");
  return <Field name={name} label={label} type="number" hint={told || undefined} />;
}
