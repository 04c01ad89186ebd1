import { dayInWords } from "@/core/calendar/day";
import { generationName } from "@/core/custody/generation";
import { isKept } from "@/core/selection/marks";
import { hasEnds } from "@/core/traits/kinds";
import { plural } from "@/core/units/plural";
import { Further } from "@/ui/Further";
import Link from "@/ui/Link";
import type { Family } from "@/views/family";
import { Cautions } from "../common/Cautions";
import { Notes } from "../common/Notes";
import { Page } from "../common/Page";
import { Raised } from "../common/Raised";
import { StandLife } from "../common/StandLife";
import { Tag } from "../common/Tag";
import { Bench } from "./Bench";
import { Better } from "./Better";
import { CountForm } from "./CountForm";
import { MarkSeveral } from "./MarkSeveral";
import { Mothers } from "./Mothers";
import { NextGeneration } from "./NextGeneration";
import { isSize, SortBySize } from "./SortBySize";
import { Through } from "./Through";
import { Yardsticks } from "./Yardsticks";

/** How many seeds, and how many of them came up and stand; of what is only planned, how many are meant. */
function sownInWords({ planned, sowedSeeds, wanted, cameUp, plants }: Family["stand"]): string {
  if (planned)
    return `${sowedSeeds ? `: ${plural(sowedSeeds, "seed")}` : ""}${wanted ? ` for ${plural(wanted, "plant")}` : ""}`;
  if (!sowedSeeds) return "";
  return `: ${plural(sowedSeeds, "seed")}, ${cameUp ?? "not yet counted"} came up, ${plants ?? 0} planted`;
}

export function FamilyScreen(view: Family & { chosen: number | null }) {
  const { stand, plants, hazards, lot, band } = view;
  const standing = plants.filter((p) => p.removedOn === null);
  const standsHere = plants.length > 0 && !stand.planned;
  const chosen = standing.filter(({ mark }) => isKept(mark));
  return (
    <Page
      title={`Family ${stand.code}`}
      band={band}
      beside={
        <>
          {(stand.school === "let-it-mix" || view.trials.length > 0) && <Through view={view} />}
          {standsHere && view.yardsticks.length > 0 && <Better view={view} />}
          <Yardsticks view={view} />
          {!stand.planned && (
            <NextGeneration
              stand={stand}
              plants={chosen}
              units={view.garden.units}
              parentsWanted={view.parentsWanted}
              sistersKept={view.sistersKept}
              head={view.head}
            />
          )}
          <Mothers view={{ stand, mothers: view.mothers }} />
          <Cautions hazards={hazards} />
        </>
      }
    >
      <div className="flex flex-wrap items-center gap-x-2 gap-y-1">
        <Tag kind={stand.family ? "family" : "stand"} code={stand.code} />
        {standsHere && <MarkSeveral view={view} />}
        <CountForm stand={stand} beds={view.beds} />
        <Notes of="standId" id={stand.id} name={stand.code} />
      </div>
      <Further of="More to do with it">
        <div className="flex flex-wrap items-center gap-x-2 gap-y-1">
          {(stand.overwinter === "lifted" || stand.liftedOn) && view.yardsticks.some(isSize) && (
            <SortBySize view={view} />
          )}
          {plants.length > 0 && (
            <Link href={`/nursery/${stand.code}/roguing`} className="leaf leaf-plain">
              Roguing
            </Link>
          )}
          {view.yardsticks.length > 0 && (
            <Link href={`/nursery/${stand.code}/compare`} className="leaf leaf-plain">
              Compare
            </Link>
          )}
          {view.yardsticks.some(hasEnds) && (
            <Link href={`/nursery/${stand.code}/tasting`} className="leaf leaf-plain">
              Taste
            </Link>
          )}
          <Link href={`/lines/from/${stand.code}`} className="leaf leaf-plain">
            Pedigree
          </Link>
          <a className="leaf leaf-plain" href={`/api/tags/stand/${stand.code}`}>
            {stand.crates || stand.trays ? "Print its tags" : "Print its tag"}
          </a>
        </div>
      </Further>
      <h2 className="mt-1 break-words text-2xl">
        <Link href={`/lines/${stand.lineCode}`}>{stand.lineName}</Link>{" "}
        {generationName(stand.generation, stand.backcrosses)}
      </h2>
      <p className="mb-3 text-soft">
        {lot ? (
          <>
            From lot <Link href={`/seed/${lot.code}`}>{lot.code}</Link>
            {lot.motherCode ? `, mother ${lot.motherCode}${lot.motherNumber ? ` plant ${lot.motherNumber}` : ""}` : ""}.{" "}
          </>
        ) : null}
        {stand.planned ? "To be sown" : "Sown"} {dayInWords(stand.sown, "long")}
        {sownInWords(stand)}.{" "}
        {standsHere &&
          `${plural(standing.length, "plant")} standing, ${chosen.length} kept, ${plants.length - standing.length} taken out.`}{" "}
        {stand.planned ? "Would flower" : "First flower"} {stand.window.observed ? "seen" : "forecast"}{" "}
        {dayInWords(stand.window.start)}.
      </p>
      {!standsHere ? (
        <div className="max-w-prose">
          <h3>{stand.planned ? "Not sown yet" : "No plants stand here yet"}</h3>
          <p className="mt-2">
            {stand.planned
              ? "Today says when to sow it. Each plant gets its number once it is counted."
              : "Count what came up and what is planted; each plant then gets its number and its row for scores."}
          </p>
        </div>
      ) : (
        <Bench view={view} />
      )}
      <div className="my-6">
        <StandLife stand={stand} today={view.today} />
      </div>
      <Raised raised={view.raised} />
    </Page>
  );
}
