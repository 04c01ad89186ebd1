"use client";
import { useState } from "react";
import type { Id } from "@/core/custody/id";
import { isKept } from "@/core/selection/marks";
import { counts, summarise } from "@/core/selection/ranking";
import { plural } from "@/core/units/plural";
import { chanceInWords, percentInWords } from "@/core/writing/figures";
import { fixed } from "@/core/writing/numbers";
import { Sheet } from "@/ui/Sheet";
import { useJobResult } from "@/ui/useJob";
import type { Family, YardstickView } from "@/views/family";
import type { FamilyWorth, PlantWorth } from "@/views/worth";
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
  const [best, setBest] = useState(kept.length > 1 ? kept.length : view.parentsToKeep);
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
        There is no ranking: {trouble}
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
        <p className="mt-2">Not known yet. Score at least two plants on a wanted trait in which they differ.</p>
      ) : (
        <div className="mt-2" style={{ minHeight: roomOf(view, best) }}>
          {result ? (
            <Ranked view={view} worth={result} best={best} onBest={setBest} open={open} onOpen={setOpen} />
          ) : (
            <p role="status" className="text-soft">
              Calculating …
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

/** Chance from which it is said that those to keep are better than the next. */
const TOLD_APART = 0.9;

function Ranked({ view, worth, best, onBest, open, onOpen }: RankedProps) {
  const { plants, out, advice } = worth;
  const byId = new Map(plants.map((plant) => [plant.id, plant]));
  const advised = new Set(advice.keep);
  // Those to keep first, then the best of the others.
  const shown = [
    ...advice.keep.map((id) => byId.get(id)!),
    ...plants.filter(({ id }) => !advised.has(id)).slice(0, BEYOND),
  ];
  const low = Math.min(...shown.map((p) => p.low));
  const high = Math.max(...shown.map((p) => p.high));
  const at = (value: number) => `${((value - low) / (high - low || 1)) * 100}%`;
  const toKeep = notKept(shown.slice(0, best));
  const why = reasonsAmong(worth, view.yardsticks);
  return (
    <>
      <label className="flex flex-wrap items-center gap-2">
        Keep
        <input
          type="number"
          min={1}
          max={plants.length}
          value={best}
          aria-label="How many are kept"
          onChange={(event) => onBest(Math.min(plants.length, Math.max(1, Number(event.target.value) || 1)))}
          className="w-20"
        />
        as parents
      </label>
      <p className="mt-2">
        {plants.length <= best
          ? "That is all of them."
          : advice.apart >= TOLD_APART
            ? `These ${best} are better than the next ${Math.min(best, plants.length - best)}: ${chanceInWords(advice.apart)}.`
            : `These ${shown.length} can’t be told apart: choose ${best} of them by eye.`}
        {view.sisters > 0 && best > 1 && " Families are held apart where nobody can say which is best."}
      </p>
      <ol className="rows mt-3 border-y border-rule">
        {shown.map((plant, i) => (
          <li key={plant.id} className={i === best ? "border-t-2 border-t-ink! py-2" : "py-2"}>
            <div className="flex items-baseline justify-between gap-3">
              <strong className="text-lg">
                Plant {plant.number}
                {plant.code !== view.stand.code && <span className="text-sm font-normal"> of {plant.code}</span>}
              </strong>
              <span className="text-right text-sm">
                in the best {best}: {chanceInWords(plant.amongBest)}
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
          As far as is known these plants are of one pure line. Choosing among them changes little.
        </p>
      )}
      <Missing view={view} worth={worth} />
      <p className="mt-2 text-sm text-soft">
        The mark is the breeding value, the bar its range. Ranges hold the true figure in 9 of 10 cases.
        {out > 0 && ` ${plural(out, "plant")} outside a floor or ceiling ${out === 1 ? "is" : "are"} left out.`}
      </p>
      <Gain view={view} worth={worth} best={best} open={open} onOpen={onOpen} />
      <div className="mt-3 flex flex-wrap items-center gap-3">
        {toKeep.length > 0 && (
          <CommandButton command="plant.marks" input={{ ids: toKeep, mark: "keep", reason: "best by the aim" }} strong>
            Keep {toKeep.length === 1 ? "it" : `these ${toKeep.length}`}
          </CommandButton>
        )}
        <Sheet trigger="How it is calculated" title="Who is really better: the working" plain>
          {() => <Working view={view} worth={worth} />}
        </Sheet>
      </div>
    </>
  );
}

/** How much of the aim nobody has looked at yet. */
function Missing({ view, worth }: Pick<RankedProps, "view" | "worth">) {
  const wanted = view.yardsticks.filter(counts);
  const seen = new Set([...worth.yardsticks.map(({ id }) => id), ...worth.genes]);
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

/** What a place rests on: the traits on which a plant stands out most of all, and what it carries of wanted categories. */
function reasonsAmong({ plants, genes }: FamilyWorth, yardsticks: YardstickView[]): (plant: PlantWorth) => string {
  const scales = yardsticks.flatMap((y) => {
    const values = plants.flatMap(({ traits }) => traits[y.id]?.value ?? []);
    const known = y.wanted === "none" ? null : summarise(values);
    return known ? [{ y, ...known }] : [];
  });
  return (plant) => {
    const reasons = scales.map(({ y, mean, spread }) => {
      const { value } = plant.traits[y.id]!;
      return { y, value, away: spread ? (Math.abs(value - mean) / spread) * y.weight : 0 };
    });
    reasons.sort((a, b) => b.away - a.away);
    const carried = genes.map((id) => carriedInWords(yardsticks.find((y) => y.id === id)!, plant.genes[id]!));
    const told = reasons.slice(0, REASONS).map(({ y, value }) => `${y.name} ${meanInWords(value, null, unitOf(y))}`);
    return `Offspring: ${[...told, ...carried].join("; ")}`;
  };
}

/** Chances under which a wanted category is as good as lost, and over which as good as fixed. */
const AS_GOOD_AS = { lost: 0.05, fixed: 0.95 };

/** What a plant may give of a wanted category. */
function carriedInWords(y: YardstickView, { now, later }: PlantWorth["genes"][Id]): string {
  const name =
    y.wanted === "category"
      ? `${y.targetWord}`
      : y.wanted === "no"
        ? `no ${y.name.toLowerCase()}`
        : y.name.toLowerCase();
  if (later < AS_GOOD_AS.lost) return `can’t give ${name}`;
  if (now > AS_GOOD_AS.fixed) return `all ${name}`;
  return later > AS_GOOD_AS.fixed ? `still gives ${name}` : `may give ${name}: ${chanceInWords(later)}`;
}

function Working({ view, worth }: { view: Family; worth: FamilyWorth }) {
  const of = (id: Id) => view.yardsticks.find((y) => y.id === id)!;
  return (
    <div className="grid grid-cols-1 gap-4">
      <p>
        One model takes all looks together: the beds’ seasons, the pedigree, each row, and the place in the bed. It also
        learns how much is inherited and how traits go together. Breeding values are then drawn again and again as they
        may be, weighed by the goal, and ranked. A wanted category is judged by what a plant may carry.
      </p>
      <ul className="rows border-y border-rule">
        {worth.yardsticks.map(({ id, seen, kin, age, repeats, inherited, rows, places }) => (
          <li key={id} className="py-3">
            <p className="font-semibold">{of(id).name}</p>
            <dl className="grid grid-cols-[auto_1fr] gap-x-4 text-sm">
              <dt>Plants</dt>
              <dd>
                {seen} here{kin > 0 ? `, ${kin} of their kin and beside them` : ""}
              </dd>
              <dt>Heritability</dt>
              <dd>
                {percentInWords(inherited.likely)} ({percentInWords(inherited.low)} to {percentInWords(inherited.high)})
              </dd>
              <dt>Rows, place in the bed</dt>
              <dd>
                {percentInWords(rows)}, {percentInWords(places)} of what plants differ by
              </dd>
              {repeats && (
                <>
                  <dt>Repeatability</dt>
                  <dd>
                    {percentInWords(repeats.share)}, from {plural(repeats.plants, "plant")}
                  </dd>
                </>
              )}
              {age.perDay !== 0 && (
                <>
                  <dt>Age at the look</dt>
                  <dd>
                    {fixed(Math.abs(age.perDay), 2)} {age.perDay > 0 ? "more" : "less"} a day, removed
                  </dd>
                </>
              )}
            </dl>
          </li>
        ))}
      </ul>
      <div className="overflow-x-auto">
        <table className="ruled w-full text-sm">
          <thead>
            <tr>
              <th scope="col">Plant</th>
              <th scope="col">Index</th>
              {worth.yardsticks.map(({ id }) => (
                <th key={id} scope="col">
                  {of(id).name}
                  <span className="block font-normal text-soft">breeding value, reliability</span>
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
                      {meanInWords(own.value, null, "")}{" "}
                      <span className="text-soft">{percentInWords(own.reliability)}</span>
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
