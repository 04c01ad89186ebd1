"use client";
import type { KeyboardEvent } from "react";
import type { Id } from "@/core/custody/id";
import { middleOf, type Point } from "@/core/ground/shape";
import type { Ground } from "@/views/ground";
import { boxOn, type Frame, onSheet, pathOn, type Size } from "./frame";

type Kind = "barrier" | "source";
type Props = Pick<Ground, "barriers" | "sources"> & {
  frame: Frame;
  size: Size;
  onOpen: (kind: Kind, id: Id) => void;
  onKey: (event: KeyboardEvent, kind: Kind, id: Id) => void;
};

/** What stands beside the beds on the sheet: hedges and walls, and the pollen beyond the fence. */
export function MapShapes({ barriers, sources, frame, size, onOpen, onKey }: Props) {
  const seen = (outline: Point[]) => onSheet(boxOn(frame, outline), size);
  return (
    <>
      {barriers
        .filter(({ path }) => seen(path))
        .map((barrier) => (
          <g
            key={barrier.id}
            data-drag={`barrier ${barrier.id}`}
            role="button"
            tabIndex={0}
            aria-label={`${barrier.name}, lets ${barrier.factor} of pollen pass. Arrow keys move it, Enter opens it`}
            className="cursor-move outline-none [&:focus-visible>path]:stroke-dusk"
            onClick={() => onOpen("barrier", barrier.id)}
            onKeyDown={(event) => onKey(event, "barrier", barrier.id)}
          >
            <path
              d={pathOn(frame, barrier.path, false)}
              fill="none"
              stroke={barrier.kind === "hedge" ? "var(--moss)" : "var(--soft)"}
              strokeWidth={barrier.kind === "hedge" ? 7 : 5}
              strokeDasharray={barrier.kind === "hedge" ? "1 6" : undefined}
              strokeLinecap={barrier.kind === "hedge" ? "round" : "butt"}
            />
            <path d={pathOn(frame, barrier.path, false)} fill="none" stroke="transparent" strokeWidth="22" />
          </g>
        ))}
      {sources
        .filter(({ outline }) => seen(outline))
        .map((source) => (
          <g
            key={source.id}
            data-drag={`source ${source.id}`}
            role="button"
            tabIndex={0}
            aria-label={`${source.name}, ${source.speciesName.toLowerCase()} beyond the garden. Arrow keys move it, Enter opens it`}
            className="cursor-move outline-none [&:focus-visible>path]:stroke-[4]"
            onClick={() => onOpen("source", source.id)}
            onKeyDown={(event) => onKey(event, "source", source.id)}
          >
            {source.outline.length > 1 ? (
              <path
                d={pathOn(frame, source.outline, true)}
                fill="url(#strange)"
                stroke="var(--dusk)"
                strokeWidth="1.6"
                strokeDasharray="5 4"
              />
            ) : null}
            <circle
              cx={frame.x(middleOf(source.outline).x)}
              cy={frame.y(middleOf(source.outline).y)}
              r={source.outline.length > 1 ? 3 : 7}
              fill="var(--dusk)"
            />
            <circle
              cx={frame.x(middleOf(source.outline).x)}
              cy={frame.y(middleOf(source.outline).y)}
              r="14"
              fill="transparent"
            />
          </g>
        ))}
    </>
  );
}
