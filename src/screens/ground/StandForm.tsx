"use client";
import type { Id } from "@/core/custody/id";
import { stand as planting } from "@/records/stand/stand";
import { Sheet } from "@/ui/Sheet";
import { Choices } from "../common/Choices";
import { LineField } from "../common/fields";
import { RecordForm } from "../common/RecordForm";
import { StartForm } from "../common/Starts";
import { PlantsField, SownInField } from "../common/sowingFields";
import { GROWN_FOR, SOWN_IN } from "../common/standNames";

type Props = {
  beds: { id: Id; name: string }[];
  today: string;
};

/** Sows a line: what, of which seed, where and in what, and how many. */
export function StandForm({ beds, today }: Props) {
  return (
    <Sheet trigger="Sow a planting" title="Sow a planting" strong at="sow">
      {(close) => (
        <Choices of="sowing">
          {({ lines, lots }) =>
            lines.length === 0 ? (
              <StartForm start="keep" close={close} />
            ) : (
              <RecordForm
                of={planting}
                command="stand.add"
                values={{ sown: today, seedWanted: 1 }}
                draft="stand"
                units="metric"
                fields={["lineId", "lotId", "sowedSeeds", "sown", "bedId", "sownIn", "plants"]}
                more={{ "What it is grown for": ["wanted", "seedWanted", "family"] }}
                words={{ sownIn: SOWN_IN, seedWanted: GROWN_FOR }}
                about={{
                  lineId: (Field) => <LineField Field={Field} lines={lines} />,
                  lotId: {
                    choices: lots.map(({ id, code, lineName }) => ({ value: id, label: `${code} ${lineName}` })),
                  },
                  bedId: { choices: beds.map(({ id, name }) => ({ value: id, label: name })) },
                  sownIn: (Field) => <SownInField Field={Field} choices={lines} />,
                  plants: (Field) => (
                    <PlantsField
                      Field={Field}
                      name="plants"
                      label="Plants"
                      hint="If they stand already."
                      choices={lines}
                    />
                  ),
                }}
                submit="Sow it"
                onDone={close}
              />
            )
          }
        </Choices>
      )}
    </Sheet>
  );
}
