"use client";
import { massTyped, type Units } from "@/core/units/units";
import { Sheet } from "@/ui/Sheet";
import type { WholeLot } from "@/views/drawer";
import { CommandForm, Field } from "../common/command";
import { AmountFields } from "../common/fields";

/** Seed counted or weighed later, and the note. */
export function ChangeLot({ lot, units }: { lot: WholeLot; units: Units }) {
  const { id, version, seeds, mass, note, reserve } = lot;
  return (
    <Sheet trigger={lot.amount ? "Set right" : "Count its seed"} title={`Lot ${lot.code}`} plain={lot.amount !== null}>
      {(close) => (
        <CommandForm
          command="lot.change"
          draft={`lot-${id}`}
          values={{
            seeds,
            mass: mass === null ? null : Number((mass / massTyped(1, units)).toFixed(2)),
            reserve,
            note,
          }}
          hidden={{ id, version }}
          factors={{ mass: massTyped(1, units) }}
          submit="Keep"
          patch
          onDone={close}
        >
          <AmountFields units={units} />
          <Field
            name="reserve"
            label="Reserve"
            type="number"
            unit="seeds"
            hint="They stay, whatever is sown, tested or given."
          />
          <Field name="note" label="Note" type="textarea" />
        </CommandForm>
      )}
    </Sheet>
  );
}
