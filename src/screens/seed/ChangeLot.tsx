"use client";
import type { Units } from "@/core/units/units";
import { lot as lotRecord } from "@/records/lot/lot";
import { Sheet } from "@/ui/Sheet";
import type { WholeLot } from "@/views/drawer";
import { RecordForm } from "../common/RecordForm";

/** Seed counted or weighed later, and the note. */
export function ChangeLot({ lot, units }: { lot: WholeLot; units: Units }) {
  return (
    <Sheet trigger={lot.amount ? "Set right" : "Count its seed"} title={`Lot ${lot.code}`} plain={lot.amount !== null}>
      {(close) => (
        <RecordForm
          of={lotRecord}
          command="lot.change"
          row={lot}
          draft={`lot-${lot.id}`}
          units={units}
          fields={["seeds", "mass", "reserve", "note"]}
          submit="Save"
          onDone={close}
        />
      )}
    </Sheet>
  );
}
