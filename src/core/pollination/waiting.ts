import type { Protocol, StepAction } from "./protocol";
import type { FlowerState } from "./tally";

/** The step that a state has behind it; what is over waits for nothing. */
const BEHIND: Partial<Record<FlowerState, StepAction>> = {
  covered: "cover",
  gathered: "gather",
  pollinated: "pollinate",
  uncovered: "uncover",
  set: "check",
};

/**
 * Flowers by the step they could take next, due or not: the one after the step behind them, and once more the one that
 * is done over.
 * @example [...asWaiting({ steps: [{ action: "cover" }, { action: "pollinate" }] }, [{ state: "covered", passes: 0 }])]
 * // [["pollinate", [{ state: "covered", passes: 0 }]]]
 */
export function asWaiting<F extends { state: FlowerState; passes: number }>(
  { steps }: Protocol,
  flowers: F[],
): Map<StepAction, F[]> {
  const waiting = new Map<StepAction, F[]>();
  const add = (action: StepAction | undefined, flower: F) => {
    if (action) waiting.set(action, [...(waiting.get(action) ?? []), flower]);
  };
  for (const flower of flowers) {
    const at = steps.findIndex((step) => step.action === BEHIND[flower.state]);
    const step = steps[at];
    if (!step) continue;
    add(steps[at + 1]?.action, flower);
    if (step.again && flower.passes < step.again.times) add(step.action, flower);
  }
  return waiting;
}
