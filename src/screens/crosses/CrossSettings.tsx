"use client";
import { cross as crossRecord } from "@/records/cross/cross";
import { Sheet } from "@/ui/Sheet";
import type { CrossView } from "@/views/crosses";
import { STORAGE_WORDS } from "../common/crossWords";
import { RecordForm } from "../common/RecordForm";

/** How many are wanted, how many an evening allows, by which way, with which pollen, and a note. */
export function CrossSettings({ view }: { view: CrossView }) {
  const { cross, method } = view.state;
  return (
    <Sheet trigger="Change or note" title={`${cross.code}: how it is done`} plain>
      {(close) => (
        <RecordForm
          of={crossRecord}
          command="cross.adjust"
          row={{ ...cross, method: method.id, note: view.note }}
          draft={`adjust-${cross.id}`}
          units="metric"
          fields={["fruitsWanted", "perEvening", "method", "storage", "storedOn", "note"]}
          words={{ storage: STORAGE_WORDS }}
          about={{ method: { choices: view.methods.map(({ id, name }) => ({ value: id, label: name })) } }}
          // Fresh pollen was gathered on no day.
          shape={({ storage, storedOn, ...typed }) => ({
            ...typed,
            storage: storage || null,
            storedOn: storage ? storedOn || null : null,
          })}
          submit="Save"
          onDone={close}
        />
      )}
    </Sheet>
  );
}
