"use client";
import type { Day } from "@/core/calendar/day";
import { Sheet } from "@/ui/Sheet";
import type { LineView } from "@/views/lines";
import { CommandButton, CommandForm, Field } from "../common/command";

/** The work on a line is finished, given up, or nothing of it lives; or it goes on after all. */
export function LineEnd({ line: { id, version, name, ending }, today }: { line: LineView["line"]; today: Day }) {
  if (ending)
    return (
      <CommandButton command="line.bring-back" input={{ id, version }}>
        It goes on
      </CommandButton>
    );
  return (
    <Sheet trigger="It has ended" title={`${name} has ended`} plain>
      {(close) => (
        <CommandForm
          command="line.end"
          draft={`end-line-${id}`}
          values={{ ending: "finished", on: today, why: null }}
          hidden={{ id, version }}
          submit="Keep"
          onDone={close}
        >
          <Field
            name="ending"
            label="How"
            type="select"
            choices={[
              { value: "finished", label: "Finished: what was wanted is reached, or it goes on elsewhere" },
              { value: "given-up", label: "Given up: not worth another season" },
              { value: "lost", label: "Lost: nothing of it lives" },
            ]}
          />
          <Field name="on" label="On" type="date" />
          <Field
            name="why"
            label="Why"
            hint="Its records stay. It is not offered for sowing any more, and can be taken up again."
          />
        </CommandForm>
      )}
    </Sheet>
  );
}
