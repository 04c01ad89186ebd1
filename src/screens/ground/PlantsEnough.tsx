"use client";
import { type EnoughInput, enoughInWords, enoughPlants, thumbsInWords } from "@/core/inheritance/enoughPlants";
import { timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
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
          load={async () => (await import("./enoughWorking")).enoughWorking(input)}
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
