"use client";
import { useState } from "react";
import { atKinship, type Contributions } from "@/core/selection/contributions";
import type { GainStep } from "@/core/selection/gain";
import type { Ranged } from "@/core/selection/ranged";
import { isMeasured } from "@/core/traits/kinds";
import { plural } from "@/core/units/plural";
import { chanceInWords } from "@/core/writing/figures";
import { fixed } from "@/core/writing/numbers";
import { Sheet } from "@/ui/Sheet";
import type { Family, YardstickView } from "@/views/family";
import type { FamilyWorth } from "@/views/worth";
import { CommandButton } from "../common/command";
import { percent, reckonedPercent } from "../common/words";
import { GainChart } from "./charts";
import { MatingPlan } from "./MatingPlan";
import { notKept } from "./notKept";
import { unitOf } from "./yardstickWords";

type Props = { view: Family; worth: FamilyWorth; best: number; open: boolean; onOpen: (open: boolean) => void };

/** What keeping so many brings and costs, in a sentence; the whole picture behind a press. */
export function Gain(props: Props) {
  const { worth, best } = props;
  const step = worth.choice.steps[best - 1];
  if (!step) return null;
  return (
    <div className="mt-4">
      <p>
        {changesInWords(step, props.view.yardsticks)} {narrowInWords(step)}
      </p>
      <Sheet trigger="Gain against narrowing" title="Gain against narrowing" plain>
        {(close) => <Picture {...props} close={close} />}
      </Sheet>
    </div>
  );
}

const isShare = (mark: YardstickView) => !isMeasured(mark);

/** A change of a mean with its sign, unit and range. */
function changeInWords({ likely, low, high }: Ranged, y: YardstickView): string {
  const signed = (value: number) => {
    const digits = Math.abs(value) >= 10 ? 0 : Math.abs(value) >= 1 ? 1 : 2;
    return `${value > 0 ? "+" : value < 0 ? "−" : ""}${isShare(y) ? `${Math.round(Math.abs(value) * 100)}` : fixed(Math.abs(value), digits)}`;
  };
  const unit = isShare(y) ? "%" : unitOf(y);
  return `${signed(likely)}${unit ? ` ${unit}` : ""} (${signed(low)} to ${signed(high)})`;
}

const nameOf = (y: YardstickView) => (y.wanted === "category" ? `${y.name} ${y.targetWord}` : y.name);

/** The changes that count most, by their weight. */
function changesInWords({ traits }: GainStep, yardsticks: YardstickView[]): string {
  const told = yardsticks
    .filter(({ id }) => traits[id])
    .sort((a, b) => b.weight - a.weight)
    .slice(0, 2)
    .map((y) => `${nameOf(y)} ${changeInWords(traits[y.id]!, y)}`);
  return `Seed of these: ${told.join(", ")}.`;
}

/** Parents, a half told where they are few. */
const parentsInWords = (parents: number): string =>
  parents < 2.75 ? `${fixed(parents, 1)} unrelated parents` : plural(Math.round(parents), "unrelated parent");

const narrowInWords = ({ effective, rareKept }: GainStep): string =>
  `Diversity: like ${parentsInWords(effective)}. A gene version of 5% is kept: ${chanceInWords(rareKept)}.`;

function Picture({ view, worth, best, open, onOpen, close }: Props & { close: () => void }) {
  const { steps, frontier } = worth.choice;
  const [kept, setKept] = useState(Math.min(best, steps.length));
  const step = steps[kept - 1]!;
  const optimum = frontier.length > 0 ? atKinship(frontier, step.kinship) : null;
  const toKeep = notKept(worth.plants.slice(0, kept));
  return (
    <div className="grid grid-cols-1 gap-4">
      <label className="grid gap-1">
        <span className="font-semibold">Keep the best {kept}</span>
        <input
          type="range"
          className="accent-damson"
          min={1}
          max={steps.length}
          value={kept}
          onChange={(event) => setKept(Number(event.target.value))}
        />
      </label>
      <label className="flex min-h-11 items-center gap-2">
        <input type="checkbox" checked={open} onChange={(event) => onOpen(event.target.checked)} />
        Pollen comes from anyone: half of the gain
      </label>
      <GainChart choice={worth.choice} kept={kept} />
      <p className="text-sm text-soft">
        Damson: the best one, two, three and so on. Blue: the most that could be had for the same narrowing, each parent
        in a share of its own.
      </p>
      <table className="w-full text-sm">
        <tbody>
          {view.yardsticks
            .filter(({ id }) => step.traits[id])
            .map((y) => (
              <Row key={y.id} name={nameOf(y)} words={changeInWords(step.traits[y.id]!, y)} />
            ))}
          <Row
            name="Weighed by the aim"
            words={`${fixed(step.index.likely, 2)} (${fixed(step.index.low, 2)} to ${fixed(step.index.high, 2)}) standard deviations`}
          />
          <Row name="Diversity, against the population they were bred from" words={parentsInWords(step.effective)} />
          <Row name="Inbreeding of seed set among them" words={percent(step.kinship)} />
          <Row name="A gene version with a frequency of 5% there is kept" words={chanceInWords(step.rareKept)} />
          {step.floorsMet && (
            <Row
              name="Within all floors and ceilings"
              words={`${reckonedPercent(step.floorsMet.likely)} of the seed (${reckonedPercent(step.floorsMet.low)} to ${reckonedPercent(step.floorsMet.high)})`}
            />
          )}
        </tbody>
      </table>
      {optimum && <Optimum optimum={optimum} step={step} worth={worth} view={view} />}
      {toKeep.length > 0 && (
        <CommandButton
          command="plant.marks"
          input={{ ids: toKeep, mark: "keep", reason: "best by the aim" }}
          strong
          onDone={close}
        >
          Keep {toKeep.length === 1 ? "it" : `these ${toKeep.length}`}
        </CommandButton>
      )}
    </div>
  );
}

const Row = ({ name, words }: { name: string; words: string }) => (
  <tr className="border-b border-rule">
    <th scope="row" className="py-1.5 pr-3 text-left font-normal">
      {name}
    </th>
    <td className="py-1.5 text-right font-semibold">{words}</td>
  </tr>
);

/** Shares smaller than this are not worth a flower. */
const WORTH_A_FLOWER = 0.02;
/** So many standard deviations more are clearly more. */
const CLEARLY = 0.02;

type OptimumProps = { optimum: Contributions; step: GainStep; worth: FamilyWorth; view: Family };

/** The shares that bring most at the same narrowing, where they bring clearly more than equal ones. */
function Optimum({ optimum, step, worth, view }: OptimumProps) {
  const own = view.stand.code;
  const more = optimum.gain - step.index.likely;
  const shared = optimum.shares.flatMap((share, i) =>
    share >= WORTH_A_FLOWER ? [{ share, plant: worth.plants[i]! }] : [],
  );
  shared.sort((a, b) => b.share - a.share);
  if (more < CLEARLY) return <p>Equal seed of these is as good as any other way to narrow so much.</p>;
  return (
    <section aria-label="Unequal shares">
      <h3>For the same narrowing, {fixed(more, 2)} more</h3>
      <p className="mt-1">
        Seed in these shares:{" "}
        {shared
          .map(
            ({ share, plant: { number, code } }) =>
              `plant ${number}${code === own ? "" : ` of ${code}`} ${percent(share)}`,
          )
          .join(", ")}
        .
      </p>
      {shared.length > 1 && (
        <Sheet trigger="Pair them in these shares" title="Pairs in these shares" plain>
          {() => (
            <MatingPlan
              parents={shared.map(({ plant: { id, number, code }, share }) => ({ id, number, code, share }))}
              own={own}
              season={view.stand.season}
              head={view.head}
            />
          )}
        </Sheet>
      )}
    </section>
  );
}
