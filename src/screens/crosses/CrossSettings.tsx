"use client";
import { Sheet } from "@/ui/Sheet";
import type { CrossView } from "@/views/crosses";
import { CommandForm, Field } from "../common/command";
import { STORAGE_WORDS } from "../common/crossWords";
import { choicesOf } from "../common/words";

/** How many are wanted, how many an evening allows, by which way, with which pollen, and a note. */
export function CrossSettings({ view }: { view: CrossView }) {
  const { cross, method } = view.state;
  return (
    <Sheet trigger="Change or note" title={`${cross.code}: how it is done`} plain>
      {(close) => (
        <CommandForm
          command="cross.adjust"
          draft={`adjust-${cross.id}`}
          values={{
            fruitsWanted: cross.fruitsWanted,
            perEvening: cross.perEvening,
            method: method.id,
            storage: cross.storage,
            storedOn: cross.storedOn,
            note: view.note,
          }}
          hidden={{ id: cross.id, version: cross.version }}
          patch
          shape={({ storage, storedOn, ...typed }) => ({
            ...typed,
            storage: storage || null,
            storedOn: storage ? storedOn || null : null,
          })}
          submit="Keep"
          onDone={close}
        >
          <div className="grid grid-cols-2 gap-4">
            <Field name="fruitsWanted" label="Fruits wanted" type="number" />
            <Field name="perEvening" label="Flowers you can do in one evening" type="number" />
          </div>
          <Field
            name="method"
            label="Method"
            type="select"
            choices={view.methods.map((m) => ({ value: m.id, label: m.name }))}
          />
          <div className="grid grid-cols-2 gap-4">
            <Field
              name="storage"
              label="Father's pollen"
              type="select"
              none="Fresh"
              choices={choicesOf(STORAGE_WORDS)}
            />
            <Field name="storedOn" label="Gathered on" type="date" />
          </div>
          <Field name="note" label="Note" type="textarea" />
        </CommandForm>
      )}
    </Sheet>
  );
}
