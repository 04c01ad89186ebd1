"use client";
import { useEffect, useState } from "react";
import { useFormHeard } from "@/ui/formHere";
import { More } from "@/ui/More";
import { useGo } from "@/ui/useGo";
import type { PlanChoices } from "@/views/choices";
import { CommandForm, type FieldOf } from "../common/command";
import { FlowersOfPlan } from "./FlowersOfPlan";
import { Meets, MoreParents, type Pair, Parent } from "./ParentFields";
import { completed } from "./planTyped";

/** What the plan holds at first. */
const BEGUN = {
  motherStandId: null,
  motherPlantId: null,
  fatherStandId: null,
  fatherPlantId: null,
  lineName: null,
  method: null,
  fruitsWanted: 4,
  perEvening: 6,
  seedsWanted: null,
  seedsPerFruit: null,
  setLow: null,
  setHigh: null,
  confidence: 0.9,
  reciprocal: false,
  moreFathers: "",
  moreMothers: "",
};

type FormProps = { choices: PlanChoices; chosen: Pair | null };

export function PlanForm({ choices, chosen }: FormProps) {
  const go = useGo();
  return (
    <CommandForm
      command="cross.plan"
      draft="cross"
      values={BEGUN}
      shape={(typed) => completed(typed, choices.parents)}
      submit="Plan it"
      onDone={(answer) => go(`/crosses/${answer.code}`)}
    >
      {(Field) => <PlanFields Field={Field} choices={choices} chosen={chosen} />}
    </CommandForm>
  );
}

type FieldsProps = FormProps & { Field: FieldOf<keyof typeof BEGUN> };

function PlanFields({ Field, choices: { parents, chosen: marked, knownPairs }, chosen }: FieldsProps) {
  const { setValue, getValues } = useFormHeard("values");
  const [more, setMore] = useState(false);
  useEffect(() => {
    if (!chosen) return;
    for (const [name, value] of [
      ["motherStandId", String(chosen.mother.id)],
      ["fatherStandId", String(chosen.father.id)],
      ["motherPlantId", ""],
      ["fatherPlantId", ""],
    ] as const)
      setValue(name, value, { shouldDirty: true });
  }, [chosen, setValue]);
  const typed = getValues() as Record<string, string>;
  const stand = (id: string | undefined) => parents.find((p) => p.id === id);
  const [mother, father] = [stand(typed.motherStandId), stand(typed.fatherStandId)];
  const plants = (id: string | undefined) =>
    marked
      .filter((p) => p.standId === id)
      .map((p) => ({ value: p.id, label: `plant ${p.number} (${p.mark.replace("-", " ")})` }));
  const choices = parents.map((p) => ({ value: p.id, label: `${p.name} ${p.code}` }));
  const newLine =
    mother && father && mother.lineId !== father.lineId && !knownPairs.includes(`${mother.lineId}-${father.lineId}`);
  const self = Boolean(typed.motherPlantId) && typed.motherPlantId === typed.fatherPlantId;
  const ways = mother ? (self ? mother.methods.self : mother.methods.cross) : [];
  return (
    <>
      <Parent
        Field={Field}
        name="mother"
        label="Mother"
        choices={choices}
        plants={plants(typed.motherStandId)}
        chosen={mother}
      />
      <Parent
        Field={Field}
        name="father"
        label="Father"
        choices={choices}
        plants={plants(typed.fatherStandId)}
        chosen={father}
      />
      {mother && father && <Meets mother={mother} father={father} />}
      {newLine && <Field name="lineName" label="Working name of the new line" />}
      {mother && (
        <Field
          name="method"
          label="Method"
          type="select"
          none={ways[0] ? `${ways[0].name} (usual)` : "None is laid out"}
          choices={ways.slice(1).map((way) => ({ value: way.id, label: way.name }))}
        />
      )}
      <div className="grid grid-cols-2 gap-4">
        <Field name="fruitsWanted" label="Fruits wanted" type="number" />
        <Field name="perEvening" label="Flowers in one evening" type="number" hint="The most you can do." />
      </div>
      {mother && father && (
        <>
          <button
            type="button"
            className="justify-self-start font-semibold text-damson underline"
            aria-expanded={more}
            onClick={() => setMore(!more)}
          >
            Several fathers, several mothers, the other way round
          </button>
          {more && <MoreParents Field={Field} parents={parents} mother={mother} father={father} />}
        </>
      )}
      <More of="Seeds wanted, and how many flowers set">
        <div className="grid grid-cols-2 gap-4">
          <Field name="seedsWanted" label="Seeds wanted, instead of fruits" type="number" />
          <Field
            name="seedsPerFruit"
            label="Seeds in a fruit"
            type="number"
            hint={
              mother?.seedsPerFruit ? `catalogue ${mother.seedsPerFruit.low}–${mother.seedsPerFruit.high}` : undefined
            }
          />
          <Field
            name="setLow"
            label="Fruit set, low"
            type="number"
            hint="Empty: the catalogue's, and your own flowers."
          />
          <Field
            name="setHigh"
            label="Fruit set, high"
            type="number"
            hint={mother && `catalogue ${mother.handSet.low}–${mother.handSet.high}`}
          />
          <Field name="confidence" label="How sure" type="number" hint="0.9 is nine times in ten." />
        </div>
      </More>
      {mother && <FlowersOfPlan typed={typed} parents={parents} />}
    </>
  );
}
