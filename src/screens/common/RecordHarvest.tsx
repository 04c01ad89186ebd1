"use client";
import { useState } from "react";
import { plural } from "@/core/units/plural";
import { massTyped, massUnit } from "@/core/units/units";
import { CommandForm, type FieldOf } from "./command";
import type { Props } from "./recordParts";

/** Fruit brought in: by the tags of its flowers, or so many of the oldest; its seed may be counted later. */
export function Harvest({ crossId, day, flowers, doubtful = 0, units, onDone }: Props) {
  const [chosen, setChosen] = useState<string[]>([]);
  const amount = (Field: FieldOf<"on" | "seeds" | "mass">) => (
    <>
      <Field name="on" label="Day" type="date" />
      <Field
        name="seeds"
        label="Seeds, counted"
        type="number"
        hint="Leave both empty while the fruit ripens on: the lot is made, its seed is counted later."
      />
      <Field name="mass" label="Seeds, weighed" type="number" unit={massUnit(units)} />
    </>
  );
  return (
    <>
      {flowers.length > 0 && (
        <>
          <p id={`tags-${crossId}`} className="mb-2 font-semibold">
            Which fruit, by its tag
          </p>
          <div role="group" aria-labelledby={`tags-${crossId}`} className="mb-4 flex flex-wrap gap-2">
            {flowers.map(({ id, number, code }) => (
              <button
                key={id}
                type="button"
                aria-label={code}
                aria-pressed={chosen.includes(id)}
                onClick={() => setChosen(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id])}
                className="leaf min-h-12 min-w-12 aria-pressed:bg-damson aria-pressed:text-on-damson"
              >
                {number}
              </button>
            ))}
          </div>
          <CommandForm
            command="cross.harvest"
            draft={`harvest-${crossId}`}
            values={{ fruits: flowers.length, on: day, seeds: null, mass: null }}
            hidden={{ crossId, flowerIds: chosen }}
            factors={{ mass: massTyped(1, units) }}
            submit={chosen.length > 0 ? `Make the lot of ${plural(chosen.length, "fruit")}` : "Make the lot"}
            onDone={onDone}
          >
            {(Field) => (
              <>
                {chosen.length === 0 && (
                  <Field
                    name="fruits"
                    label="Or so many of the oldest"
                    type="number"
                    hint="None of them named by its tag."
                  />
                )}
                {amount(Field)}
              </>
            )}
          </CommandForm>
        </>
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
            {(Field) => (
              <>
                <Field name="fruits" label="Fruits brought in" type="number" />
                {amount(Field)}
              </>
            )}
          </CommandForm>
        </section>
      )}
    </>
  );
}
