"use client";
import { ToggleGroup } from "radix-ui";
import { STAGES, type Stage } from "@/core/pollination/protocol";

const WORDS: Record<Stage, string> = { early: "Early", right: "Just right", late: "Late" };

/** How far the flower was when it was pollinated; what works here compares it. */
export function BudChoice({ bud, onChange }: { bud: Stage; onChange: (bud: Stage) => void }) {
  return (
    <div className="flex flex-wrap items-center gap-3">
      <span className="font-semibold">It was</span>
      <ToggleGroup.Root
        type="single"
        value={bud}
        onValueChange={(value) => value && onChange(value as Stage)}
        aria-label="How far the flower was"
        className="flex gap-2"
      >
        {STAGES.map((stage) => (
          <ToggleGroup.Item
            key={stage}
            value={stage}
            className="leaf min-h-12 data-[state=on]:bg-damson data-[state=on]:text-on-damson"
          >
            {WORDS[stage]}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}
