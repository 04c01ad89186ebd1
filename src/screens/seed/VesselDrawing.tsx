import type { ReactNode } from "react";
import type { Stage } from "@/core/seed/table";
import type { VesselKind } from "@/core/seed/ways";

/** What lies in a vessel, drawn: nothing, seed in its juice, or seed spread out. */
type Props = { kind: VesselKind; stage: Stage | null; soiled: boolean };

/** Seeds as they lie, the same every time. */
const SEEDS = Array.from({ length: 26 }, (_, i) => ({
  x: 12 + ((i * 37) % 62),
  y: 27 + ((i * 23) % 19),
  turn: (i * 53) % 180,
}));

const Spread = () => (
  <g fill="var(--quince-fill)">
    {SEEDS.map(({ x, y, turn }) => (
      <ellipse key={`${x} ${y}`} cx={x} cy={y} rx="2.6" ry="1.5" transform={`rotate(${turn} ${x} ${y})`} />
    ))}
  </g>
);

/** A vessel of the table, by its kind, with what is in it. Dashed where it is not clean. */
export function VesselDrawing({ kind, stage, soiled }: Props) {
  const wet = stage === "cleaning";
  const line = {
    fill: "var(--leaf)",
    stroke: "var(--ink)",
    strokeWidth: 1.5,
    strokeDasharray: soiled ? "3 3" : undefined,
  };
  const full = stage !== null;
  const shapes: Record<VesselKind, ReactNode> = {
    cup: (
      <>
        <path d="M18 10 H68 L62 58 H24 Z" {...line} />
        {full && (
          <path d="M20.4 28 H65.6 L62 58 H24 Z" fill={wet ? "var(--quince-fill)" : "var(--rule)"} opacity="0.75" />
        )}
      </>
    ),
    jar: (
      <>
        <path d="M24 8 H62 V16 H66 V58 H20 V16 H24 Z" {...line} />
        {full && <path d="M20.8 34 H65.2 V57.2 H20.8 Z" fill="var(--quince-fill)" opacity="0.75" />}
      </>
    ),
    strainer: (
      <>
        <path d="M14 24 H72 A29 24 0 0 1 14 24 Z" {...line} />
        <path d="M72 24 H84 M8 24 H14" stroke="var(--ink)" strokeWidth="2" />
        {full && <ellipse cx="43" cy="34" rx="17" ry="6" fill="var(--quince-fill)" opacity="0.8" />}
      </>
    ),
    machine: (
      <>
        <path d="M18 14 H68 L60 34 V58 H26 V34 Z" {...line} />
        <circle cx="43" cy="46" r="5" fill={full ? "var(--quince-fill)" : "none"} stroke="var(--ink)" />
      </>
    ),
    tray: (
      <>
        <path d="M6 22 H80 L74 52 H12 Z" {...line} />
        {full && <Spread />}
      </>
    ),
    plate: (
      <>
        <ellipse cx="43" cy="36" rx="38" ry="20" {...line} />
        {full && <Spread />}
      </>
    ),
    crate: (
      <>
        <path d="M8 18 H78 V56 H8 Z M8 31 H78 M8 44 H78" {...line} />
        {full && <path d="M14 18 a9 9 0 0 1 18 0 M36 18 a9 9 0 0 1 18 0 M56 18 a8 8 0 0 1 16 0" fill="var(--moss)" />}
      </>
    ),
    bag: (
      <>
        <path d="M22 12 L30 6 L38 12 L46 6 L54 12 L62 8 V58 H22 Z" {...line} />
        {full && <path d="M22.8 34 H61.2 V57.2 H22.8 Z" fill="var(--rule)" />}
      </>
    ),
  };
  return (
    <svg aria-hidden viewBox="0 0 86 62" className="h-16 w-[5.4rem]">
      {shapes[kind]}
    </svg>
  );
}
