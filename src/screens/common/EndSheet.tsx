"use client";
import type { Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { Sheet } from "@/ui/Sheet";
import { CommandForm } from "./command";

type Props = {
  command: "stand.end" | "line.end";
  of: { id: Id; version: Id };
  name: string;
  today: Day;
  /** How it can have ended, the usual way first. */
  endings: [{ value: string; label: string }, ...{ value: string; label: string }[]];
  hint: string;
};

/** A stand, or the work on a line, has ended: how, on which day, and why. */
export function EndSheet({ command, of: { id, version }, name, today, endings, hint }: Props) {
  return (
    <Sheet trigger="It has ended" title={`${name} has ended`} plain>
      {(close) => (
        <CommandForm
          command={command}
          draft={`end-${id}`}
          values={{ ending: endings[0].value, on: today, why: null }}
          hidden={{ id, version }}
          submit="Save"
          onDone={close}
        >
          {(Field) => (
            <>
              <Field name="ending" label="How" type="select" choices={endings} />
              <Field name="on" label="On" type="date" />
              <Field name="why" label="Why" hint={hint} />
            </>
          )}
        </CommandForm>
      )}
    </Sheet>
  );
}
