import type { ReactNode } from "react";
import type { Units } from "@/core/units/units";
import type { BedWork } from "@/views/work";
import { Folded } from "./Folded";
import { WorkRow } from "./StandWork";

type Props = { said: string; groups: BedWork[]; day: string; units: Units; beside?: ReactNode };

/** Work that is not due now, folded away under what is said of it. */
export function WorkList({ said, groups, day, units, beside }: Props) {
  if (groups.length === 0) return null;
  return (
    <Folded said={said} beside={beside}>
      {groups.map((group) => (
        <WorkRow key={group.key} group={group} day={day} units={units} />
      ))}
    </Folded>
  );
}
