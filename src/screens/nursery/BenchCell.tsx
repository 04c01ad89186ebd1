"use client";
import clsx from "clsx";
import { memo } from "react";
import type { Id } from "@/core/custody/id";
import { plural } from "@/core/units/plural";
import type { Mark } from "@/records/plant/plant";
import { MARK_SIGNS, MARKS } from "../common/standNames";

type Props = {
  id: Id;
  /** What it is called: its number, and its family where it is of another. */
  name: string;
  number: number;
  mark: Mark;
  gone: boolean;
  /** What it shows on the yardstick, and what is being typed on it. */
  shown: string;
  typing: string | null;
  /** How much of the yardstick's reach it shows, 0 to 1; null where nothing is drawn. */
  much: number | null;
  looks: number;
  pictures: number;
  /** It stands among them to measure the place by. */
  check: boolean;
  trouble: boolean;
  yardstick: string;
  current: boolean;
};

const TONES: Record<Mark, string> = {
  none: "border-rule",
  keep: "border-moss",
  "seed-parent": "border-damson",
  watch: "border-quince",
  out: "border-rust",
};
/** From this many letters on a figure is written so, to stand whole in the narrowest square. */
const SIZES: [letters: number, size: string][] = [
  [6, "text-xs"],
  [4, "text-sm"],
  [0, "text-lg"],
];

function words({ name, mark, gone, shown, looks, yardstick, trouble, pictures, check }: Props): string {
  const parts = [
    name,
    shown ? `${yardstick} ${shown}${looks > 1 ? ` of ${looks} looks` : ""}` : `${yardstick} not scored`,
    gone ? "taken out" : mark === "none" ? "" : MARKS[mark].toLowerCase(),
    check ? "check" : "",
    trouble ? "not taken" : "",
    pictures > 0 ? plural(pictures, "picture") : "",
  ];
  return parts.filter(Boolean).join(", ");
}

/** One plant where it stands: its number, what it shows on the yardstick, and its mark. */
export const BenchCell = memo(function BenchCell(props: Props) {
  const { id, number, mark, gone, shown, typing, much, looks, pictures, check, trouble, current } = props;
  return (
    <button
      type="button"
      role="gridcell"
      tabIndex={current ? 0 : -1}
      data-plant={id}
      aria-label={words(props)}
      aria-invalid={trouble || undefined}
      className={clsx(
        "relative h-14 min-w-0 cursor-pointer rounded-[3px_10px] border-2 bg-leaf px-0.5 text-center leading-none",
        TONES[mark],
        check && "border-dotted border-dusk",
        gone && "border-dashed bg-transparent text-soft",
        current && "outline-3 outline-offset-1 outline-damson",
      )}
    >
      <span className="absolute top-0.5 left-1 text-xs text-soft">
        {number}
        {looks > 1 && typing === null && ` ×${looks}`}
      </span>
      {check && mark === "none" && (
        <span className="absolute top-0.5 right-1 text-xs font-bold text-dusk" aria-hidden>
          c
        </span>
      )}
      {mark !== "none" && (
        <span className="absolute top-0.5 right-1 text-xs font-bold" aria-hidden>
          {MARK_SIGNS[mark]}
        </span>
      )}
      <span
        className={clsx(
          "block overflow-hidden pt-3 font-head font-bold whitespace-nowrap",
          SIZES.find(([letters]) => (typing ?? shown).length >= letters)![1],
          trouble && "text-rust",
        )}
      >
        {typing !== null ? `${typing}_` : gone && !shown ? "×" : shown || "·"}
      </span>
      {pictures > 0 && (
        <span aria-hidden className="absolute top-4 right-1 size-1.5 rounded-full bg-dusk" title="Has pictures" />
      )}
      {much !== null && typing === null && (
        <span aria-hidden className="absolute inset-x-1 bottom-0.5 h-1 bg-rule">
          <span className="block h-full bg-moss" style={{ width: `${Math.round(much * 100)}%` }} />
        </span>
      )}
    </button>
  );
});
