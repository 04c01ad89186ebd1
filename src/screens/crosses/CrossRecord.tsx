"use client";
import type { StepAction } from "@/core/pollination/steps";
import type { FlowerState } from "@/core/pollination/tally";
import type { Units } from "@/core/units/units";
import { Sheet } from "@/ui/Sheet";
import type { CrossView } from "@/views/crosses";
import { RecordStep } from "../common/RecordStep";

const BEFORE: Record<StepAction, FlowerState | null> = {
  cover: null,
  pollinate: "covered",
  check: "pollinated",
  harvest: "set",
};
const WORDS: Record<StepAction, string> = {
  cover: "Cover buds",
  pollinate: "Pollinate",
  check: "Set or not",
  harvest: "Bring fruit in",
};

/** Every step that a flower of this cross could take next, due or not: the record follows the garden, not the plan. */
export function CrossRecord({ view, units }: { view: CrossView; units: Units }) {
  const { state, flowers, protocol, today } = view;
  return (
    <div className="mt-4 flex flex-wrap gap-3">
      {protocol?.steps.map((step) => {
        const ready = flowers.filter((f) => f.state === BEFORE[step.action]);
        if (BEFORE[step.action] && ready.length === 0) return null;
        return (
          <Sheet
            key={step.action}
            trigger={`${WORDS[step.action]}${ready.length ? ` (${ready.length})` : ""}`}
            title={`${state.cross.code}: ${step.title}`}
          >
            {(close) => (
              <RecordStep
                crossId={state.cross.id}
                day={today}
                step={step}
                flowers={ready}
                suggested={state.tonight}
                units={units}
                onDone={close}
              />
            )}
          </Sheet>
        );
      })}
    </div>
  );
}
