"use client";
import { useState } from "react";
import type { Id } from "@/core/custody/id";
import { toggled } from "@/core/lists/toggled";
import { Sheet } from "@/ui/Sheet";
import { useGo } from "@/ui/useGo";
import type { LineView } from "@/views/lines";
import { CommandForm } from "../common/command";

/** Some of a line's seed goes on as a part of it, so that what it does by itself is seen. */
export function PartOff({ view: { line, lots } }: { view: LineView }) {
  const unsown = lots.filter(({ sowings, endedOn }) => sowings === 0 && endedOn === null);
  if (unsown.length === 0 || line.endedOn) return null;
  return (
    <Sheet trigger="Keep a part apart" title={`A part of ${line.name}`} plain>
      {() => <Parting line={line} unsown={unsown} />}
    </Sheet>
  );
}

function Parting({ line, unsown }: { line: LineView["line"]; unsown: LineView["lots"] }) {
  const go = useGo();
  const [chosen, setChosen] = useState<ReadonlySet<Id>>(new Set());
  return (
    <CommandForm
      command="line.part"
      draft={`part-${line.id}`}
      values={{ name: null, description: null }}
      hidden={{ id: line.id, lotIds: unsown.filter(({ id }) => chosen.has(id)).map(({ id }) => id) }}
      submit="Keep it apart"
      onDone={(answer) => go(`/lines/${answer.code}`)}
    >
      {(Field) => (
        <>
          <p className="text-soft">
            What is mixed teaches nothing. A colour, a mother or a sowing that is grown by itself shows what it is; its
            yardsticks are those of {line.name}, and its seed may be put together with the rest again.
          </p>
          <Field name="name" label="Name" hint={`As ${line.name}, pale.`} />
          <Field name="description" label="What sets it apart" type="textarea" />
          <fieldset>
            <legend className="mb-1 font-semibold">Its seed</legend>
            {unsown.map(({ id, code, motherCode, motherNumber, note }) => (
              <label key={id} className="flex min-h-11 items-center gap-2">
                <input type="checkbox" checked={chosen.has(id)} onChange={() => setChosen(toggled(chosen, id))} />
                <span>
                  {code}
                  <span className="text-sm text-soft">
                    {motherCode && `, mother ${motherCode}${motherNumber ? ` plant ${motherNumber}` : ""}`}
                    {note && `, ${note}`}
                  </span>
                </span>
              </label>
            ))}
          </fieldset>
        </>
      )}
    </CommandForm>
  );
}
