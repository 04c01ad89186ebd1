"use client";
import { useState } from "react";
import { plural } from "@/core/units/plural";
import { massTyped, type Units } from "@/core/units/units";
import type { Plant } from "@/records/plant/plant";
import { Sheet } from "@/ui/Sheet";
import { useGo } from "@/ui/useGo";
import type { Family } from "@/views/family";
import { CommandForm } from "../common/command";
import { AmountFields, PollenField } from "../common/fields";
import { allOf, PlantBoxes } from "./ChoosePlants";
import { MatingPlan } from "./MatingPlan";

type Props = { stand: Family["stand"]; plants: Plant[]; units: Units };
type Kin = Pick<Family, "sistersKept" | "head" | "parentsWanted">;

/** What to do where no plant is kept yet, and how many it takes. */
const KEEP_FIRST: Record<Family["parentsWanted"], string> = {
  one: "Mark a plant as keep or seed parent first. One is enough: the line is fixed.",
  several: "Mark plants as keep or seed parent first, from different families: the line still segregates.",
  many: "Mark plants as keep or seed parent first. Never only one: an outcrossing crop narrows.",
};

/** From the kept plants to seed of the next generation. */
export function NextGeneration({ stand, plants, units, sistersKept, head, parentsWanted }: Props & Kin) {
  const parents = [...plants.map(({ id, number }) => ({ id, number, code: stand.code })), ...sistersKept];
  const next = stand.generation === null ? "" : ` F${stand.generation + 1}`;
  return (
    <section className="mt-8" aria-label="Next generation">
      <h2>Next generation{next}</h2>
      {plants.length === 0 ? (
        <p className="mt-2 text-soft">{KEEP_FIRST[parentsWanted]}</p>
      ) : (
        <>
          <p className="mt-2">
            {plural(plants.length, "plant")} kept: {plants.map((p) => p.number).join(", ")}.
          </p>
          <div className="mt-3 flex flex-wrap gap-3">
            <Sheet trigger="Self or intercross by hand" title={`Seed of${next || " the kept plants"}`} strong>
              {() => <ByHand stand={stand} plants={plants} />}
            </Sheet>
            {parents.length > 1 && (
              <Sheet trigger="Pair them by kinship" title={`Pairs for${next || " the next generation"}`}>
                {() => (
                  <MatingPlan
                    parents={parents.map((one) => ({ ...one, share: 1 / parents.length }))}
                    own={stand.code}
                    season={stand.season}
                    head={head}
                  />
                )}
              </Sheet>
            )}
            <Sheet trigger="Save seed of each" title="A lot from each plant">
              {(close) => <SaveEach stand={stand} plants={plants} units={units} close={close} />}
            </Sheet>
            <a className="leaf leaf-plain" href={`/api/tags/kept/${stand.code}`}>
              Print a tag for each
            </a>
          </div>
        </>
      )}
    </section>
  );
}

/** Plants by their numbers. */
const boxesOf = (plants: Plant[]) => plants.map(({ id, number }) => ({ id, label: number }));

function ByHand({ stand, plants }: Omit<Props, "units">) {
  const go = useGo();
  const [chosen, setChosen] = useState(allOf(plants));
  return (
    <CommandForm
      command="cross.next-generation"
      draft={`next-${stand.id}`}
      values={{ how: "self", fruitsEach: 2 }}
      hidden={{ standId: stand.id, plantIds: plants.flatMap(({ id }) => (chosen.has(id) ? [id] : [])) }}
      submit="Plan it"
      onDone={() => go(`/crosses?season=${stand.season}`)}
    >
      {(Field) => (
        <>
          <PlantBoxes legend="Plants" plants={boxesOf(plants)} chosen={chosen} onChange={setChosen} />
          <Field
            name="how"
            label="How"
            type="select"
            choices={[
              { value: "self", label: "Self each: fixes fastest, families stay apart" },
              { value: "intercross", label: "Cross them in a ring: mixes the best again" },
            ]}
            hint="Selfing halves what is still mixed. Crossing the kept ones brings it back up, and keeps the line from weakening."
          />
          <Field name="fruitsEach" label="Fruits wanted of each" type="number" />
        </>
      )}
    </CommandForm>
  );
}

function SaveEach({ stand, plants, units, close }: Props & { close: () => void }) {
  const [chosen, setChosen] = useState(allOf(plants));
  return (
    <CommandForm
      command="lot.save"
      draft={`save-${stand.id}`}
      values={{ kind: "self", gathered: null, seeds: null, mass: null, note: null }}
      hidden={{ standId: stand.id, plantIds: plants.flatMap(({ id }) => (chosen.has(id) ? [id] : [])) }}
      factors={{ mass: massTyped(1, units) }}
      submit="Make the lots"
      onDone={close}
    >
      {(Field) => (
        <>
          <PlantBoxes legend="Plants" plants={boxesOf(plants)} chosen={chosen} onChange={setChosen} />
          <PollenField Field={Field} />
          <Field name="gathered" label="Gathered on" type="date" />
          <AmountFields Field={Field} units={units} each />
          <Field name="note" label="Note" />
        </>
      )}
    </CommandForm>
  );
}
