"use client";
import { useState } from "react";
import type { Id } from "@/core/custody/id";
import { isKept } from "@/core/selection/marks";
import { counts, summarise } from "@/core/selection/ranking";
import { timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import { Sheet } from "@/ui/Sheet";
import { useJobResult } from "@/ui/useJob";
import type { Family, YardstickView } from "@/views/family";
import type { FamilyWorth, PlantWorth, WorthOfYardstick } from "@/views/worth";
import { CommandButton } from "../common/command";
import { percent } from "../common/words";
import { Gain } from "./Gain";
import { notKept } from "./notKept";
import { meanInWords, unitOf } from "./yardstickWords";

/** How many are shown beyond the best. */
const BEYOND = 3;
/** What a ranked plant takes on the page, what stands around them, and what is said of keeping so many, px. */
const [ROW, AROUND, OF_KEEPING] = [85, 165, 165];
/** "Nobody can say yet" on two lines, px. */
const NOBODY = 48;

/** About what the answer will take on the page, px: what stands below it is not to move away under a finger when it comes. */
function roomOf({ plants, yardsticks }: Family, best: number): number {
  if (!yardsticks.some(({ family, mostly }) => family || mostly)) return NOBODY;
  const standing = plants.filter(({ removedOn }) => removedOn === null).length;
  return AROUND + ROW * Math.min(standing, best + BEYOND) + (standing < best ? 0 : OF_KEEPING);
}

/** Who is really better: the best plants as parents, each with how sure that is, why, and the press that keeps them. */
export function Better({ view }: { view: Family }) {
  const kept = view.plants.filter(({ mark, removedOn }) => removedOn === null && isKept(mark));
  const [best, setBest] = useState(kept.length > 1 ? kept.length : 5);
  const [open, setOpen] = useState(false);
  const [across, setAcross] = useState(false);
  const asked = useJobResult<FamilyWorth>(
    "/api/jobs/nursery.worth",
    { standId: view.stand.id, best, open, across },
    view.head,
  );
  const { result, trouble } = asked;
  if (trouble)
    return (
      <p role="alert" className="text-rust">
        Who is better could not be reckoned: {trouble}
      </p>
    );
  return (
    <section aria-label="Who is really better">
      <h2>Who is really better?</h2>
      {view.sisters > 0 && (
        <label className="mt-2 flex min-h-11 items-center gap-2">
          <input type="checkbox" checked={across} onChange={(event) => setAcross(event.target.checked)} />
          With {view.sisters === 1 ? "its sister family" : `its ${view.sisters} sister families`}
        </label>
      )}
      {result?.plants.length === 0 ? (
        <p className="mt-2">
          Nobody can say yet: score at least two plants on something that is wanted of them, and that differs.
        </p>
      ) : (
        <div className="mt-2" style={{ minHeight: roomOf(view, best) }}>
          {result ? (
            <Ranked view={view} worth={result} best={best} onBest={setBest} open={open} onOpen={setOpen} />
          ) : (
            <p role="status" className="text-soft">
              Reckoning with places, kin and second looks …
            </p>
          )}
        </div>
      )}
    </section>
  );
}

type RankedProps = {
  view: Family;
  worth: FamilyWorth;
  best: number;
  onBest: (best: number) => void;
  open: boolean;
  onOpen: (open: boolean) => void;
};

function Ranked({ view, worth, best, onBest, open, onOpen }: RankedProps) {
  const { plants, out } = worth;
  const shown = plants.slice(0, best + BEYOND);
  const low = Math.min(...shown.map((p) => p.low));
  const high = Math.max(...shown.map((p) => p.high));
  const at = (value: number) => `${((value - low) / (high - low || 1)) * 100}%`;
  const toKeep = notKept(plants.slice(0, best));
  const why = reasonsAmong(plants, view.yardsticks);
  return (
    <>
      <label className="flex flex-wrap items-center gap-2">
        The best
        <input
          type="number"
          min={1}
          max={plants.length}
          value={best}
          aria-label="How many are kept"
          onChange={(event) => onBest(Math.min(plants.length, Math.max(1, Number(event.target.value) || 1)))}
          className="w-20"
        />
        as parents, and how sure that is
      </label>
      <ol className="rows mt-3 border-y border-rule">
        {shown.map((plant, i) => (
          <li key={plant.id} className={i === best ? "border-t-2 border-t-ink! py-2" : "py-2"}>
            <div className="flex items-baseline justify-between gap-3">
              <strong className="text-lg">
                Plant {plant.number}
                {plant.code !== view.stand.code && <span className="text-sm font-normal"> of {plant.code}</span>}
              </strong>
              <span className="text-right text-sm">
                among the best {best}: {timesInTen(plant.amongBest)}
              </span>
            </div>
            <div className="relative my-1 h-3 bg-paper" aria-hidden>
              <span
                className="absolute inset-y-1 bg-soft"
                style={{ left: at(plant.low), right: `calc(100% - ${at(plant.high)})` }}
              />
              <span className="absolute inset-y-0 w-1 bg-damson" style={{ left: at(plant.index) }} />
            </div>
            <p className="text-sm text-soft">{why(plant)}</p>
          </li>
        ))}
      </ol>
      {worth.alike && (
        <p className="mt-2 border-l-4 border-quince pl-3">
          As far as is known these plants are of one pure line: what they differ by is hardly inherited, and choosing
          among them changes little.
        </p>
      )}
      <Missing view={view} worth={worth} />
      <p className="mt-2 text-sm text-soft">
        The mark is what its seed would most likely be worth, the bar where that lies nine times in ten.
        {out > 0 && ` ${plural(out, "plant")} put out by a floor or ceiling ${out === 1 ? "is" : "are"} left out.`}
      </p>
      <Gain view={view} worth={worth} best={best} open={open} onOpen={onOpen} />
      <div className="mt-3 flex flex-wrap items-center gap-3">
        {toKeep.length > 0 && (
          <CommandButton command="plant.marks" input={{ ids: toKeep, mark: "keep", reason: "best by the aim" }} strong>
            Keep {toKeep.length === 1 ? "it" : `these ${toKeep.length}`}
          </CommandButton>
        )}
        <Sheet trigger="How it is reckoned" title="Who is really better: the working" plain>
          {() => <Working view={view} worth={worth} />}
        </Sheet>
      </div>
    </>
  );
}

/** How much of the aim nobody has looked at yet. */
function Missing({ view, worth }: Pick<RankedProps, "view" | "worth">) {
  const wanted = view.yardsticks.filter(counts);
  const seen = new Set(worth.yardsticks.map(({ id }) => id));
  const missing = wanted.filter(({ id }) => !seen.has(id));
  if (missing.length === 0) return null;
  const weightOf = (list: YardstickView[]) => list.reduce((sum, { weight }) => sum + weight, 0);
  return (
    <p className="mt-2 border-l-4 border-quince pl-3">
      Only {percent(1 - weightOf(missing) / weightOf(wanted))} of what is wanted was looked at. Not yet:{" "}
      {missing.map(({ name }) => name).join(", ")}.
    </p>
  );
}

/** How many reasons are said. */
const REASONS = 2;

/** What a place rests on: the yardsticks on which a plant stands out most of all, towards the aim or against it. */
function reasonsAmong(all: PlantWorth[], yardsticks: YardstickView[]): (plant: PlantWorth) => string {
  const scales = yardsticks.flatMap((y) => {
    const values = all.flatMap(({ traits }) => traits[y.id]?.value ?? []);
    const known = y.wanted === "none" ? null : summarise(values);
    return known ? [{ y, ...known }] : [];
  });
  return ({ traits }) => {
    const reasons = scales.map(({ y, mean, spread }) => {
      const { value } = traits[y.id]!;
      return { y, value, away: spread ? (Math.abs(value - mean) / spread) * y.weight : 0 };
    });
    reasons.sort((a, b) => b.away - a.away);
    return `Its seed: ${reasons
      .slice(0, REASONS)
      .map(({ y, value }) => seedInWords(y, value))
      .join(", ")}`;
  };
}

function seedInWords(y: YardstickView, value: number): string {
  const name = y.kind === "category" ? (y.targetWord ?? y.name) : y.name;
  if (y.kind === "category" || y.kind === "yes-no") return `${name} in ${percent(Math.min(1, Math.max(0, value)))}`;
  return `${name} ${meanInWords(value, null, unitOf(y))}`;
}

const PLACES = {
  none: "places tell nothing: values as they are",
  slope: "a slope through the bed",
  grid: "blocks of the bed",
  neighbours: "the neighbours' mean",
  checks: "the checks nearby",
} as const;

const inheritedFrom = ({ heritability: { from } }: WorthOfYardstick): string =>
  from.length === 0
    ? "a guess"
    : `a guess corrected by ${from.map((one) => (one === "parents" ? "parents and offspring" : "second looks")).join(" and ")}`;

function Working({ view, worth }: { view: Family; worth: FamilyWorth }) {
  const of = (id: Id) => view.yardsticks.find((y) => y.id === id)!;
  return (
    <div className="grid grid-cols-1 gap-4">
      <p>
        For each yardstick: the figures are set right for the day of the look and the place in the bed, then breeding
        values are predicted over the whole pedigree by mixed-model equations, and drawn again and again as they may be
        in truth. Each draw is weighed by the aim and ranked; how often a plant is among the best is counted. What two
        yardsticks share is left out.
      </p>
      <ul className="rows border-y border-rule">
        {worth.yardsticks.map((one) => {
          const { id, seen, kin, age, place, heritability } = one;
          const { name } = of(id);
          return (
            <li key={id} className="py-3">
              <p className="font-semibold">{name}</p>
              <p className="text-sm">
                {plural(seen, "plant")} here{kin > 0 ? `, ${kin} of their kin` : ""}.{" "}
                {age.perDay !== 0 &&
                  `Age at the look: ${fixed(Math.abs(age.perDay), 2)} ${age.perDay > 0 ? "more" : "less"} a day, set right. `}
                Place: {PLACES[place.model]}
                {place.model === "none" ? "" : `, which explains ${percent(place.explained)}`}. Inherited of what sibs
                differ by: {percent(heritability.likely)} ({percent(heritability.low)} to {percent(heritability.high)}),{" "}
                {inheritedFrom(one)}.
              </p>
            </li>
          );
        })}
      </ul>
      <div className="overflow-x-auto">
        <table className="ruled w-full text-sm">
          <thead>
            <tr>
              <th scope="col">Plant</th>
              <th scope="col">Worth</th>
              {worth.yardsticks.map(({ id }) => (
                <th key={id} scope="col">
                  {of(id).name}
                  <span className="block font-normal text-soft">its seed, reliability</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {worth.plants.slice(0, 40).map((plant) => (
              <tr key={plant.id}>
                <td className="whitespace-nowrap">
                  {plant.number}
                  {plant.code !== view.stand.code && ` of ${plant.code}`}
                </td>
                <td className="whitespace-nowrap">
                  {fixed(plant.index, 2)}{" "}
                  <span className="text-soft">
                    {fixed(plant.low, 1)} to {fixed(plant.high, 1)}
                  </span>
                </td>
                {worth.yardsticks.map(({ id }) => {
                  const own = plant.traits[id]!;
                  return (
                    <td key={id} className="whitespace-nowrap">
                      {meanInWords(own.value, null, "")} <span className="text-soft">{percent(own.reliability)}</span>
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}
