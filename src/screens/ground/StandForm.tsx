"use client";
import type { Id } from "@/core/custody/id";
import { Sheet } from "@/ui/Sheet";
import { Choices } from "../common/Choices";
import { CommandForm } from "../common/command";
import { LineField } from "../common/fields";
import { PlantsField } from "../common/PlantsField";

type Props = {
  beds: { id: Id; name: string }[];
  today: string;
};

export function StandForm({ beds, today }: Props) {
  return (
    <Sheet trigger="Sow a stand" title="Sow a stand" strong at="sow">
      {(close) => (
        <Choices of="sowing">
          {({ lines, lots }) =>
            lines.length === 0 ? (
              <p>
                Name a line first, on <a href="/lines">Lines</a>.
              </p>
            ) : (
              <CommandForm
                command="stand.add"
                draft="stand"
                values={{
                  lineId: null,
                  lotId: null,
                  bedId: null,
                  sown: today,
                  plants: null,
                  sowedSeeds: null,
                  seedWanted: 1,
                  family: false,
                }}
                submit="Sow it"
                onDone={close}
              >
                {(Field) => (
                  <>
                    <LineField Field={Field} lines={lines} />
                    <Field
                      name="bedId"
                      label="Bed"
                      type="select"
                      none="In trays for now"
                      choices={beds.map((b) => ({ value: b.id, label: b.name }))}
                    />
                    <Field name="sown" label="Sown on" type="date" hint="The flowering forecast counts from here." />
                    <div className="grid grid-cols-2 gap-4">
                      <PlantsField
                        Field={Field}
                        name="plants"
                        label="Plants"
                        hint="If they stand already."
                        of="lineId"
                        choices={lines}
                      />
                      <Field name="sowedSeeds" label="Seeds sown" type="number" />
                    </div>
                    <Field
                      name="lotId"
                      label="Seed lot"
                      type="select"
                      none="Not from a kept lot"
                      choices={lots.map((l) => ({ value: l.id, label: `${l.code} ${l.lineName}` }))}
                    />
                    <Field
                      name="seedWanted"
                      label="Grown for"
                      type="select"
                      choices={[
                        { value: 1, label: "Seed" },
                        { value: 0, label: "Eating only" },
                      ]}
                    />
                    <Field name="family" label="Number the plants, to score them one by one" type="checkbox" />
                  </>
                )}
              </CommandForm>
            )
          }
        </Choices>
      )}
    </Sheet>
  );
}
