"use client";
import { massInWords, massTyped, massUnit, type Units } from "@/core/units/units";
import { fixed } from "@/core/writing/numbers";
import { useFormHere } from "@/ui/formHere";
import { Sheet } from "@/ui/Sheet";
import type { LotPage } from "@/views/lot";
import { CommandButton, CommandForm, type FieldOf } from "../common/command";
import { Scale } from "./Scale";

/** Seeds counted by weight: samples that were counted out, and what they come to. */
export function LotCount({ view: { lot, samples, counted, garden } }: { view: LotPage }) {
  const { units } = garden;
  if (lot.endedOn) return null;
  return (
    <section className="mt-6 max-w-2xl" aria-label="Counted by weight">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h3>Counted by weight</h3>
        <Sheet trigger="Weigh a sample" title={`Count lot ${lot.code} by weight`} plain>
          {(close) => (
            <CommandForm
              command="sample.add"
              draft={`sample-${lot.id}`}
              values={{ seeds: 100, mass: null, whole: null }}
              factors={{ mass: massTyped(1, units), whole: massTyped(1, units) }}
              hidden={{ lotId: lot.id }}
              submit="Save"
              onDone={close}
            >
              {(Field) => (
                <>
                  <p>
                    Count a hundred seeds out as they come, small and large, and weigh them. A second sample narrows the
                    range.
                  </p>
                  <Field name="seeds" label="Seeds counted out" type="number" />
                  <Weighed
                    Field={Field}
                    name="mass"
                    label="They weigh"
                    units={units}
                    pretend={100 / perGramOf(counted)}
                  />
                  <Weighed
                    Field={Field}
                    name="whole"
                    label="The whole lot weighs"
                    units={units}
                    pretend={lot.mass ?? 12.5}
                    hint="Empty where it was weighed already."
                  />
                </>
              )}
            </CommandForm>
          )}
        </Sheet>
      </div>
      {counted && (
        <p>
          {fixed(counted.perGram.likely, 1)} seeds a gram ({fixed(counted.perGram.low, 1)}–
          {fixed(counted.perGram.high, 1)})
          {lot.mass !== null &&
            `: about ${counted.seeds.likely} seeds (${counted.seeds.low}–${counted.seeds.high}) in ${massInWords(lot.mass, units)}`}
          .{" "}
          {lot.mass !== null && lot.seeds === null && (
            <CommandButton
              command="lot.change"
              input={{ id: lot.id, version: lot.version, seeds: counted.seeds.likely }}
              plain
            >
              Take {counted.seeds.likely} as its count
            </CommandButton>
          )}
        </p>
      )}
      <ul className="rows mt-1 border-y border-rule empty:hidden">
        {samples.map(({ id, version, seeds, mass }) => (
          <li key={id} className="flex items-center justify-between gap-3 py-1">
            <span>
              {seeds} seeds, {massInWords(mass, units)}
            </span>
            <CommandButton command="sample.drop" input={{ id, version }} plain>
              Strike it out
            </CommandButton>
          </li>
        ))}
      </ul>
    </section>
  );
}

const perGramOf = (counted: LotPage["counted"]) => counted?.perGram.likely ?? 200;

type WeighedProps<K extends string> = {
  Field: FieldOf<K>;
  name: K;
  label: string;
  units: Units;
  pretend: number;
  hint?: string;
};

/** A weight, typed or taken from the scale. */
function Weighed<const K extends string>({ Field, name, label, units, pretend, hint }: WeighedProps<K>) {
  const { setValue } = useFormHere();
  const take = (grams: number) =>
    setValue(name as string, Number((grams / massTyped(1, units)).toFixed(2)), { shouldDirty: true });
  return (
    <div className="grid gap-2">
      <Field name={name} label={label} type="number" unit={massUnit(units)} hint={hint} />
      <details>
        <summary className="cursor-pointer text-sm">From the scale</summary>
        <Scale pretend={pretend} units={units} onTake={take} />
      </details>
    </div>
  );
}
