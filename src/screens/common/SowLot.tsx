"use client";
import { type Bred, nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { useGo } from "@/ui/useGo";
import { CommandForm } from "./command";
import { PlantsField } from "./PlantsField";
import { SOWN_IN } from "./standNames";
import { choicesOf } from "./words";

type LotChoice = Bred & {
  id: Id;
  code: string;
  lineId: Id;
  lineName: string;
  /** How many plants its kind wants. */
  enough?: string;
};
/** A sowing as it was reckoned. */
type So = { sowedSeeds: number; wanted: number; sownIn: string | null; perCell: number | null; sown: string };
type Props = { lots: LotChoice[]; beds: { id: Id; name: string }[]; today: string; left?: string; so?: So };

/** Sows a lot as a family: in trays of its own, numbered plants once they are planted. */
export function SowLot({ lots, beds, today, left, so }: Props) {
  const go = useGo();
  const only = lots.length === 1 ? lots[0]! : null;
  return (
    <CommandForm
      command="stand.add"
      draft={`sow-${only?.id ?? "any"}${so ? `-${so.sownIn}-${so.perCell}-${so.sowedSeeds}-${so.sown}` : ""}`}
      values={{
        lotId: only?.id,
        sown: today,
        sowedSeeds: null,
        wanted: null,
        sownIn: null,
        trays: null,
        perCell: null,
        bedId: null,
        ...so,
      }}
      shape={(typed) => ({ ...typed, lineId: lots.find((l) => l.id === typed.lotId)?.lineId ?? "" })}
      hidden={{ family: 1 }}
      submit="Sow the family"
      onDone={(answer) => go(`/nursery/${answer.code}`)}
    >
      {(Field) => (
        <>
          <Field
            name="lotId"
            label="Lot"
            type="select"
            none="Choose a lot"
            choices={lots.map((l) => ({
              value: l.id,
              label: `${l.code} ${nameWithGeneration(l)}`,
            }))}
          />
          <div className="grid grid-cols-2 gap-4">
            <Field name="sowedSeeds" label="Seeds sown" type="number" hint={left} />
            <Field name="sown" label="Sown on" type="date" hint="A day to come plans it." />
            <PlantsField Field={Field} name="wanted" label="Plants wanted" of="lotId" choices={lots} />
            <Field name="sownIn" label="Sown in" type="select" none="As usual" choices={choicesOf(SOWN_IN)} />
            <Field name="trays" label="Trays" type="number" hint="Each gets a tag." />
            <Field name="perCell" label="Seeds in each cell" type="number" />
          </div>
          <Field
            name="bedId"
            label="Bed"
            type="select"
            none="In trays for now"
            choices={beds.map((b) => ({ value: b.id, label: b.name }))}
          />
        </>
      )}
    </CommandForm>
  );
}
