"use client";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { type FieldValues, useFormContext, useWatch } from "react-hook-form";
import type { Id } from "@/core/custody/id";
import { betaOfRange } from "@/core/numbers/beta";
import { fruitsFor } from "@/core/pollination/flowersToDo";
import { setRate } from "@/core/pollination/setRate";
import { meeting } from "@/core/pollination/steps";
import type { ParentChoice, PlanChoices } from "@/views/crosses";
import { CommandForm, Field } from "../common/command";
import { FlowersFigure } from "../common/figures";
import { spanInWords } from "../common/words";

type Pair = { motherId: Id; fatherId: Id };
type Props = { choices: PlanChoices; chosen?: Pair | null };

/** Stands picked in a list of boxes; react-hook-form gives one value, or a list. */
const picked = (value: unknown): { standId: Id }[] =>
  [value]
    .flat()
    .filter(Boolean)
    .map((id) => ({ standId: String(id) }));

/** What is not said takes the catalogue's values for the mother. */
function completed(typed: FieldValues, parents: ParentChoice[]): Record<string, unknown> {
  const mother = parents.find((p) => p.id === typed.motherStandId);
  const rate = mother?.handSet;
  return {
    ...typed,
    setLow: typed.setLow || rate?.low,
    setHigh: typed.setHigh || rate?.high,
    reciprocal: typed.reciprocal === true,
    moreFathers: picked(typed.moreFathers).filter((f) => f.standId !== typed.fatherStandId),
    moreMothers: picked(typed.moreMothers).filter((m) => m.standId !== typed.motherStandId),
  };
}

export function PlanCross({ choices, chosen }: Props) {
  const router = useRouter();
  const { parents } = choices;
  if (parents.length === 0)
    return (
      <>
        <h2>Plan a cross</h2>
        <p className="mt-3">No stands grow in this season. Sow the parents on the Ground first.</p>
      </>
    );
  return (
    <>
      <h2 className="mb-4">Plan a cross</h2>
      <CommandForm
        command="cross.plan"
        draft="cross"
        values={{
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
        }}
        shape={(typed) => completed(typed, parents)}
        submit="Plan it"
        onDone={(answer) => router.push(`/crosses/${answer.code}`)}
      >
        <PlanFields choices={choices} chosen={chosen ?? null} />
      </CommandForm>
    </>
  );
}

function PlanFields({ choices: { parents, kept, knownPairs }, chosen }: { choices: PlanChoices; chosen: Pair | null }) {
  const { control, setValue } = useFormContext();
  const [more, setMore] = useState(false);
  useEffect(() => {
    if (!chosen) return;
    for (const [name, value] of [
      ["motherStandId", String(chosen.motherId)],
      ["fatherStandId", String(chosen.fatherId)],
      ["motherPlantId", ""],
      ["fatherPlantId", ""],
    ] as const)
      setValue(name, value, { shouldDirty: true });
  }, [chosen, setValue]);
  const typed = useWatch({ control }) as Record<string, string>;
  const stand = (id: string | undefined) => parents.find((p) => p.id === id);
  const [mother, father] = [stand(typed.motherStandId), stand(typed.fatherStandId)];
  const plants = (id: string | undefined) =>
    kept
      .filter((p) => p.standId === id)
      .map((p) => ({ value: p.id, label: `plant ${p.number} (${p.mark.replace("-", " ")})` }));
  const choices = parents.map((p) => ({ value: p.id, label: `${p.name} ${p.code}` }));
  const newLine =
    mother && father && mother.lineId !== father.lineId && !knownPairs.includes(`${mother.lineId}-${father.lineId}`);
  const self = Boolean(typed.motherPlantId) && typed.motherPlantId === typed.fatherPlantId;
  const ways = mother ? (self ? mother.methods.self : mother.methods.cross) : [];
  return (
    <>
      <Parent name="mother" label="Mother" choices={choices} plants={plants(typed.motherStandId)} chosen={mother} />
      <Parent name="father" label="Father" choices={choices} plants={plants(typed.fatherStandId)} chosen={father} />
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
        <Field name="confidence" label="How sure" type="number" hint="0.9 is nine times in ten." />
        <Field name="seedsWanted" label="or seeds wanted" type="number" />
        <Field
          name="seedsPerFruit"
          label="Seeds in a fruit"
          type="number"
          hint={
            mother?.seedsPerFruit ? `catalogue ${mother.seedsPerFruit.low}–${mother.seedsPerFruit.high}` : undefined
          }
        />
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
          {more && <MoreParents parents={parents} mother={mother} father={father} />}
        </>
      )}
      <fieldset>
        <legend className="font-semibold">Share of flowers that set</legend>
        <p className="mb-2 text-sm text-soft">
          Left empty, the catalogue&apos;s working value
          {mother ? ` (${mother.handSet.low}–${mother.handSet.high})` : ""} is taken; your own flowers correct it.
        </p>
        <div className="grid grid-cols-2 gap-3">
          <Field name="setLow" label="low" type="number" />
          <Field name="setHigh" label="high" type="number" />
        </div>
      </fieldset>
      {mother && <Flowers typed={typed} parents={parents} />}
    </>
  );
}

type MoreProps = { parents: ParentChoice[]; mother: ParentChoice; father: ParentChoice };

function MoreParents({ parents, mother, father }: MoreProps) {
  const { register } = useFormContext();
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

type ParentProps = {
  name: "mother" | "father";
  label: string;
  choices: { value: Id; label: string }[];
  plants: { value: Id; label: string }[];
  chosen: ParentChoice | undefined;
};

function Parent({ name, label, choices, plants, chosen }: ParentProps) {
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

function Meets({ mother, father }: { mother: ParentChoice; father: ParentChoice }) {
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

function Flowers({ typed, parents }: { typed: Record<string, string>; parents: ParentChoice[] }) {
  const full = completed(typed, parents) as Record<string, number>;
  const number = (name: string) => Number(full[name]);
  const wanted =
    number("seedsWanted") > 0 && number("seedsPerFruit") > 0
      ? fruitsFor(number("seedsWanted"), number("seedsPerFruit"))
      : number("fruitsWanted");
  const range = { low: number("setLow"), high: number("setHigh") };
  const confidence = number("confidence");
  const usable =
    Number.isInteger(wanted) &&
    wanted > 0 &&
    wanted <= 10_000 &&
    Object.values(range).every((r) => r >= 0.01 && r <= 1) &&
    range.low <= range.high &&
    confidence >= 0.5 &&
    confidence < 1;
  if (!usable) return null;
  return (
    <p className="text-lg">
      Plan for{" "}
      <FlowersFigure
        key={`${wanted}${range.low}${range.high}${confidence}`}
        wanted={wanted}
        done={{ covered: 0, waiting: 0, set: 0, lost: 0, doubtful: 0 }}
        rate={setRate(betaOfRange(range))}
        confidence={confidence}
      />{" "}
      to pollinate.
    </p>
  );
}
