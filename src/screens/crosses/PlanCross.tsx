"use client";
import { useRouter } from "next/navigation";
import { type FieldValues, useFormContext, useWatch } from "react-hook-form";
import { meeting } from "@/core/pollination/steps";
import { fruitsFor } from "@/core/pollination/tally";
import { CommandForm, Field } from "@/ui/CommandForm";
import type { Crosses, ParentChoice } from "@/views/crosses";
import { FlowersFigure } from "../common/figures";
import { spanInWords } from "../common/words";

type Props = Pick<Crosses, "parents" | "kept" | "knownPairs">;

const middleOf = ({ low, high }: { low: number; high: number }) => Number(((low + high) / 2).toFixed(2));

/** What is not said takes the catalogue's values for the mother. */
function completed(typed: FieldValues, parents: ParentChoice[]): Record<string, unknown> {
  const mother = parents.find((p) => p.id === Number(typed.motherStandId));
  const rate = mother?.handSet;
  return {
    ...typed,
    setLow: typed.setLow || rate?.low,
    setLikely: typed.setLikely || (rate && middleOf(rate)),
    setHigh: typed.setHigh || rate?.high,
  };
}

export function PlanCross({ parents, kept, knownPairs }: Props) {
  const router = useRouter();
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
          fruitsWanted: 4,
          seedsWanted: null,
          seedsPerFruit: null,
          setLow: null,
          setLikely: null,
          setHigh: null,
          confidence: 0.9,
        }}
        shape={(typed) => completed(typed, parents)}
        submit="Plan it"
        onDone={(answer) => router.push(`/crosses/${answer.id}`)}
      >
        <PlanFields parents={parents} kept={kept} knownPairs={knownPairs} />
      </CommandForm>
    </>
  );
}

function PlanFields({ parents, kept, knownPairs }: Props) {
  const { control } = useFormContext();
  const typed = useWatch({ control }) as Record<string, string>;
  const stand = (id: string | undefined) => parents.find((p) => p.id === Number(id));
  const [mother, father] = [stand(typed.motherStandId), stand(typed.fatherStandId)];
  const plants = (id: string | undefined) =>
    kept
      .filter((p) => p.standId === Number(id))
      .map((p) => ({ value: p.id, label: `plant ${p.number} (${p.mark.replace("-", " ")})` }));
  const choices = parents.map((p) => ({ value: p.id, label: `${p.name} ${p.code}` }));
  const newLine =
    mother && father && mother.lineId !== father.lineId && !knownPairs.includes(`${mother.lineId}-${father.lineId}`);
  return (
    <>
      <Parent name="mother" label="Mother" choices={choices} plants={plants(typed.motherStandId)} chosen={mother} />
      <Parent name="father" label="Father" choices={choices} plants={plants(typed.fatherStandId)} chosen={father} />
      {mother && father && <Meets mother={mother} father={father} />}
      {newLine && <Field name="lineName" label="Working name of the new line" />}
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
      </div>
      <fieldset>
        <legend className="font-semibold">Share of flowers that set</legend>
        <p className="mb-2 text-sm text-soft">
          Left empty, the catalogue&apos;s working value
          {mother ? ` (${mother.handSet.low}–${mother.handSet.high})` : ""} is taken.
        </p>
        <div className="grid grid-cols-3 gap-3">
          <Field name="setLow" label="low" type="number" />
          <Field name="setLikely" label="likely" type="number" />
          <Field name="setHigh" label="high" type="number" />
        </div>
      </fieldset>
      {mother && <Flowers typed={typed} parents={parents} />}
    </>
  );
}

type ParentProps = {
  name: "mother" | "father";
  label: string;
  choices: { value: number; label: string }[];
  plants: { value: number; label: string }[];
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
        {mother.species} and {father.species.toLowerCase()} do not cross: different crossing groups.
      </p>
    );
  const meet = meeting(mother, father);
  return meet.days > 0 ? (
    <p className="border-l-4 border-moss pl-3">In flower together for about {meet.days} days.</p>
  ) : (
    <p className="border-l-4 border-quince pl-3">
      They miss each other by {meet.gapDays} days; the {meet.first} is first. Sow the other earlier, or sow again.
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
  const rate = { low: number("setLow"), likely: number("setLikely"), high: number("setHigh") };
  const confidence = number("confidence");
  const usable =
    Number.isInteger(wanted) &&
    wanted > 0 &&
    wanted <= 10_000 &&
    Object.values(rate).every((r) => r >= 0.01 && r <= 1) &&
    confidence >= 0.5 &&
    confidence < 1;
  if (!usable) return null;
  return (
    <p className="text-lg">
      Plan for{" "}
      <FlowersFigure
        key={`${wanted}${rate.likely}${confidence}`}
        wanted={wanted}
        done={{ covered: 0, waiting: 0, set: 0, lost: 0 }}
        rate={rate}
        confidence={confidence}
      />{" "}
      to pollinate.
    </p>
  );
}
