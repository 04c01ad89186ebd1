"use client";
import type { Day } from "@/core/calendar/day";
import type { LineView } from "@/views/lines";
import { CommandButton } from "../common/command";
import { EndSheet } from "../common/EndSheet";

/** The work on a line is finished, given up, or nothing of it lives; or it goes on after all. */
export function LineEnd({ line, today }: { line: LineView["line"]; today: Day }) {
  const { id, version, name, ending } = line;
  if (ending)
    return (
      <CommandButton command="line.bring-back" input={{ id, version }}>
        It goes on
      </CommandButton>
    );
  return (
    <EndSheet
      command="line.end"
      of={line}
      name={name}
      today={today}
      endings={[
        { value: "finished", label: "Finished: what was wanted is reached, or it goes on elsewhere" },
        { value: "given-up", label: "Given up: not worth another season" },
        { value: "lost", label: "Lost: nothing of it lives" },
      ]}
      hint="Its records stay. It is not offered for sowing any more, and can be taken up again."
    />
  );
}
