"use client";
import type { Id } from "@/core/custody/id";
import { useFormHeard } from "@/ui/formHere";
import type { FieldOf } from "./command";

type Props<K extends string> = {
  Field: FieldOf<K>;
  name: K;
  label: string;
  hint?: string;
  /** The field that names what is sown, and what can be chosen there with how many plants its kind wants. */
  of: "lineId" | "lotId";
  choices: { id: Id; enough?: string }[];
};

/** A number of plants, beside it how many the kind chosen above wants for seed. */
export function PlantsField<const K extends string>({ Field, name, label, hint, of, choices }: Props<K>) {
  const chosen = useFormHeard("values").getValues(of);
  const enough = choices.find(({ id }) => id === chosen)?.enough;
  const told = [hint, enough && `For seed: ${enough}.`].filter(Boolean).join(" ");
  return <Field name={name} label={label} type="number" hint={told || undefined} />;
}
