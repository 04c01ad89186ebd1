"use client";
import { Sheet } from "@/ui/Sheet";
import type { Family } from "@/views/family";
import { CommandForm } from "../common/command";

export function CountForm({ stand, beds }: Pick<Family, "stand" | "beds">) {
  const { id, version, bedId, sown, sowedSeeds, cameUp, potted, plants, spare, trays, crates, firstFlower } = stand;
  return (
    <Sheet trigger="Count" title={`${stand.code}: counts`}>
      {(close) => (
        <CommandForm
          command="stand.change"
          draft={`counts-${id}`}
          values={{ bedId, sown, sowedSeeds, cameUp, potted, plants, spare, trays, crates, firstFlower }}
          hidden={{ id, version }}
          patch
          submit="Keep"
          onDone={close}
        >
          {(Field) => (
            <>
              <div className="grid grid-cols-3 gap-4">
                <Field name="sowedSeeds" label="Seeds sown" type="number" />
                <Field name="cameUp" label="Came up" type="number" />
                <Field name="potted" label="Pricked out" type="number" />
                <Field name="plants" label="Planted" type="number" />
                <Field name="spare" label="To spare" type="number" />
                <Field name="trays" label="Trays" type="number" />
                <Field name="crates" label="Crates" type="number" />
              </div>
              <p className="text-sm text-soft">
                To spare are sound seedlings that were not needed: thinned out, given away. Without them nobody can tell
                what was lost. Each tray, and later each crate, gets a tag.
              </p>
              <Field
                name="bedId"
                label="Bed"
                type="select"
                none="In trays for now"
                choices={beds.map((b) => ({ value: b.id, label: b.name }))}
              />
              <Field name="sown" label="Sown on" type="date" />
              <Field
                name="firstFlower"
                label="First flower, as seen"
                type="date"
                hint="Plants taken out after it are flagged as late."
              />
            </>
          )}
        </CommandForm>
      )}
    </Sheet>
  );
}
