"use client";
import { betaOfRange } from "@/core/numbers/beta";
import { flowersToDo, fruitsFor } from "@/core/pollination/flowersToDo";
import { setRate } from "@/core/pollination/setRate";
import type { ParentChoice } from "@/views/choices";
import { FlowersFigure } from "../common/figures";
import { completed } from "./planTyped";

/** How many flowers a cross wants as it is typed so far. */
export function FlowersOfPlan({ typed, parents }: { typed: Record<string, string>; parents: ParentChoice[] }) {
  const full = completed(typed, parents) as Record<string, number>;
  const number = (name: string) => Number(full[name]);
  const wanted =
    number("seedsWanted") > 0 && number("seedsPerFruit") > 0
      ? fruitsFor(number("seedsWanted"), number("seedsPerFruit"))
      : number("fruitsWanted");
  const range = { low: number("setLow"), high: number("setHigh") };
  const confidence = number("confidence");
  const usable =
    Number.isInteger(wanted) &&
    wanted > 0 &&
    wanted <= 10_000 &&
    Object.values(range).every((r) => r >= 0.01 && r <= 1) &&
    range.low <= range.high &&
    confidence >= 0.5 &&
    confidence < 1;
  if (!usable) return null;
  const rate = setRate(betaOfRange(range));
  const done = { covered: 0, waiting: 0, set: 0, lost: 0, doubtful: 0 };
  return (
    <p className="text-lg">
      Plan for{" "}
      <FlowersFigure
        key={`${wanted}${range.low}${range.high}${confidence}`}
        likely={flowersToDo(wanted, done, rate, confidence).likely}
        asked={{ wanted, done, rate, confidence }}
      />{" "}
      to pollinate.
    </p>
  );
}
