"use client";
import type { KeyboardEvent } from "react";
import type { Id } from "@/core/custody/id";
import { cornersOf } from "@/core/ground/shape";
import type { Bed } from "@/records/bed/bed";
import type { Ground } from "@/views/ground";
import { type Frame, pathOn } from "./frame";
import { wordsFor } from "./mapWords";

type Props = {
  beds: Bed[];
  stands: Ground["stands"];
  frame: Frame;
  /** The bed that the right page is about. */
  concern: Id | undefined;
  onOpen: (bed: Bed) => void;
  onFocus: (id: Id) => void;
  onKey: (event: KeyboardEvent, bed: Bed) => void;
};

/** The beds, with what grows in them; each can be taken hold of. */
export function MapBeds({ beds, stands, frame, concern, onOpen, onFocus, onKey }: Props) {
  return (
    <>
      {beds.map((bed) => {
        const stand = stands.find((s) => s.bedId === bed.id);
        const outline = pathOn(frame, cornersOf(bed), true);
        return (
          <g
            key={bed.id}
            data-drag={`bed ${bed.id}`}
            role="button"
            tabIndex={0}
            aria-label={`Bed ${wordsFor(bed, stands)}. Arrow keys move it, with Alt they size it, comma and full stop turn it, Enter opens its stand`}
            className="cursor-move outline-none [&:focus-visible>path]:stroke-dusk [&:focus-visible>path]:stroke-[4]"
            onClick={() => onOpen(bed)}
            onFocus={() => onFocus(bed.id)}
            onKeyDown={(event) => onKey(event, bed)}
          >
            <path
              d={outline}
              fill="var(--leaf)"
              stroke="var(--ink)"
              strokeWidth={bed.id === concern ? 3.5 : 1.4}
              strokeDasharray={bed.outside ? "5 4" : undefined}
            />
            {stand && (
              <path d={outline} fill={stand.numbered > 0 ? "url(#numbered)" : "url(#rows)"} pointerEvents="none" />
            )}
          </g>
        );
      })}
    </>
  );
}
