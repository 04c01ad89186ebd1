"use client";
import { stand as planting } from "@/records/stand/stand";
import { Sheet } from "@/ui/Sheet";
import type { Family } from "@/views/family";
import { RecordForm } from "../common/RecordForm";

/** How many seeds, seedlings and plants a family had at each stage. */
export function CountForm({ stand, beds }: Pick<Family, "stand" | "beds">) {
  return (
    <Sheet trigger="Count" title={`${stand.code}: counts`}>
      {(close) => (
        <RecordForm
          of={planting}
          command="stand.change"
          row={stand}
          draft={`counts-${stand.id}`}
          units="metric"
          fields={["sowedSeeds", "cameUp", "potted", "plants", "spare", "bedId"]}
          more={{ "Trays, crates and days": ["trays", "crates", "sown", "firstFlower"] }}
          about={{
            spare: {
              hint: "Sound seedlings that were thinned out or given away. Without them nobody can tell what was lost.",
            },
            crates: { hint: "Each gets a tag." },
            firstFlower: { hint: "Plants taken out after it are flagged as late." },
            bedId: { choices: beds.map(({ id, name }) => ({ value: id, label: name })) },
          }}
          submit="Save"
          onDone={close}
        />
      )}
    </Sheet>
  );
}
