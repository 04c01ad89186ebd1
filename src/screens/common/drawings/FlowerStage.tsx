import clsx from "clsx";
import { STAGES, type Stage } from "@/core/pollination/protocol";
import { CUPS } from "./cups";
import { FRUITS } from "./fruits";
import { GOURDS } from "./gourds";
import { GRASSES } from "./grasses";
import { HEADS } from "./heads";
import { LEGUMES } from "./legumes";
import type { Drawing } from "./parts";

const DRAWINGS: Record<string, Drawing> = { ...GOURDS, ...CUPS, ...LEGUMES, ...HEADS, ...FRUITS, ...GRASSES };

/** Every drawing there is, for the test that the catalogue names no other. */
export const DRAWING_NAMES = Object.keys(DRAWINGS);

type Props = { drawing: string; stage: Stage; label: string; className?: string };

/** A flower at a stage, drawn. */
export function FlowerStage({ drawing, stage, label, className }: Props) {
  const draw = DRAWINGS[drawing]?.[stage];
  return (
    <svg role="img" aria-label={label} viewBox="0 0 100 100" className={clsx("block", className)}>
      {draw?.()}
    </svg>
  );
}

const STAGE_WORDS: Record<Stage, string> = { early: "Too early", right: "Right", late: "Too late" };

/** The three stages of a step side by side, the right one marked. */
export function StageRow({ drawing, stages }: { drawing: string; stages: Record<Stage, string> }) {
  return (
    <ul className="grid grid-cols-3 gap-3">
      {STAGES.map((stage) => (
        <li key={stage} className={clsx("border-t-4 pt-2", stage === "right" ? "border-moss" : "border-rule")}>
          <FlowerStage drawing={drawing} stage={stage} label={stages[stage]} className="mx-auto w-full max-w-28" />
          <p className="text-sm">
            <strong className="block">{STAGE_WORDS[stage]}</strong>
            {stages[stage]}
          </p>
        </li>
      ))}
    </ul>
  );
}
