import type { KeyboardEvent } from "react";
import type { Plot } from "@/core/ground/shape";

/** Degrees that a bed is turned by at once, metres that a key moves something by, and a side's least, metres. */
const TURN = 5;
const STEP = 0.5;
const FAR_STEP = 5;
const LEAST = 0.5;

export const plotOf = ({ x, y, width, length, turn }: Plot): Plot => ({ x, y, width, length, turn });

/** A bearing to the nearest step of turning, 0 to under 360. */
export const turned = (degrees: number) => (((Math.round(degrees / TURN) * TURN) % 360) + 360) % 360;

type Key = Pick<KeyboardEvent, "key" | "shiftKey" | "altKey">;

/** Metres east and north that an arrow key means. */
export function arrowOf({ key, shiftKey }: Key): [east: number, north: number] | undefined {
  const by = shiftKey ? FAR_STEP : STEP;
  const arrows: Record<string, [number, number]> = {
    ArrowLeft: [-by, 0],
    ArrowRight: [by, 0],
    ArrowUp: [0, by],
    ArrowDown: [0, -by],
  };
  return arrows[key];
}

/** What a key makes of a bed: arrows move it, with Alt they size it, comma and full stop turn it. */
export function plotByKey(event: Key, bed: Plot): Plot | null {
  const plot = plotOf(bed);
  const arrow = arrowOf(event);
  if (event.key === "," || event.key === ".") plot.turn = turned(bed.turn + (event.key === "," ? -TURN : TURN));
  else if (!arrow) return null;
  else if (event.altKey) {
    plot.width = Math.max(LEAST, bed.width + arrow[0]);
    plot.length = Math.max(LEAST, bed.length + arrow[1]);
  } else {
    plot.x += arrow[0];
    plot.y += arrow[1];
  }
  return plot;
}
