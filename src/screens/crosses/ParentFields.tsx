"use client";
import type { Id } from "@/core/custody/id";
import { meeting } from "@/core/pollination/steps";
import { useFormHere } from "@/ui/formHere";
import type { ParentChoice } from "@/views/choices";
import type { FieldOf } from "../common/command";
import { spanInWords } from "../common/words";

export type Pair = Record<"mother" | "father", { id: Id }>;

type MoreProps = { Field: FieldOf<"reciprocal">; parents: ParentChoice[]; mother: ParentChoice; father: ParentChoice };

export function MoreParents({ Field, parents, mother, father }: MoreProps) {
  const { register } = useFormHere();
  const mates = parents.filter((p) => p.group === mother.group);
  const list = (name: string, legend: string, hint: string, without: ParentChoice) => (
    <fieldset>
      <legend className="font-semibold">{legend}</legend>
      <p className="text-sm text-soft">{hint}</p>
      {mates
        .filter((p) => p.id !== without.id)
        .map((p) => (
          <label key={p.id} className="flex items-center gap-2 py-1">
            <input type="checkbox" value={p.id} {...register(name)} />
            {p.name} {p.code}
          </label>
        ))}
    </fieldset>
  );
  return (
    <div className="grid gap-4 border-l-4 border-rule pl-4">
      {list("moreFathers", "Pollen mixed in from", "Mixed pollen: each father has the same share.", father)}
      {list("moreMothers", "The same father on", "A cross of its own for each mother.", mother)}
      <Field name="reciprocal" label="The other way round too" type="checkbox" />
    </div>
  );
}

type Side = "mother" | "father";
type ParentProps = {
  Field: FieldOf<`${Side}StandId` | `${Side}PlantId`>;
  name: Side;
  label: string;
  choices: { value: Id; label: string }[];
  plants: { value: Id; label: string }[];
  chosen: ParentChoice | undefined;
};

export function Parent({ Field, name, label, choices, plants, chosen }: ParentProps) {
  return (
    <div className="grid gap-2">
      <Field
        name={`${name}StandId`}
        label={label}
        type="select"
        none="Choose a stand"
        choices={choices}
        hint={chosen && `in flower ${spanInWords(chosen.start, chosen.end)}`}
      />
      {plants.length > 0 && (
        <Field name={`${name}PlantId`} label={`${label} plant`} type="select" none="Any plant of it" choices={plants} />
      )}
    </div>
  );
}

export function Meets({ mother, father }: { mother: ParentChoice; father: ParentChoice }) {
  if (mother.group !== father.group)
    return (
      <p className="border-l-4 border-rust pl-3 text-rust">
        {mother.species} and {father.species.toLowerCase()} do not cross freely: different crossing groups.
      </p>
    );
  const meet = meeting(mother, father);
  return meet.days > 0 ? (
    <p className="border-l-4 border-moss pl-3">In flower together for about {meet.days} days.</p>
  ) : (
    <p className="border-l-4 border-quince pl-3">
      They miss each other by {meet.gapDays} days; the {meet.first} is first. Plan it, and its page lists the ways to
      have them meet.
    </p>
  );
}
