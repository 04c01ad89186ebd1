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
  /** The field that names what is sown, and what can be chosen there with how many plants its kind wants. */
  of: "lineId" | "lotId";
  choices: { id: Id; enough?: string }[];
};

/** What is chosen to be sown; the only one where there is nothing to choose. */
function useChosen<C extends { id: Id }>(of: "lineId" | "lotId", choices: C[]): C | undefined {
  const chosen = useFormHeard("values").getValues(of) as Id | undefined;
  return chosen === undefined && choices.length === 1 ? choices[0] : choices.find(({ id }) => id === chosen);
}

type SownInProps = {
  Field: FieldOf<"sownIn">;
  of: Props<string>["of"];
  choices: { id: Id; raised?: "tray" | "ground" }[];
};

const USUAL = {
  tray: "Usual for it: raised in trays, then planted out.",
  ground: "Usual for it: sown where it stays.",
};

/** What it is sown in, beside it what is usual for the kind chosen above. */
export function SownInField({ Field, of, choices }: SownInProps) {
  const raised = useChosen(of, choices)?.raised;
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
export function PlantsField<const K extends string>({ Field, name, label, hint, of, choices }: Props<K>) {
  const enough = useChosen(of, choices)?.enough;
  const told = [hint, enough && `For seed: ${enough}.`].filter(Boolean).join(" ");
  return <Field name={name} label={label} type="number" hint={told || undefined} />;
}
