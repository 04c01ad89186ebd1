import { addDays, dayInWords, daysBetween } from "@/core/calendar/day";
import { mixedByGeneration } from "@/core/inheritance/heterozygosity";
import { certain, type FlowersDone, flowersToDo } from "@/core/pollination/flowersToDo";
import type { SetRate } from "@/core/pollination/setRate";
import { plural } from "@/core/units/plural";
import type { WorkingParts } from "@/ui/OpenWorking";
import { inHundred } from "./words";

export type FlowersAsked = { wanted: number; done: FlowersDone; rate: SetRate; confidence: number };
export type MixedAsked = { generation: number; shares: number[]; ploidy: number };
export type RipeAsked = {
  from: string;
  /** As it is forecast, by the warmth of the place. */
  ripe: string;
  observed: boolean;
  range: { low: number; high: number };
};

const SURE = "the chance you ask for";

/** How many flowers are still to be done, and what that rests on. */
export const flowersWorking = ({ wanted, done, rate, confidence }: FlowersAsked): WorkingParts => ({
  title: "How many flowers to do?",
  method:
    "Each flower sets on its own, at a rate that is known only within a range: a Beta distribution that begins with the catalogue and learns from your own flowers. The smallest number that brings the missing fruits with the chance asked for (beta-binomial), less the flowers that wait already. Change the rate here and it is taken as certain (binomial).",
  inputs: [
    {
      key: "wanted",
      label: "Fruits wanted",
      value: wanted,
      min: 1,
      max: 10_000,
      step: 1,
      source: "planned with the cross",
    },
    { key: "set", label: "Set already", value: done.set, min: 0, max: 10_000, step: 1, source: "your record" },
    {
      key: "pending",
      label: "Covered or waiting",
      value: done.covered + done.waiting,
      min: 0,
      max: 10_000,
      step: 1,
      source: "your record",
    },
    {
      key: "rate",
      label: "Set rate",
      value: Number(rate.likely.toFixed(3)),
      low: rate.low,
      high: rate.high,
      min: 0.01,
      max: 1,
      step: 0.01,
      source: "the catalogue's range, corrected by your own flowers",
    },
    {
      key: "confidence",
      label: "How sure",
      value: confidence,
      low: 0.8,
      high: 0.95,
      min: 0.5,
      max: 0.999,
      step: 0.01,
      source: SURE,
    },
  ],
  compute: (v) => {
    const tally = { covered: v.pending!, waiting: 0, set: v.set!, lost: 0, doubtful: 0 };
    const untouched = Math.abs(v.rate! - rate.likely) < 0.0006;
    const number = flowersToDo(v.wanted!, tally, untouched ? rate : certain(v.rate!), v.confidence!).likely;
    return { number, words: plural(number, "flower") };
  },
});

/** Share of a cross’s differing genes that is still mixed in a plant of a generation. */
export function mixedWorking({ generation, shares, ploidy }: MixedAsked): WorkingParts {
  const at = (list: number[]) => mixedByGeneration(list, ploidy).at(-1)!;
  const own = shares.length ? shares.reduce((a, b) => a + b, 0) / shares.length : 1;
  return {
    title: `How mixed is an F${generation} still?`,
    method:
      "Of the genes in which the two parents differ, the share expected to be mixed in one plant: F′ = s(1+F)/2 each generation from the F1 (with k sets of chromosomes s(1+(2k−3)F)/(2k−2)). Open seed is selfed but for what its kind outcrosses: the range. Without selection, and kinship among few parents is not counted; those make it lower.",
    inputs: [
      {
        key: "steps",
        label: "Generations after the F1",
        value: shares.length,
        min: 0,
        max: 30,
        step: 1,
        source: "this line's ladder",
      },
      {
        key: "share",
        label: "Share of seed selfed, each time",
        value: Number(own.toFixed(2)),
        low: 0,
        high: 1,
        min: 0,
        max: 1,
        step: 0.05,
        source: "how the sown lots came about",
      },
    ],
    compute: (v) => {
      const even = v.steps === shares.length && Math.abs(v.share! - own) < 0.006;
      const number = at(even ? shares : Array.from({ length: v.steps! }, () => v.share!));
      return { number, words: inHundred(number) };
    },
  };
}

/** When the first seed is ripe. */
export function ripeWorking({ from, ripe, observed, range }: RipeAsked): WorkingParts {
  const middle = daysBetween(from, ripe);
  return {
    title: "When is the first seed ripe?",
    method: "First flower plus the days from pollination to ripe seed. In the cool it takes longer: warmth decides.",
    inputs: [
      {
        key: "days",
        label: "Days to ripe seed",
        value: middle,
        low: range.low,
        high: Math.max(range.high, middle),
        min: 1,
        max: 400,
        step: 1,
        source: "catalogue range, by the warmth here",
      },
      {
        key: "later",
        label: "First flower later by (days)",
        value: 0,
        low: observed ? 0 : -10,
        high: observed ? 0 : 10,
        min: -60,
        max: 120,
        step: 1,
        source: observed ? "first flower as you saw it" : "forecast from sowing",
      },
    ],
    compute: (v) => ({ number: v.days! + v.later!, words: dayInWords(addDays(from, v.days! + v.later!)) }),
  };
}
