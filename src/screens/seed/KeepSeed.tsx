"use client";
import { massTyped, type Units } from "@/core/units/units";
import { Sheet } from "@/ui/Sheet";
import { Choices } from "../common/Choices";
import { CommandForm } from "../common/command";
import { AmountFields, LineField, PollenField } from "../common/fields";

type Props = { today: string; units: Units };

export function KeepSeed({ units, today }: Props) {
  const factors = { mass: massTyped(1, units) };
  return (
    <>
      <h2 className="mb-3">Put seed in the drawer</h2>
      <div className="flex flex-wrap gap-3">
        <Sheet trigger="Save from a stand" title="Seed of a stand" strong at="save">
          {(close) => (
            <Choices of="stands">
              {(stands) =>
                stands.length === 0 ? (
                  <p>No stands grow in this season.</p>
                ) : (
                  <CommandForm
                    command="lot.save"
                    draft="lot-save"
                    values={{ standId: null, kind: "open", gathered: today, seeds: null, mass: null, note: null }}
                    factors={factors}
                    submit="Make the lot"
                    onDone={close}
                  >
                    {(Field) => (
                      <>
                        <Field
                          name="standId"
                          label="Stand"
                          type="select"
                          none="Choose a stand"
                          choices={stands.map(({ id, label }) => ({ value: id, label }))}
                        />
                        <PollenField Field={Field} />
                        <Field name="gathered" label="Gathered on" type="date" />
                        <AmountFields Field={Field} units={units} />
                        <Field
                          name="note"
                          label="Note"
                          hint="As: berries found between two plants, mother uncertain."
                        />
                      </>
                    )}
                  </CommandForm>
                )
              }
            </Choices>
          )}
        </Sheet>
        <Sheet trigger="Received seed" title="Seed from elsewhere" at="received">
          {(close) => (
            <Choices of="lines">
              {(lines) =>
                lines.length === 0 ? (
                  <p>
                    Name its line first, on <a href="/lines">Lines</a>.
                  </p>
                ) : (
                  <CommandForm
                    command="lot.receive"
                    draft="lot-receive"
                    values={{
                      lineId: null,
                      gathered: today,
                      generation: null,
                      seeds: null,
                      mass: null,
                      fruits: null,
                      note: null,
                    }}
                    factors={factors}
                    submit="Put it in the drawer"
                    onDone={close}
                  >
                    {(Field) => (
                      <>
                        <LineField Field={Field} lines={lines} />
                        <Field
                          name="gathered"
                          label="Gathered on"
                          type="date"
                          hint="Its harvest, as far as known: age counts from here."
                        />
                        <Field
                          name="generation"
                          label="Generation"
                          type="number"
                          hint="2 for an F2. Empty for a variety that breeds true."
                        />
                        <AmountFields Field={Field} units={units} />
                        <Field
                          name="fruits"
                          label="Or fruits"
                          type="number"
                          hint="Whose seed is still in them: they go to the table."
                        />
                        <Field name="note" label="Note" hint="Treated seed is never eaten: write it here." />
                      </>
                    )}
                  </CommandForm>
                )
              }
            </Choices>
          )}
        </Sheet>
      </div>
    </>
  );
}
