import { rangeInWords } from "@/core/isolation/verdict";
import { oddsInWords, timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { lengthInWords, type Units } from "@/core/units/units";
import { percentInWords } from "@/core/writing/figures";
import Link from "@/ui/Link";
import type { Ground, Judged } from "@/views/ground";
import { sentence } from "../common/words";
import { ShareFigure } from "./ShareFigure";
import { Apart, WaysOut } from "./WaysOut";

/** What pollen arrives at the stand in question, and what can be done. */
export function Isolation({
  judged,
  worry,
  chosen,
  askWays,
  head,
  garden,
  season,
  unseen,
}: Ground & { worry: Judged | null }) {
  const over = judged.filter((j) => j.level !== "within");
  return (
    <section aria-label="Isolation">
      {!chosen && (
        <>
          <h2 className="text-2xl">
            {judged.length === 0
              ? "No stand for seed yet"
              : over.length === 0
                ? unseen === null
                  ? "All seed is as safe as you ask"
                  : "No known pollen is over your limit"
                : `${plural(over.length, "line")} may take strange pollen`}
          </h2>
          {over.length === 0 && unseen !== null && (
            <p className="mt-2 text-sm">
              Nobody has looked around yet this season. Plants you don’t know of may add up to {percentInWords(unseen)}{" "}
              foreign pollen.
            </p>
          )}
          {judged.length === 0 && (
            <p className="mt-2 text-sm text-soft">
              Sow stands into beds, and what pollen may reach them is reckoned here, with the ways out.
            </p>
          )}
        </>
      )}
      {worry && (
        <Worry worry={worry} units={garden.units} season={season} alone={chosen !== null}>
          {askWays && <Apart ask={askWays} head={head} />}
          {!chosen && askWays && <WaysOut ask={askWays} head={head} limit={worry.limit} season={season} />}
        </Worry>
      )}
      {chosen && !worry && (
        <p className="text-sm text-soft">
          Its open seed is not asked about: none is wanted, it stands beyond the fence, or its line is crossed under
          cover only.
        </p>
      )}
    </section>
  );
}

function Worry(props: { worry: Judged; units: Units; season: number; alone: boolean; children: React.ReactNode }) {
  const { worry, units, season, alone, children } = props;
  const { thumb } = worry;
  const { kernel } = worry.stand;
  const { learned } = kernel;
  return (
    <article className="mt-4 border-t border-ink pt-3">
      <h3 className={alone ? "text-xl" : ""}>
        {alone ? "Strange pollen" : <Link href={`/ground?season=${season}&stand=${worry.code}`}>{worry.name}</Link>}
      </h3>
      <p className={`mt-1 ${worry.level === "over" ? "font-bold text-rust" : ""}`}>{worry.words}</p>
      {worry.bySource.length > 0 && (
        <>
          <p className="mt-1 text-sm text-soft">
            {sentence(timesInTen(worry.chanceOver))} it is more than you take. Nine times in ten it is{" "}
            {rangeInWords(worry)}: an order of magnitude, from a model with working values.
          </p>
          {learned && (
            <p className="mt-1 text-sm text-soft">
              {plural(learned.plants, "plant")} that you counted put the reach of its pollen at{" "}
              {lengthInWords(kernel.scale, units)} ({lengthInWords(kernel.low, units)} to{" "}
              {lengthInWords(kernel.high, units)}); the working value was {lengthInWords(learned.before.scale, units)} (
              {lengthInWords(learned.before.low, units)} to {lengthInWords(learned.before.high, units)}). They moved{" "}
              {oddsInWords(learned.weight)} of what is believed of it.
            </p>
          )}
          <ul className="rows mt-2 border-y border-rule text-sm">
            {worry.bySource.map((source) => (
              <li key={source.key} className="py-2">
                <span className="flex items-baseline justify-between gap-3">
                  <strong>{source.name}</strong>
                  <ShareFigure source={source} stand={worry.stand} />
                </span>
                <span className="block text-soft">
                  {lengthInWords(source.way.near, units)} from edge to edge,{" "}
                  {source.days > 0
                    ? `${plural(source.days, "day")} in flower together`
                    : "together only if a forecast errs"}
                  {source.way.between.length ? `, behind ${source.way.between.join(" and ")}` : ""}
                  {source.way.wind > 1.15 ? ", mostly upwind" : source.way.wind < 0.85 ? ", mostly downwind" : ""}
                  {source.degree === "freely" ? "" : `; crosses ${source.degree}`}
                </span>
              </li>
            ))}
          </ul>
          {thumb && (
            <p className="mt-2 text-sm">
              <strong>Rule of thumb: {thumb.met ? "kept" : "not kept"}.</strong> {thumb.name} stands{" "}
              {lengthInWords(thumb.metres, units)} away; for your level of care {lengthInWords(thumb.wanted, units)} are
              asked for. {thumb.met === (worry.level === "within") ? "" : disagreement(thumb.met)}
            </p>
          )}
        </>
      )}
      {children}
    </article>
  );
}

/** Why the distance and the reckoning differ. */
const disagreement = (kept: boolean) =>
  kept
    ? "The reckoning is stricter: it counts how many plants shed there, and how few of your own answer them."
    : "The reckoning is milder: the distance is meant for the worst case, whatever the number of plants, the days in common and what lies between.";
