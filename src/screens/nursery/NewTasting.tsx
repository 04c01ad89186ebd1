"use client";
import { useState } from "react";
import type { Id } from "@/core/custody/id";
import { isKept } from "@/core/selection/marks";
import { plural } from "@/core/units/plural";
import { Sheet } from "@/ui/Sheet";
import { useGo } from "@/ui/useGo";
import type { Tastings } from "@/views/tasting";
import { CommandForm } from "../common/command";
import { PlantGrid } from "./ChoosePlants";

/** More at one sitting dull the tongue. */
const SITTING = 8;

/** Plants chosen, a scale, and how many taste. */
export function NewTasting({ view, path }: { view: Tastings; path: string }) {
  return (
    <Sheet trigger="Set up a tasting" title="A tasting" strong>
      {() => <Setting view={view} path={path} />}
    </Sheet>
  );
}

function Setting({ view, path }: { view: Tastings; path: string }) {
  const { plants, scales, stand } = view;
  const go = useGo();
  const kept = plants.filter(({ mark }) => isKept(mark));
  const [chosen, setChosen] = useState<ReadonlySet<Id>>(
    new Set((kept.length > 1 ? kept : []).slice(0, SITTING).map(({ id }) => id)),
  );
  return (
    <CommandForm
      command="tasting.add"
      draft={`tasting-${stand.id}`}
      values={{ yardstickId: scales[0]!.id, tasters: 3, heldOn: null, note: null }}
      hidden={{ standId: stand.id, plantIds: plants.filter(({ id }) => chosen.has(id)).map(({ id }) => id) }}
      submit={chosen.size < 2 ? "Set it up" : `Serve ${plural(chosen.size, "plant")}`}
      onDone={(answer) => go(`${path}?of=${answer.id}`)}
    >
      {(Field) => (
        <>
          <PlantGrid
            legend="Which plants?"
            plants={plants.map(({ id, number, code, mark }) => ({
              id,
              number,
              said: code === stand.code ? "" : ` of ${code}`,
              under: code === stand.code ? isKept(mark) && "kept" : code,
            }))}
            chosen={chosen}
            onChange={setChosen}
          />
          {chosen.size > SITTING && (
            <p className="mt-1 text-sm text-quince">More than {SITTING} at one sitting dull the tongue.</p>
          )}
          <Field
            name="yardstickId"
            label="Tasted on"
            type="select"
            choices={scales.map(({ id, name }) => ({ value: id, label: name }))}
          />
          <Field name="tasters" label="How many taste" type="number" />
          <Field name="heldOn" label="Day" type="date" hint="Empty: today." />
          <Field name="note" label="How it is served" hint="As cut in wedges, at room warmth, peeled." />
        </>
      )}
    </CommandForm>
  );
}
