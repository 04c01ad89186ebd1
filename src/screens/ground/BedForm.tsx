"use client";
import { useState } from "react";
import { bedInWords } from "@/core/ground/bedInWords";
import { besideBed, namesFrom, PATH } from "@/core/ground/rows";
import type { Plot } from "@/core/ground/shape";
import { lengthShown, lengthTyped, lengthUnit, type Units } from "@/core/units/units";
import { readNumber } from "@/core/writing/numbers";
import { type Bed, bed as bedRecord } from "@/records/bed/bed";
import { useFormHeard } from "@/ui/formHere";
import { More } from "@/ui/More";
import { Sheet } from "@/ui/Sheet";
import { CommandButton, CommandForm, type FieldOf } from "../common/command";
import { Notes } from "../common/Notes";
import { RecordForm } from "../common/RecordForm";

const inUnits = (units: Units) => {
  const factor = lengthTyped(1, units);
  return {
    unit: lengthUnit(units),
    factors: { x: factor, y: factor, width: factor, length: factor, path: factor },
    shown: (metres: number | undefined) => (metres === undefined ? null : lengthShown(metres, units)),
  };
};

type RowsProps = { Field: FieldOf<"perRow" | "path">; taken: string[]; unit: string };

/** Of several beds how they will be called, as it is typed, and how they lie. */
function Several({ Field, taken, unit }: RowsProps) {
  const [name, count] = useFormHeard("values").getValues(["name", "count"]) as unknown[];
  const many = readNumber(String(count ?? ""));
  if (!name || many.kind !== "read" || !(many.value >= 2 && many.value <= 100)) return null;
  const names = namesFrom(String(name), Math.floor(many.value), new Set(taken));
  const shown = names.length > 8 ? [...names.slice(0, 7), "…", names.at(-1)!] : names;
  return (
    <>
      <p className="-mt-2 text-sm text-soft">They are called {shown.join(", ")}.</p>
      <div className="grid grid-cols-2 gap-4">
        <Field name="perRow" label="Side by side" type="number" hint="Blank: all in one row, eastward." />
        <Field name="path" label="Path between them" type="number" unit={unit} />
      </div>
    </>
  );
}

type New = {
  beds: Bed[];
  units: Units;
  /** The bed that they are like; the newest where none is said. */
  like?: Bed;
  /** Where it was drawn. */
  place?: Plot;
  onDone: () => void;
};

/** One bed or several in rows, named on and put beside the one they are like. */
export function NewBeds({ beds, units, like, place, onDone }: New) {
  const { unit, factors, shown } = inUnits(units);
  const newest = beds
    .filter((bed) => bed.outside === 0)
    .reduce<Bed | undefined>((a, b) => (a && a.id > b.id ? a : b), like);
  const of = like ?? newest;
  const plot = place ?? (of && besideBed(of, beds, PATH));
  const taken = beds.map(({ name }) => name);
  return (
    <CommandForm
      command="bed.add"
      draft={like ? `bed-like-${like.id}` : place ? "bed-drawn" : "bed"}
      values={{
        name: of ? namesFrom(of.name, 2, new Set(taken))[1] : null,
        width: shown(plot?.width),
        length: shown(plot?.length),
        x: shown(plot?.x) ?? 0,
        y: shown(plot?.y) ?? 0,
        turn: plot?.turn ?? 0,
        count: 1,
        perRow: null,
        path: shown(PATH),
        note: null,
      }}
      factors={factors}
      submit="Add"
      onDone={onDone}
    >
      {(Field) => (
        <>
          <div className="grid grid-cols-2 gap-4">
            <Field name="name" label="Name" hint="Short, as on its board: C, far bed." />
            <Field name="count" label="How many" type="number" hint="Several are named on from the first." />
          </div>
          <Several Field={Field} taken={taken} unit={unit} />
          <div className="grid grid-cols-2 gap-4">
            <Field name="width" label="Width, east–west" type="number" unit={unit} />
            <Field name="length" label="Length, north–south" type="number" unit={unit} />
          </div>
          <Field name="note" label="Note" type="textarea" hint="Its soil, its sun, what grew badly there." />
          <More of="Where it lies">
            <div className="grid grid-cols-2 gap-4">
              <Field name="x" label="East" type="number" unit={unit} hint="Of its south-west corner, before turning." />
              <Field name="y" label="North" type="number" unit={unit} />
              <Field name="turn" label="Turned" type="number" unit="degrees clockwise" />
            </div>
          </More>
        </>
      )}
    </CommandForm>
  );
}

/** What can be done with a bed: changed, copied, noted, taken off the ground. */
export function BedSheet({ bed, beds, units, onDone }: { bed: Bed; beds: Bed[]; units: Units; onDone: () => void }) {
  const [copying, setCopying] = useState(false);
  if (copying)
    return (
      <>
        <h3 className="mb-3">Like {bedInWords(bed.name)}, beside it</h3>
        <NewBeds beds={beds} units={units} like={bed} onDone={onDone} />
      </>
    );
  return (
    <>
      <RecordForm
        of={bedRecord}
        command="bed.change"
        row={bed}
        draft={`bed-${bed.id}`}
        units={units}
        fields={["name", "width", "length", "note"]}
        more={{
          "Where it lies": bed.outside === 1 ? ["x", "y", "turn", "outside"] : ["x", "y", "turn"],
        }}
        words={{ outside: { 0: "In my garden", 1: "Beyond the fence" } }}
        submit="Save"
        onDone={onDone}
      />
      <p className="mt-6 flex flex-wrap gap-3">
        <button type="button" className="leaf" onClick={() => setCopying(true)}>
          Copy it
        </button>
        <Notes of="bedId" id={bed.id} name={bedInWords(bed.name)} />
        <CommandButton command="bed.remove" input={{ id: bed.id, version: bed.version }} plain>
          Take this bed off the ground
        </CommandButton>
      </p>
    </>
  );
}

/** Opens a bed. */
export function BedForm({ bed, beds, units }: { bed: Bed; beds: Bed[]; units: Units }) {
  return (
    <Sheet trigger={`Change bed ${bed.name}`} title={`Bed ${bed.name}`} plain>
      {(close) => <BedSheet bed={bed} beds={beds} units={units} onDone={close} />}
    </Sheet>
  );
}
