"use client";
import clsx from "clsx";
import type { KeyboardEvent } from "react";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { cornersOf } from "@/core/ground/shape";
import type { Bed } from "@/records/bed/bed";
import type { Ground, MapStand } from "@/views/ground";
import { boxOn, type Frame, onSheet, pathOn, type Size } from "./frame";
import { standsIn, wordsFor } from "./mapWords";

type Props = {
  beds: Bed[];
  stands: Ground["stands"];
  frame: Frame;
  size: Size;
  /** The stand that the right page is about. */
  concern: Id | undefined;
  onBed: (bed: Bed) => void;
  onStand: (stand: MapStand) => void;
  onFocus: (id: Id) => void;
  onKey: (event: KeyboardEvent, bed: Bed) => void;
};

const FOCUS = "outline-none focus-visible:stroke-dusk focus-visible:stroke-[4]";

/** The beds on the sheet, each stand in its part of its bed; a bed can be taken hold of, a stand opened. */
export function MapBeds({ beds, stands, frame, size, concern, onBed, onStand, onFocus, onKey }: Props) {
  return (
    <>
      {beds
        .filter((bed) => onSheet(boxOn(frame, cornersOf(bed)), size))
        .map((bed) => {
          const here = standsIn(bed, stands);
          return (
            <g key={bed.id} data-drag={`bed ${bed.id}`} className="cursor-move">
              <path
                role="button"
                tabIndex={0}
                aria-label={`Bed ${wordsFor(bed, stands)}. Arrow keys move it, with Alt they size it, comma and full stop turn it, Enter opens it`}
                className={FOCUS}
                d={pathOn(frame, cornersOf(bed), true)}
                fill="var(--leaf)"
                stroke="var(--ink)"
                strokeWidth={here.some(({ stand }) => stand.id === concern) ? 3.5 : 1.4}
                strokeDasharray={bed.outside ? "5 4" : undefined}
                onClick={() => onBed(bed)}
                onFocus={() => onFocus(bed.id)}
                onKeyDown={(event) => onKey(event, bed)}
              />
              {here.map(({ stand, part }) => (
                <path
                  key={stand.id}
                  role="button"
                  tabIndex={0}
                  aria-label={`${nameWithGeneration(stand)}, ${stand.code}`}
                  className={clsx("cursor-pointer hover:stroke-damson hover:stroke-[3]", FOCUS)}
                  d={pathOn(frame, cornersOf(part), true)}
                  fill={stand.numbered > 0 ? "url(#numbered)" : "url(#rows)"}
                  stroke={stand.id === concern && here.length > 1 ? "var(--damson)" : "var(--ink)"}
                  strokeWidth={stand.id === concern && here.length > 1 ? 3.5 : here.length > 1 ? 0.8 : 0}
                  pointerEvents="all"
                  onClick={() => onStand(stand)}
                  onKeyDown={(event) => event.key === "Enter" && onStand(stand)}
                />
              ))}
            </g>
          );
        })}
    </>
  );
}
