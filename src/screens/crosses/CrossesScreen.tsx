import { generationName } from "@/core/custody/generation";
import { plural } from "@/core/units/plural";
import type { Crosses } from "@/views/crosses";
import type { CrossState } from "@/views/pollination";
import { Page } from "../common/Page";
import { SeasonPicker } from "../common/SeasonPicker";
import { parentsInWords } from "../common/words";
import { type CrossLine, CrossList } from "./CrossList";
import { CrossTabs } from "./CrossTabs";
import { PlanCross } from "./PlanCross";

function inWords({ cross, tally, toDo, evenings }: CrossState): CrossLine {
  const line = cross.lineName.length > 22 ? `${cross.lineName.slice(0, 21)}…` : cross.lineName;
  return {
    code: cross.code,
    parents: parentsInWords(cross),
    gives: `${line} ${generationName(cross.generation)}`,
    set: `${tally.set} / ${cross.fruitsWanted}`,
    waiting: tally.covered + tally.waiting,
    doubtful: tally.doubtful,
    lost: tally.lost,
    tonight: evenings?.tonight ? plural(evenings.tonight, "flower") : "–",
    toDo: cross.closed ? "closed" : toDo.likely === 0 ? "none" : `${toDo.likely} (${toDo.fewest}–${toDo.most})`,
  };
}

export function CrossesScreen({ garden, band, season, seasons, crosses, head }: Crosses) {
  const openOnes = crosses.filter((c) => !c.cross.closed);
  const missing = openOnes.filter((c) => c.toDo.likely > 0);
  return (
    <Page title="Crosses" band={band} beside={<PlanCross season={season} since={head} />}>
      <CrossTabs at="/crosses" />
      <div className="mb-5 flex flex-wrap items-center justify-between gap-4">
        <h2 className="text-2xl">
          {crosses.length === 0
            ? "No crosses planned yet"
            : missing.length === 0
              ? "Every open cross has enough under way"
              : `${missing.length} ${missing.length === 1 ? "cross still wants" : "crosses still want"} flowers`}
        </h2>
        <SeasonPicker path="/crosses" season={season} seasons={seasons} latitude={garden.latitude} />
      </div>
      {crosses.length === 0 ? (
        <p className="max-w-prose">
          Choose a mother and a father stand that flower together, say how many fruits or seeds you want, and the
          flowers to do are worked out.
        </p>
      ) : (
        <CrossList lines={crosses.map(inWords)} />
      )}
    </Page>
  );
}
