"use client";
import { useState } from "react";
import { fetched, later } from "./later";
import { Meanwhile } from "./Meanwhile";
import type { WorkingParts } from "./OpenWorking";

const OpenWorking = later(async () => (await import("./OpenWorking")).OpenWorking);

type Props = {
  /** The figure as the screen shows it. */
  shown: string;
  /** Its working, fetched with what it is reckoned by. */
  load: () => Promise<WorkingParts>;
};

/** A computed figure that opens; its working is made when it is pressed, as a screen may have a hundred figures. */
export function Working({ shown, load }: Props) {
  const [parts, setParts] = useState<Promise<WorkingParts> | null>(null);
  const button = (
    <button
      type="button"
      className="opens"
      aria-haspopup="dialog"
      aria-label={`${shown}: show the working`}
      onClick={parts ? undefined : () => setParts(fetched(load))}
    >
      {shown}
    </button>
  );
  if (!parts) return button;
  return (
    <Meanwhile fallback={button}>
      <OpenWorking parts={parts} trigger={button} onClose={() => setParts(null)} />
    </Meanwhile>
  );
}
