import type { ReactNode } from "react";
import type { Units } from "@/core/units/units";
import type { StandWork } from "@/views/work";
import { Part } from "../common/Part";
import { StandRow } from "./StandWork";

/** So much of a list of work is shown at once. */
export const LISTED = 6;

/** Work that is not due now, under what is said of it. */
export function WorkList(props: {
  title: string;
  when: string;
  works: StandWork[];
  day: string;
  units: Units;
  children?: ReactNode;
}) {
  const { title, when, works, day, units, children } = props;
  if (works.length === 0) return null;
  return (
    <Part title={title} when={when}>
      {works.slice(0, LISTED).map((work) => (
        <StandRow key={work.key} work={work} day={day} units={units} />
      ))}
      {works.length > LISTED && <li className="py-3 text-soft">and {works.length - LISTED} more.</li>}
      {children && <li className="py-3">{children}</li>}
    </Part>
  );
}
