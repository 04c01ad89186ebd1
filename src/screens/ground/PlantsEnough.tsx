"use client";
import { type EnoughInput, enoughInWords, enoughPlants, thumbsInWords } from "@/core/inheritance/enoughPlants";
import { timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import { Enough } from "@/ui/Enough";
import { Working } from "@/ui/Working";
import { inHundred } from "../common/words";

/** Whether the stand is enough parents for its aim, in one answer; what is likely lost with so many, opening to its working. */
export function PlantsEnough({ input }: { input: EnoughInput }) {
  const answer = enoughPlants(input);
  const { selfer, aim, thumbs, generations } = input;
  const oneIn = Math.round(1 / input.rare);
  return (
    <div>
      <h3 className="mb-1">Enough plants?</h3>
      <Enough have={input.plants} need={answer.need}>
        {enoughInWords(answer, aim)} A {selfer ? `form that 1 plant in ${oneIn} has` : `gene that is 1 in ${oneIn}`} is
        still among them{" "}
        <Working
          shown={timesInTen(answer.saved)}
          title="Is what is rare kept?"
          method={
            selfer
              ? "Plants left after roguing and mishap. A variety that selfs is a bundle of lines nearly alike: the chance that one which so many plants carry is among those left."
              : "Plants left after roguing and mishap, worth so many evenly mating parents. The chance that a gene of this frequency is in one of them; and the inbreeding that so few bring over the generations."
          }
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
              words: `kept ${timesInTen(tried.saved)}; ${plural(tried.parents, "parent")} left${tried.inbreeding === null ? "" : `, worth ${fixed(tried.effective, 1)}; inbreeding ${inHundred(tried.inbreeding)} after ${v.generations} generations`}`,
            };
          }}
        />
        .{" "}
        {answer.inbreeding === null
          ? "A variety that selfs loses no strength by few plants, only what differs between them."
          : `Of so many about ${plural(answer.parents, "parent")} are left after roguing and mishaps; kept so, inbreeding rises to ${inHundred(answer.inbreeding)} in ${plural(generations, "generation")}.`}
        {input.males === null ? "" : " Males and females count apart: the fewer of the two decide."} Rule of thumb:{" "}
        {thumbsInWords(thumbs)}.
      </Enough>
    </div>
  );
}
