"use client";
import { pointsFromLines, pointsToLines } from "@/core/ground/pointsText";
import type { Point } from "@/core/ground/shape";
import { kindAsChoice, kindOfChoice } from "@/core/isolation/crossing";
import { lengthTyped, lengthUnit, type Units } from "@/core/units/units";
import type { SourceRow } from "@/records/ground/queries";
import { More } from "@/ui/More";
import { CommandButton, CommandForm } from "../common/command";
import { SpeciesField } from "../common/fields";
import { HARMS, SOURCE_KINDS } from "../common/standNames";
import { choicesOf } from "../common/words";

type Props = {
  source?: SourceRow;
  /** Where it was pointed at on the map, if it was. */
  at?: Point | null;
  units: Units;
  season: number;
  onDone: () => void;
};

const SURE = [
  { value: 1, label: "I see it flower there" },
  { value: 0.9, label: "Nearly sure" },
  { value: 0.6, label: "More likely than not" },
  { value: 0.3, label: "Perhaps" },
  { value: 0.1, label: "Hardly" },
];

/** Pollen from beyond the garden: by distance and bearing, by a point on the map, or by its outline. */
export function SourceForm({ source, at, units, season, onDone }: Props) {
  const unit = lengthUnit(units);
  const outline = source?.outline ?? (at ? [at] : null);
  return (
    <>
      <CommandForm
        command={source ? "source.change" : "source.add"}
        draft={source ? `source-${source.id}` : `source-${at ? pointsToLines([at]) : "typed"}`}
        values={{
          name: source?.name,
          kind: source?.kind ?? "neighbour",
          species: source && kindAsChoice(source),
          plants: source?.plants,
          presence: source?.presence ?? 0.9,
          harm: source?.harm ?? "none",
          flowersFrom: source?.flowersFrom,
          flowersTo: source?.flowersTo,
          outline: outline ? pointsToLines(outline) : "",
          distance: null,
          bearing: null,
          across: null,
        }}
        factors={{ distance: lengthTyped(1, units), across: lengthTyped(1, units) }}
        shape={({ outline: lines, species: grows, ...typed }) => ({
          ...typed,
          ...(grows ? kindOfChoice(String(grows)) : grows === undefined ? {} : { species: grows }),
          ...(lines ? { outline: pointsFromLines(String(lines)) ?? lines } : {}),
        })}
        patch={source !== undefined}
        hidden={source && { id: source.id, version: source.version }}
        submit={source ? "Save" : "Put it on the map"}
        onDone={onDone}
      >
        {(Field) => (
          <>
            <Field name="name" label="Name" hint="As you speak of it: the neighbour's beans." />
            <div className="grid grid-cols-2 gap-4">
              <Field name="kind" label="What it is" type="select" choices={choicesOf(SOURCE_KINDS)} />
              <SpeciesField kin />
              <Field name="plants" label="Plants" type="number" hint="A guess will do: it is an order of magnitude." />
              <Field name="presence" label="How sure are you?" type="select" choices={SURE} />
            </div>
            {outline ? (
              <Field
                name="outline"
                label="Where it is"
                type="textarea"
                unit="metres from the garden's corner"
                hint="One point, or its corners in order; east and north with a comma between."
              />
            ) : (
              <div className="grid grid-cols-3 gap-4">
                <Field name="distance" label="Distance" type="number" unit={unit} />
                <Field name="bearing" label="Bearing" type="bearing" hint="As NE or 45." />
                <Field name="across" label="Across" type="number" unit={unit} hint="Of a field." />
              </div>
            )}
            <More of="When it flowers, and whether it harms">
              <div className="grid gap-4">
                <div className="grid grid-cols-2 gap-4">
                  <Field name="flowersFrom" label="Flowers from" type="day-of-year" hint="If you know: 20 June." />
                  <Field
                    name="flowersTo"
                    label="Flowers to"
                    type="day-of-year"
                    hint="Empty: reckoned from the climate."
                  />
                </div>
                <Field
                  name="harm"
                  label="Would its pollen do harm, even in a mix?"
                  type="select"
                  choices={choicesOf(HARMS)}
                />
              </div>
            </More>
          </>
        )}
      </CommandForm>
      {source && (
        <p className="mt-6 flex flex-wrap gap-3">
          {source.agreedSeason !== season && source.kind !== "wild" && (
            <CommandButton
              command="stand.remedy"
              input={{ season, changes: [{ kind: "agree", sourceId: source.id, version: source.version }] }}
              plain
            >
              The neighbour has agreed this season
            </CommandButton>
          )}
          <CommandButton command="source.remove" input={{ id: source.id, version: source.version }} plain>
            Take it off the map
          </CommandButton>
        </p>
      )}
    </>
  );
}
