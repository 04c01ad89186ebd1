import { offTypeBound } from "@/core/purity/offTypes";
import type { SeasonCount } from "@/core/purity/offTypeTest";
import { SURE } from "@/core/purity/standing";
import type { WorkingParts } from "@/ui/OpenWorking";
import { atMost } from "./trueWords";

/** The most that the share of off-types can be. */
export function offTypeWorking({ seasons }: { seasons: SeasonCount[] }): WorkingParts {
  const sum = (of: "plants" | "offTypes") => seasons.reduce((all, one) => all + one[of], 0);
  return {
    title: "How many off-types at most?",
    method:
      "The share of off-types that so many among so many plants leave possible: Clopper and Pearson's exact bound, one-sided. None seen is not none there: of 60 plants without one, up to 5 in 100 may be.",
    inputs: [
      {
        key: "offTypes",
        label: "Off-types seen",
        value: sum("offTypes"),
        min: 0,
        max: 100_000,
        step: 1,
        source: "plants removed for a reason that is described as an off-type",
      },
      {
        key: "plants",
        label: "Plants looked at",
        value: sum("plants"),
        min: 1,
        max: 100_000,
        step: 1,
        source: "scored, marked or removed one by one, or counted on a walk; without what was lost otherwise",
      },
      {
        key: "sure",
        label: "How sure",
        value: SURE,
        low: 0.8,
        high: 0.99,
        min: 0.5,
        max: 0.999,
        step: 0.01,
        source: "nineteen times in twenty",
      },
    ],
    compute: (v) => {
      const offTypes = Math.min(v.offTypes!, v.plants!);
      const number = offTypeBound({ offTypes, plants: v.plants!, confidence: v.sure! }).upper;
      return { number, words: `≤ ${atMost(number)}` };
    },
  };
}
