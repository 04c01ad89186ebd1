"use client";
import { lazy, Suspense, useState } from "react";
import type { WorkingProps } from "./OpenWorking";

const OpenWorking = lazy(async () => ({ default: (await import("./OpenWorking")).OpenWorking }));

/** A computed figure that opens; its working is made when it is pressed, as a screen may have a hundred figures. */
export function Working(props: WorkingProps) {
  const [open, setOpen] = useState(false);
  const button = (
    <button
      type="button"
      className="opens"
      aria-haspopup="dialog"
      aria-label={`${props.shown}: show the working`}
      onClick={open ? undefined : () => setOpen(true)}
    >
      {props.shown}
    </button>
  );
  if (!open) return button;
  return (
    <Suspense fallback={button}>
      <OpenWorking {...props} trigger={button} onClose={() => setOpen(false)} />
    </Suspense>
  );
}
