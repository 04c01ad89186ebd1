"use client";
import { type EnoughInput, enoughPlants } from "@/core/inheritance/enoughPlants";
import { oddsInWords, timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { Enough } from "@/ui/Enough";
import { Working } from "@/ui/Working";
import { percent } from "../common/words";

/** Whether the stand is enough parents for its aim: chance of keeping a rare gene, inbreeding, plants wanted. */
export function PlantsEnough({ input, thumb }: { input: EnoughInput; thumb: { low: number; high: number } }) {
  const answer = enoughPlants(input);
  const risk = 1 - answer.saved;
  const chance = oddsInWords(risk, { below: 0.01, few: "less than 1 in 100" });
  const missing = Math.max(0, answer.need - input.plants);
  return (
    <div>
      <h3 className="mb-1">Enough plants?</h3>
      <Enough have={input.plants} need={answer.need}>
        {missing > 0 ? `${missing} more plants, or accept a chance of ` : "Yes. A chance of "}
        <Working
          shown={chance}
          title="Is a rare gene kept?"
          method="Plants left after roguing and mishap, worth so many evenly mating parents. The chance that a gene of this frequency is in none of them; and the inbreeding that so few bring over the generations."
          inputs={[
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
              key: "frequency",
              label: "Frequency of the gene",
              value: input.frequency,
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
            {
              key: "rogued",
              label: "Share rogued",
              value: input.rogued,
              low: 0,
              high: 0.3,
              min: 0,
              max: 0.95,
              step: 0.05,
              source: "working value",
            },
            {
              key: "mishap",
              label: "Share lost to mishap",
              value: input.mishap,
              low: 0,
              high: 0.3,
              min: 0,
              max: 0.95,
              step: 0.05,
              source: "working value",
            },
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
          ]}
          compute={(v) => {
            const tried = enoughPlants({ ...input, ...v, males: input.males === null ? null : v.males! });
            return {
              number: tried.saved,
              words: `kept ${timesInTen(tried.saved)}; ${tried.effective.toFixed(1)} effective parents; inbreeding ${percent(tried.inbreeding)} after ${v.generations} generations; ${tried.need} plants wanted`,
            };
          }}
        />{" "}
        of losing a rare gene. After roguing and mishaps {plural(answer.parents, "parent")}, worth{" "}
        {answer.effective.toFixed(0)}; kept so, inbreeding rises by {percent(answer.inbreeding)} in{" "}
        {plural(input.generations, "generation")}.
        {input.males === null ? "" : " Males and females count apart: the fewer of the two decide."} Rule of thumb:{" "}
        {thumb.low}–{thumb.high}.
      </Enough>
    </div>
  );
}
