"use client";
import { bedInWords } from "@/core/ground/bedInWords";
import { lengthShown, lengthTyped, lengthUnit, type Units } from "@/core/units/units";
import type { Bed } from "@/records/bed/bed";
import { Sheet } from "@/ui/Sheet";
import { CommandButton, CommandForm, Field } from "../common/command";
import { Notes } from "../common/Notes";

/** Adds a bed, or changes the one given. */
export function BedForm({ bed, units }: { bed?: Bed; units: Units }) {
  const unit = lengthUnit(units);
  const factor = lengthTyped(1, units);
  const shown = (metres: number | undefined) => (metres === undefined ? null : lengthShown(metres, units));
  return (
    <Sheet
      trigger={bed ? `Change bed ${bed.name}` : "Add a bed"}
      title={bed ? `Bed ${bed.name}` : "A new bed"}
      plain={Boolean(bed)}
      at={bed ? undefined : "bed"}
    >
      {(close) => (
        <>
          <CommandForm
            command={bed ? "bed.change" : "bed.add"}
            draft={bed ? `bed-${bed.id}` : "bed"}
            values={{
              name: bed?.name,
              x: shown(bed?.x) ?? 0,
              y: shown(bed?.y) ?? 0,
              width: shown(bed?.width),
              length: shown(bed?.length),
              turn: bed?.turn ?? 0,
              outside: bed?.outside ?? 0,
              note: bed?.note,
            }}
            factors={{ x: factor, y: factor, width: factor, length: factor }}
            patch={bed !== undefined}
            hidden={bed && { id: bed.id, version: bed.version }}
            submit={bed ? "Keep" : "Add the bed"}
            onDone={close}
          >
            <Field name="name" label="Name" hint="Short, as on its board: C, far bed." />
            <div className="grid grid-cols-2 gap-4">
              <Field name="x" label="East" type="number" unit={unit} hint="Of its south-west corner, before turning." />
              <Field name="y" label="North" type="number" unit={unit} />
              <Field name="width" label="Width, east–west" type="number" unit={unit} />
              <Field name="length" label="Length, north–south" type="number" unit={unit} />
            </div>
            <Field name="turn" label="Turned" type="number" unit="degrees clockwise" />
            <Field name="note" label="Note" type="textarea" hint="Its soil, its sun, what grew badly there." />
            {bed?.outside === 1 && (
              <Field
                name="outside"
                label="Whose"
                type="select"
                choices={[
                  { value: 0, label: "In my garden" },
                  { value: 1, label: "Beyond the fence" },
                ]}
              />
            )}
          </CommandForm>
          {bed && (
            <p className="mt-6 flex flex-wrap gap-3">
              <Notes of="bedId" id={bed.id} name={bedInWords(bed.name)} />
              <CommandButton command="bed.remove" input={{ id: bed.id, version: bed.version }} plain>
                Take this bed off the ground
              </CommandButton>
            </p>
          )}
        </>
      )}
    </Sheet>
  );
}
