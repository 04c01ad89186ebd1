"use client";
import { type Bred, nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { stand as planting, type Stand } from "@/records/stand/stand";
import { useGo } from "@/ui/useGo";
import { RecordForm } from "./RecordForm";
import { PlantsField, SownInField } from "./sowingFields";
import { SOWN_IN } from "./standNames";

type LotChoice = Bred & {
  id: Id;
  code: string;
  lineId: Id;
  lineName: string;
  /** How many plants its kind wants. */
  enough?: string;
  /** How its kind is usually raised. */
  raised?: "tray" | "ground";
};
/** A sowing as it was reckoned. */
type So = Pick<Stand, "sowedSeeds" | "wanted" | "sownIn" | "perCell" | "sown">;
type Props = { lots: LotChoice[]; beds: { id: Id; name: string }[]; today: string; left?: string; so?: So };

const ASKED = ["sowedSeeds", "sown", "wanted", "sownIn", "bedId"] as const;

/** Sows a lot as a family: in trays of its own, numbered plants once they are planted. */
export function SowLot({ lots, beds, today, left, so }: Props) {
  const go = useGo();
  const only = lots.length === 1 ? lots[0]! : null;
  return (
    <RecordForm
      of={planting}
      command="stand.add"
      draft={`sow-${only?.id ?? "any"}${so ? `-${so.sownIn}-${so.perCell}-${so.sowedSeeds}-${so.sown}` : ""}`}
      values={{ sown: today, ...so }}
      units="metric"
      shape={(typed) => {
        const lot = only ?? lots.find(({ id }) => id === typed.lotId);
        return { ...typed, lotId: lot?.id ?? "", lineId: lot?.lineId ?? "" };
      }}
      hidden={{ family: 1 }}
      fields={only ? ASKED : ["lotId", ...ASKED]}
      more={{ "Trays and cells": ["trays", "perCell"] }}
      words={{ sownIn: SOWN_IN }}
      about={{
        lotId: {
          none: "Choose a lot",
          choices: lots.map((lot) => ({ value: lot.id, label: `${lot.code} ${nameWithGeneration(lot)}` })),
        },
        sowedSeeds: { hint: left },
        sownIn: (Field) => <SownInField Field={Field} of="lotId" choices={lots} />,
        wanted: (Field) => <PlantsField Field={Field} name="wanted" label="Plants wanted" of="lotId" choices={lots} />,
        bedId: { choices: beds.map(({ id, name }) => ({ value: id, label: name })) },
      }}
      submit="Sow the family"
      onDone={(answer) => go(`/nursery/${answer.code}`)}
    />
  );
}
