"use client";
import { plural } from "@/core/units/plural";
import { massTyped, massUnit } from "@/core/units/units";
import { CommandForm, Field } from "./command";
import type { Props } from "./recordParts";

export function Harvest({ crossId, day, flowers, doubtful = 0, units, onDone }: Props) {
  const amount = (
    <>
      <Field name="fruits" label="Fruits brought in" type="number" />
      <Field name="on" label="Day" type="date" />
      <Field name="seeds" label="Seeds, counted" type="number" hint="Or leave empty and weigh them." />
      <Field name="mass" label="Seeds, weighed" type="number" unit={massUnit(units)} />
    </>
  );
  return (
    <>
      {flowers.length > 0 && (
        <CommandForm
          command="cross.harvest"
          draft={`harvest-${crossId}`}
          values={{ fruits: flowers.length, on: day, seeds: null, mass: null }}
          hidden={{ crossId }}
          factors={{ mass: massTyped(1, units) }}
          submit="Make the lot"
          onDone={onDone}
        >
          {amount}
        </CommandForm>
      )}
      {doubtful > 0 && (
        <section className="mt-8 border-t border-rule pt-4">
          <h3>Fruit with a fault</h3>
          <p className="mb-3 text-sm text-soft">
            {plural(doubtful, "set fruit")} found open, with a torn bag or in doubt. It becomes a lot of its own, as
            open-pollinated seed of the mother with possible fathers, never the cross.
          </p>
          <CommandForm
            command="cross.harvest"
            draft={`harvest-doubt-${crossId}`}
            values={{ fruits: doubtful, on: day, seeds: null, mass: null }}
            hidden={{ crossId, doubtful: true }}
            factors={{ mass: massTyped(1, units) }}
            submit="Make a lot in doubt"
            onDone={onDone}
          >
            {amount}
          </CommandForm>
        </section>
      )}
    </>
  );
}
