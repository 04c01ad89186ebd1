import { dayInWords } from "@/core/calendar/day";
import { nameWithGeneration } from "@/core/custody/generation";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import type { OneTasting, Tastings } from "@/views/tasting";
import { Cautions } from "../common/Cautions";
import { Page } from "../common/Page";
import { Tag } from "../common/Tag";
import { NewTasting } from "./NewTasting";
import { TasterCodes } from "./TasterCodes";
import { isBest, TastingHost } from "./TastingHost";
import { TastingSheets } from "./TastingSheets";

type Props = Tastings & { sheets: boolean };

/** A family's tastings: set up, served blind, and what they say. */
export function TastingScreen(view: Props) {
  const { stand, band, of, sheet, hazards } = view;
  const path = `/nursery/${stand.code}/tasting`;
  if (of && sheet)
    return (
      <Page title={`Taster ${sheet.taster}`} band={band} beside={<Cautions hazards={hazards} />}>
        <h2 className="text-2xl">
          Taster {sheet.taster}: {of.scale.name}
        </h2>
        <TasterCodes
          of={{ id: of.id, scale: of.scale, closedOn: of.closedOn }}
          sheet={sheet}
          bitterPoisons={view.bitterPoisons}
        />
      </Page>
    );
  return (
    <Page
      title={`Tasting ${stand.code}`}
      band={band}
      beside={
        <>
          <HowItIsServed />
          <Cautions hazards={hazards} />
        </>
      }
    >
      <div className="mb-3 flex flex-wrap items-center gap-4 print:hidden">
        <Tag kind="family" code={stand.code} href={`/nursery/${stand.code}`} />
        <Link href={of ? path : `/nursery/${stand.code}`} className="leaf leaf-plain">
          {of ? "All tastings" : "Back to the bench"}
        </Link>
      </div>
      {of && view.sheets ? (
        <TastingSheets of={of} name={nameWithGeneration(stand)} hazards={hazards} />
      ) : of ? (
        <TastingHost of={of} code={stand.code} path={path} />
      ) : (
        <All view={view} path={path} />
      )}
    </Page>
  );
}

const HowItIsServed = () => (
  <>
    <h2>Blind, or not at all</h2>
    <p className="mt-2">
      Who knows the plant tastes what they hope for. One person cuts and lays out under the codes; the others taste in
      the order on their sheet, each in another, so that neither the first bite nor the one before weighs. Six to eight
      at one sitting; water and dry bread between.
    </p>
    <p className="mt-2 text-soft">Tasters are numbers. No names are kept.</p>
  </>
);

const headline = ({ tastings, poisonous }: Tastings): string => {
  if (poisonous) return "Nobody is to taste this";
  const open = tastings.filter(({ closedOn }) => closedOn === null).length;
  if (open > 0) return `${plural(open, "tasting")} under way`;
  return tastings.length > 0 ? "What tastings said" : "Not tasted yet";
};

function All({ view, path }: { view: Tastings; path: string }) {
  const { tastings, poisonous, scales, stand } = view;
  return (
    <>
      <h2 className="mb-2 text-2xl">{headline(view)}</h2>
      <p className="mb-4 max-w-prose text-soft">
        {nameWithGeneration(stand)}.
        {tastings.length === 0 &&
          !poisonous &&
          " Two plants or more, one scale, and as many tongues as can be found: what they agree on is worth more than what one of them hopes."}
      </p>
      {!poisonous && scales.length === 0 && (
        <p className="max-w-prose">
          A tasting needs a scale of 1 to 9 to taste on, with its ends described.{" "}
          <Link href={`/nursery/${stand.code}`}>Add one to its yardsticks</Link> first.
        </p>
      )}
      {!poisonous && scales.length > 0 && <NewTasting view={view} path={path} />}
      <ul className="rows mt-6 border-y border-rule empty:hidden">
        {tastings.map((one) => (
          <li key={one.id} className="py-3">
            <Link href={`${path}?of=${one.id}`} className="text-lg font-semibold">
              {one.scale.name}, {dayInWords(one.heldOn, "long")}
            </Link>
            <p className="text-sm">
              {plural(one.served.length, "plant")} by {plural(one.tasters, "taster")}
              {one.note && `; ${one.note}`}.{" "}
              {one.closedOn
                ? bestInWords(one)
                : `${one.progress.reduce((a, b) => a + b, 0)} of ${one.served.length * one.tasters} bites.`}
            </p>
          </li>
        ))}
      </ul>
    </>
  );
}

/** Which plants nobody can tell from the best. */
function bestInWords({ served }: OneTasting): string {
  const best = served.filter(isBest);
  const all = served.filter(({ found }) => found);
  if (best.length === all.length) return "Nobody could tell them apart for sure.";
  return `Best, and not to be told apart: ${best.map(({ plant }) => plant).join(", ")}.`;
}
