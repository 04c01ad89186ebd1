"use client";
import { doingOf, type StepAction } from "@/core/pollination/protocol";
import { asWaiting } from "@/core/pollination/waiting";
import type { Units } from "@/core/units/units";
import { Sheet } from "@/ui/Sheet";
import type { CrossView } from "@/views/crosses";
import { RecordStep } from "../common/recordLater";

const WORDS: Record<StepAction, string> = {
  cover: "Cover",
  gather: "Gather pollen",
  pollinate: "Pollinate",
  uncover: "Cover off",
  check: "Set or not",
  harvest: "Bring fruit in",
};

/** Every step that a flower of this cross could take next, due or not: the record follows the garden, not the plan. */
export function CrossRecord({ view, units }: { view: CrossView; units: Units }) {
  const { state, underWay, protocol, today } = view;
  const waiting = asWaiting(protocol, underWay);
  const doubtful = underWay.filter((f) => f.state === "set" && f.fault).length;
  return (
    <div className="mt-4 flex flex-wrap gap-3">
      {protocol.steps.map((step) => {
        const { begins, ripens } = doingOf(step);
        const ready = (waiting.get(step.action) ?? []).filter((f) => !ripens || !f.fault);
        const apart = ripens ? doubtful : 0;
        if (!begins && ready.length + apart === 0) return null;
        return (
          <Sheet
            key={step.action}
            trigger={`${WORDS[step.action]}${ready.length + apart ? ` (${ready.length + apart})` : ""}`}
            title={`${state.cross.code}: ${step.title}`}
          >
            {(close) => (
              <RecordStep
                crossId={state.cross.id}
                code={state.cross.code}
                unit={protocol.unit}
                petals={state.petals}
                day={today}
                step={step}
                flowers={ready}
                doubtful={apart}
                suggested={state.evenings?.tonight ?? 1}
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
