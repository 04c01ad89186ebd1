import { type EnoughInput, enoughPlants } from "@/core/inheritance/enoughPlants";
import { timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import type { WorkingParts } from "@/ui/OpenWorking";
import { inHundred } from "../common/words";

/** What is likely kept of what is rare with so many plants. */
export function enoughWorking(input: EnoughInput): WorkingParts {
  const { selfer } = input;
  const lost = (key: "rogued" | "mishap", label: string) => ({
    key,
    label,
    value: input[key],
    low: 0,
    high: 0.3,
    min: 0,
    max: 0.95,
    step: 0.05,
    source: "working value",
  });
  return {
    title: "Is what is rare kept?",
    method: selfer
      ? "Plants left after roguing and mishap. A variety that selfs is a bundle of lines nearly alike: the chance that one which so many plants carry is among those left."
      : "Plants left after roguing and mishap, worth so many evenly mating parents. The chance that a gene of this frequency is in one of them; and the inbreeding that so few bring over the generations.",
    inputs: [
      {
        key: "plants",
        label: "Plants",
        value: input.plants,
        min: 0,
        max: 100_000,
        step: 1,
        source: "your record",
      },
      {
        key: "rare",
        label: selfer ? "Share of plants that carry it" : "Frequency of the gene",
        value: input.rare,
        low: 0.02,
        high: 0.1,
        min: 0.001,
        max: 0.5,
        step: 0.01,
        source: "the aim of the line's school",
      },
      {
        key: "selfingRate",
        label: "Share of flowers selfed",
        value: Number(input.selfingRate.toFixed(2)),
        low: 0,
        high: 1,
        min: 0,
        max: 1,
        step: 0.05,
        source: "catalogue, by its outcrossing",
      },
      lost("rogued", "Share rogued"),
      lost("mishap", "Share lost to mishap"),
      ...(input.males === null
        ? []
        : [
            {
              key: "males",
              label: "Share that are males",
              value: input.males,
              low: 0.3,
              high: 0.7,
              min: 0.01,
              max: 0.99,
              step: 0.05,
              source: "count them as they show",
            },
          ]),
      {
        key: "generations",
        label: "Generations ahead",
        value: input.generations,
        min: 1,
        max: 100,
        step: 1,
        source: "the aim of the line's school",
      },
    ],
    compute: (v) => {
      const tried = enoughPlants({ ...input, ...v, males: input.males === null ? null : v.males! });
      return {
        number: tried.saved,
        words: `kept ${timesInTen(tried.saved)}; ${plural(tried.parents, "parent")} left${tried.inbreeding === null ? "" : `, worth ${fixed(tried.effective, 1)}; inbreeding ${inHundred(tried.inbreeding)} after ${v.generations} generations`}`,
      };
    },
  };
}
