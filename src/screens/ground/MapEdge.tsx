"use client";
import type { KeyboardEvent } from "react";
import type { EdgeMark } from "./labels";
import { widthOf, wordsBox } from "./labels";

type Props = { marks: EdgeMark[]; onOpen: (key: string) => void };

/** What lies off the sheet, at its edge: which way, how far, and open to a press. */
export function MapEdge({ marks, onOpen }: Props) {
  return (
    <>
      {marks.map(({ key, words, tip, angle, x, y }) => {
        const { left, top } = wordsBox(x, y, words);
        return (
          <g
            key={key}
            role="button"
            tabIndex={0}
            data-edge={key}
            aria-label={`${key.startsWith("bed") ? "Bed " : ""}${words}, off the sheet. Enter opens it`}
            className="cursor-pointer outline-none [&:focus-visible>rect]:stroke-dusk [&:focus-visible>rect]:stroke-[3] [&:hover>rect]:stroke-damson"
            onClick={() => onOpen(key)}
            onKeyDown={(event: KeyboardEvent) => {
              if (event.key !== "Enter") return;
              // Without this the same Enter would press what the sheet puts under it.
              event.preventDefault();
              onOpen(key);
            }}
          >
            <rect
              x={left - 4}
              y={top - 4}
              width={widthOf(words) + 6}
              height="22"
              rx="3"
              fill="var(--paper)"
              stroke="var(--rule)"
            />
            <path
              d={`M${tip.x} ${tip.y}L${Math.min(Math.max(tip.x, left), left + widthOf(words))} ${tip.y < y ? top - 4 : top + 18}`}
              stroke="var(--rule)"
              strokeWidth="1.5"
            />
            <path
              d="M6 0L-5 -6V6Z"
              transform={`translate(${tip.x} ${tip.y}) rotate(${angle})`}
              className={key.startsWith("bed") ? "fill-ink" : "fill-dusk"}
            />
            <text x={x} y={y} className={`text-[13px] ${key.startsWith("bed") ? "fill-ink" : "fill-dusk"}`}>
              {words}
            </text>
          </g>
        );
      })}
    </>
  );
}
