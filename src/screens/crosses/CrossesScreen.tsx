import { generationName } from "@/core/custody/generation";
import { listAddress } from "@/core/lists/listed";
import { plural } from "@/core/units/plural";
import type { Crosses } from "@/views/crosses";
import type { CrossState } from "@/views/pollination";
import { parentsInWords } from "../common/crossWords";
import { ListTools } from "../common/ListTools";
import { Page } from "../common/Page";
import { Pager } from "../common/Pager";
import { SeasonPicker } from "../common/SeasonPicker";
import { type CrossLine, CrossList } from "./CrossList";
import { CrossTabs } from "./CrossTabs";
import { PlanCross } from "./PlanCross";

function inWords({ cross, tally, toDo, evenings, method }: CrossState): CrossLine {
  const line = cross.lineName.length > 22 ? `${cross.lineName.slice(0, 21)}…` : cross.lineName;
  return {
    code: cross.code,
    parents: parentsInWords(cross),
    gives: `${line} ${generationName(cross.generation, cross.backcrosses)}`,
    set: `${tally.set} / ${cross.fruitsWanted}`,
    waiting: tally.covered + tally.waiting,
    doubtful: tally.doubtful,
    lost: tally.lost,
    tonight: evenings?.tonight ? plural(evenings.tonight, method.unit) : "–",
    toDo: cross.closed ? "closed" : toDo.likely === 0 ? "none" : `${toDo.likely} (${toDo.fewest}–${toDo.most})`,
  };
}

const SHOWS = { wants: "Want flowers", underway: "Under way", enough: "Enough", closed: "Closed" };
const ORDERS = { waits: "What waits", mother: "Mother", line: "What it gives", code: "Code" };

export function CrossesScreen({ garden, band, season, seasons, list, wanting, head }: Crosses) {
  const { words, show, by } = list;
  const none = list.all === 0 && !words;
  const path = `/crosses?season=${season}`;
  return (
    <Page title="Crosses" band={band} beside={<PlanCross season={season} since={head} />}>
      <CrossTabs at="/crosses" />
      <div className="mb-5 flex flex-wrap items-center justify-between gap-4">
        <h2 className="text-2xl">
          {none
            ? "No crosses planned yet"
            : wanting === 0
              ? "Every open cross has enough under way"
              : `${wanting} ${wanting === 1 ? "cross still wants" : "crosses still want"} flowers`}
        </h2>
        <SeasonPicker path="/crosses" season={season} seasons={seasons} latitude={garden.latitude} />
      </div>
      {none ? (
        <p className="max-w-prose">
          Choose a mother and a father stand that flower together, say how many fruits or seeds you want, and the
          flowers to do are worked out.
        </p>
      ) : (
        <>
          <ListTools path={path} looked={list} shows={SHOWS} orders={ORDERS} placeholder="Parent, line or code" />
          {list.items.length === 0 ? (
            <p>No cross of this season has all of these words.</p>
          ) : (
            <CrossList lines={list.items.map(inWords)} />
          )}
          <Pager path={listAddress(path, { words, show, by })} cut={list.cut} />
        </>
      )}
    </Page>
  );
}
