"use client";
import { useState } from "react";
import { type Day, isDay } from "@/core/calendar/day";
import { numberOf } from "@/core/numbers/numberOf";
import { cellNumber, type Surplus } from "@/core/seed/cells";
import { sowingDays } from "@/core/seed/sowDays";
import { type RaisingStages, SURE_OF_PLANTS } from "@/core/seed/sowing";
import { plural } from "@/core/units/plural";
import { seedsToSow } from "@/core/work/raise";
import type { Stand } from "@/records/stand/stand";
import { DayInput } from "@/ui/DayInput";
import type { LotPage } from "@/views/lot";
import { SowNext } from "../common/SowNext";
import { inHundred, reckonedPercent, spanInWords } from "../common/words";

/** A way to sow for a number of plants: in what, how many seeds to a cell, and how many of each. */
type Way = {
  key: string;
  words: string;
  sownIn: Stand["sownIn"];
  perCell: number | null;
  cells: number | null;
  seeds: number;
};

/** A sowing of so many times what is left is none. */
const HOPELESS = 10;

/** The ways to sow for so many plants; only by the seed where it is sown in its place. */
function waysFor(target: number, stages: RaisingStages, inPlace: boolean): Way[] {
  const loose = numberOf(() => seedsToSow(target, stages));
  if (loose === null) return [];
  const cells = (surplus: Surplus) =>
    numberOf(() => cellNumber({ target, confidence: SURE_OF_PLANTS, ...stages, perCell: 2, surplus }));
  const [thinned, filled] = inPlace ? [null, null] : [cells("thinned"), cells("fills-gaps")];
  const twos = { sownIn: "cells", perCell: 2 } as const;
  return [
    {
      key: "loose",
      words: inPlace ? "in its place" : "into a tray, or one to a cell",
      sownIn: inPlace ? "ground" : "tray",
      perCell: null,
      cells: null,
      seeds: loose,
    },
    ...(thinned ? [{ key: "thinned", words: "two to each, thinned to one", ...twos, ...thinned }] : []),
    ...(filled ? [{ key: "filled", words: "two to each, gaps filled from the spare ones", ...twos, ...filled }] : []),
  ];
}

/** From plants wanted to seeds to sow and when, through the grower's own losses; what then stays in the packet; and its sowing. */
export function HowMany({ view }: { view: LotPage }) {
  const { stages, losses, lot, plants, time, today } = view;
  const [typed, setTyped] = useState(String(plants));
  const [out, setOut] = useState<Day | "">(time?.out ?? "");
  const wanted = /^\d{1,4}$/.test(typed.trim()) ? Number(typed) : 0;
  const all = wanted > 0 ? waysFor(wanted, stages, time === null) : [];
  const ways = all.filter(({ seeds }) => !lot.left || seeds <= lot.left.high * HOPELESS);
  const days = time && isDay(out) ? sowingDays(out, time.grown) : null;
  const loss = (own: number, usual: number) =>
    Math.abs(own - usual) < 0.02
      ? `${reckonedPercent(own)}, as usual`
      : `${reckonedPercent(own)}, usually ${reckonedPercent(usual)}`;
  return (
    <>
      <section className="mb-8" aria-label="How many seeds">
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
        </label>
        <ul className="rows my-2 border-y border-rule empty:hidden">
          {ways.map((way) => (
            <li key={way.key} className="flex items-center justify-between gap-3 py-2">
              <span>
                <strong className="text-lg">{plural(way.seeds, "seed")}</strong>
                {way.cells !== null && ` in ${plural(way.cells, "cell")},`} {way.words}
                <span className="block text-sm text-soft">{staysInWords(lot, way.seeds)}</span>
              </span>
              <SowNext
                line={lot.lineCode}
                lot={lot.code}
                so={{
                  plants: wanted,
                  seeds: way.seeds,
                  sownIn: way.sownIn,
                  perCell: way.perCell,
                  sown: days && days.best > today ? days.best : today,
                }}
                trigger={
                  <>
                    Sow so<span className="sr-only">: {way.words}</span>
                  </>
                }
                plain
              />
            </li>
          ))}
        </ul>
        <p className="text-sm text-soft">
          {sureInWords(wanted, all, ways)} Come up {loss(losses.up.own, losses.up.usual)}; stay{" "}
          {loss(losses.stays.own, losses.stays.usual)}
          {lot.life.state !== "keeps" && ", and less of this lot as it is old"}.
        </p>
        {time && (
          <>
            <p className="mt-3 flex flex-wrap items-center gap-2">
              To plant out on
              <DayInput label="Planting-out day" value={out} onChange={setOut} />
            </p>
            <p className="mt-1">
              {days ? (
                <>
                  sow <strong>{spanInWords(days.from, days.to)}</strong>
                  {days.to < today && ": too late for that day"}
                </>
              ) : (
                "Say on which day."
              )}
            </p>
          </>
        )}
      </section>
      <SowNext line={lot.lineCode} lot={lot.code} trigger="Sow the next generation" strong />
    </>
  );
}

/** What the ways come to; `ways` are those of all that what is left is not hopelessly little for. */
function sureInWords(wanted: number, all: Way[], ways: Way[]): string {
  if (wanted === 0) return "Say how many plants, as a whole number.";
  if (all.length === 0) return "No number of these seeds would do.";
  if (ways.length === 0) return "That would take more than ten times what is left: sow all of it, and count on little.";
  return `${ways.length > 1 ? "Each" : "That"} gives them nine times in ten.`;
}

function staysInWords({ seedsLeft, reserve }: LotPage["lot"], seeds: number): string {
  if (seedsLeft === null) return "Its seeds are not counted yet.";
  const left = seedsLeft - seeds;
  if (left < 0) return `${-left} more than there are: ${inHundred(Math.max(0, seedsLeft / seeds))} of what it takes.`;
  if (reserve && left < reserve) return `${left} stay in the packet: ${reserve - left} of its reserve would be sown.`;
  return `${left} stay in the packet${reserve ? `, ${reserve} of them a reserve` : ""}.`;
}
