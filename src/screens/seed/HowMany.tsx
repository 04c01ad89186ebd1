"use client";
import { useState } from "react";
import { type Stage, sowingNumber } from "@/core/seed/sowing";
import { plural } from "@/core/units/plural";
import type { LotPage } from "@/views/lot";
import { inHundred, percent } from "../common/words";

/** The chance of having enough that a sowing is reckoned for. */
const SURE = 0.9;

/** Seeds for plants; null where no number would do. */
function seedsFor(plants: number, stages: Stage[]): number | null {
  try {
    return sowingNumber({ target: plants, confidence: SURE, stages }).sow;
  } catch (failure) {
    if (failure instanceof RangeError) return null;
    throw failure;
  }
}

/** From plants wanted to seeds to sow, through the grower's own losses; and what then stays in the packet. */
export function HowMany({ view: { stages, losses, lot, plants } }: { view: LotPage }) {
  const [typed, setTyped] = useState(String(plants));
  const wanted = /^\d{1,5}$/.test(typed.trim()) ? Number(typed) : 0;
  const seeds = wanted > 0 ? seedsFor(wanted, stages) : null;
  const left = lot.seedsLeft === null || seeds === null ? null : lot.seedsLeft - seeds;
  const loss = (own: number, usual: number) =>
    Math.abs(own - usual) < 0.02 ? `${percent(own)}, as usual` : `${percent(own)}, usually ${percent(usual)}`;
  return (
    <section className="mb-8">
      <h2>How many seeds?</h2>
      <label className="mt-1 flex flex-wrap items-center gap-2">
        For
        <input
          className="!w-20"
          inputMode="numeric"
          aria-label="Plants wanted"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        plants in their place sow
        <strong className="text-xl">{seeds === null ? "–" : plural(seeds, "seed")}</strong>
      </label>
      <p className="mt-1 text-sm text-soft">
        {wanted === 0
          ? "Say how many plants, as a whole number."
          : seeds === null
            ? "No number of these seeds would do."
            : `That gives them nine times in ten; two seeds a cell, thinned to one, give ${wanted} cells.`}{" "}
        Come up {loss(losses.up.own, losses.up.usual)}; stay {loss(losses.stays.own, losses.stays.usual)}
        {lot.life.state !== "keeps" && ", and less of this lot as it is old"}.
        {left !== null &&
          (left >= 0
            ? ` ${left} stay in the packet${lot.reserve ? `, ${lot.reserve} of them a reserve` : ""}.`
            : ` ${-left} more than there are: ${inHundred(Math.max(0, (lot.seedsLeft ?? 0) / (seeds || 1)))} of what it takes.`)}
      </p>
    </section>
  );
}
