"use client";
import { STAGES, type Stage } from "@/core/pollination/protocol";
import { OneOf } from "@/ui/OneOf";

const WORDS: Record<Stage, string> = { early: "Early", right: "Just right", late: "Late" };

/** How far the flower was when it was pollinated; what works here compares it. */
export function BudChoice({ bud, onChange }: { bud: Stage; onChange: (bud: Stage) => void }) {
  return (
    <div className="flex flex-wrap items-center gap-3">
      <span className="font-semibold">It was</span>
      <OneOf
        label="How far the flower was"
        value={bud}
        choices={STAGES.map((stage) => [stage, WORDS[stage]] as const)}
        onChange={onChange}
        each="min-h-12"
      />
    </div>
  );
}
