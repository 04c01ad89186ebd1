import clsx from "clsx";
import { type CSSProperties, Suspense } from "react";
import { seeded } from "@/core/numbers/chance";
import type { Petals } from "@/core/pollination/protocol";
import { STAGES, type Stage } from "@/core/pollination/protocol";
import { GREEN, INK } from "./parts";
import { pieceOf } from "./pieces";

type Props = {
  drawing: string;
  stage: Stage;
  label: string;
  /** The colour of its flowers. */
  petals?: Petals;
  /** Which of its kind: no two flowers of a stage look the same. */
  variant?: number;
  className?: string;
};

/** How one flower differs from the next: how it leans, how large it is, which side it shows, how pale it is. */
function looksOf(variant: number): { transform: string; filter: string; leaves: number[] } {
  const luck = seeded(variant * 977 + 5);
  const between = (least: number, most: number) => least + luck() * (most - least);
  const [across, up] = [between(0.82, 1.04), between(0.8, 1.06)];
  const side = luck() < 0.5 ? -1 : 1;
  return {
    // About the foot of its stalk.
    transform: `translate(50 98) rotate(${between(-14, 14).toFixed(1)}) scale(${(side * across).toFixed(2)} ${up.toFixed(2)}) translate(-50 -98)`,
    filter: `hue-rotate(${between(-9, 9).toFixed(0)}deg) brightness(${between(0.93, 1.07).toFixed(2)})`,
    leaves: Array.from({ length: 1 + Math.floor(luck() * 3) }, () => between(-48, 48)),
  };
}

/** A leaf behind the flower. */
const Leaf = ({ turn }: { turn: number }) => (
  <path
    d="M 50 98 C 30 88, 28 62, 50 46 C 72 62, 70 88, 50 98 M 50 96 V 54"
    transform={`rotate(${turn.toFixed(0)} 50 98)`}
    fill={GREEN}
    stroke={INK}
    strokeWidth="0.8"
    opacity="0.35"
  />
);

/** A flower at a stage, drawn. */
export function FlowerStage({ drawing, stage, label, petals, variant, className }: Props) {
  const Drawn = pieceOf(drawing);
  const looks = variant === undefined ? null : looksOf(variant);
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox="0 0 100 100"
      className={clsx("block", className)}
      style={petals && ({ "--petal": `var(--petal-${petals})` } as CSSProperties)}
    >
      {looks?.leaves.map((turn) => (
        <Leaf key={turn} turn={turn} />
      ))}
      <g transform={looks?.transform} style={looks ? { filter: looks.filter } : undefined}>
        <Suspense>{Drawn && <Drawn drawing={drawing} stage={stage} />}</Suspense>
      </g>
    </svg>
  );
}

const STAGE_WORDS: Record<Stage, string> = { early: "Too early", right: "Right", late: "Too late" };

type RowProps = { drawing: string; stages: Record<Stage, string>; petals?: Petals };

/** The three stages of a step side by side, the right one marked. */
export function StageRow({ drawing, stages, petals }: RowProps) {
  return (
    <ul className="grid grid-cols-3 gap-3">
      {STAGES.map((stage) => (
        <li key={stage} className={clsx("border-t-4 pt-2", stage === "right" ? "border-moss" : "border-rule")}>
          <FlowerStage
            drawing={drawing}
            stage={stage}
            petals={petals}
            label={stages[stage]}
            className="mx-auto w-full max-w-44"
          />
          <p className="text-sm">
            <strong className="block">{STAGE_WORDS[stage]}</strong>
            {stages[stage]}
          </p>
        </li>
      ))}
    </ul>
  );
}
