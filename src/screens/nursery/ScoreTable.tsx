"use client";
import clsx from "clsx";
import { type KeyboardEvent, lazy, Suspense, useState } from "react";
import { toast } from "sonner";
import { dayInWords } from "@/core/calendar/day";
import { removal } from "@/core/selection/roguing";
import { fixed } from "@/core/writing/numbers";
import type { Plant } from "@/records/plant/plant";
import type { Family } from "@/views/nursery";
import { useCommand } from "../common/command";
import { MARKS } from "../common/words";
import { ScoreCell } from "./ScoreCell";

// Fetched when the first plant is opened: scores are mostly typed into the table.
const PlantSheet = lazy(async () => ({ default: (await import("./PlantSheet")).PlantSheet }));

const SORTS = { number: "as they stand", rank: "best first" } as const;

/** A rank that several share is all of their places. */
const rankInWords = (rank: number, shared: number): string =>
  shared > 1 ? `${rank} to ${rank + shared - 1}` : `${rank}`;

export function ScoreTable({ view }: { view: Family & { chosen: number | null } }) {
  const { plants, ranks, yardsticks, scores, stand } = view;
  const [sort, setSort] = useState<keyof typeof SORTS>("number");
  const [open, setOpen] = useState<number | null>(view.chosen);
  const opened = plants.find((p) => p.number === open);
  const { run } = useCommand();
  const rankOf = (p: Plant) =>
    p.removedOn === null && ranks[p.id] && !Number.isNaN(ranks[p.id]!.index) && ranks[p.id]!.scored > 0
      ? ranks[p.id]!
      : null;
  const shared = new Map<number, number>();
  for (const plant of plants) {
    const rank = rankOf(plant)?.rank;
    if (rank !== undefined) shared.set(rank, (shared.get(rank) ?? 0) + 1);
  }
  const sorted =
    sort === "number"
      ? plants
      : [...plants].sort((a, b) => (rankOf(a)?.rank ?? 9e9) - (rankOf(b)?.rank ?? 9e9) || a.number - b.number);

  const onKey = (event: KeyboardEvent, plant: Plant) => {
    const mark = ({ k: "keep", s: "seed-parent", w: "watch", n: "none" } as const)[event.key as "k"];
    if (event.key === "o" || event.key === "Enter") {
      event.preventDefault();
      setOpen(plant.number);
    } else if (mark)
      void run("plant.mark", { id: plant.id, version: plant.version, mark }).then(
        (a) => a && !a.ok && toast.error(a.message),
      );
  };

  return (
    <>
      <div className="mb-2 flex flex-wrap items-center gap-3 text-sm">
        <span className="text-soft">Plants</span>
        {(Object.keys(SORTS) as (keyof typeof SORTS)[]).map((id) => (
          <button
            key={id}
            type="button"
            aria-pressed={sort === id}
            onClick={() => setSort(id)}
            className={clsx("leaf", sort === id && "leaf-strong")}
          >
            {SORTS[id]}
          </button>
        ))}
        <span className="text-soft max-sm:hidden">
          In a score, Enter goes down; on a plant: k keep, s seed parent, w watch, o out.
        </span>
      </div>
      <div className="max-h-[75vh] overflow-auto border-y border-ink" role="group" aria-label="Plants and scores">
        <table className="w-full border-separate border-spacing-0 [&_td]:border-b [&_td]:border-rule [&_td]:px-2 [&_td]:py-1 [&_th]:border-b [&_th]:border-ink [&_th]:px-2 [&_th]:py-2">
          <thead className="sticky top-0 z-10 bg-paper text-left text-sm">
            <tr>
              <th scope="col">Plant</th>
              <th scope="col">
                Rank
                <span className="block whitespace-nowrap font-normal text-soft">from the mean</span>
              </th>
              {yardsticks.map((y) => (
                <th key={y.id} scope="col" className="min-w-24">
                  {y.name}
                  <span className="block font-normal text-soft">
                    {y.kind === "date"
                      ? "day, or days"
                      : y.kind === "scale"
                        ? "1–9"
                        : y.kind === "yes-no"
                          ? "y / n"
                          : y.kind === "category"
                            ? y.words.join(", ")
                            : y.unit}
                  </span>
                </th>
              ))}
              <th scope="col" className="min-w-40">
                Mark
              </th>
            </tr>
          </thead>
          <tbody>
            {sorted.map((plant) => {
              const rank = rankOf(plant);
              const gone = plant.removedOn !== null;
              return (
                <tr key={plant.id} className={clsx(gone && "text-soft")} data-plant={plant.number}>
                  <td>
                    <button
                      type="button"
                      onClick={() => setOpen(plant.number)}
                      onKeyDown={(event) => onKey(event, plant)}
                      className="min-h-10 min-w-12 cursor-pointer text-left font-head text-lg font-bold underline decoration-rule underline-offset-4"
                      aria-label={`Plant ${plant.number}`}
                    >
                      {plant.number}
                    </button>
                  </td>
                  <td className="whitespace-nowrap">
                    {rank ? (
                      <>
                        <strong>{rankInWords(rank.rank, shared.get(rank.rank) ?? 1)}</strong>{" "}
                        <span className="text-sm text-soft">
                          {rank.index > 0 ? "+" : ""}
                          {fixed(rank.index, 1)}
                        </span>
                      </>
                    ) : (
                      "–"
                    )}
                  </td>
                  {yardsticks.map((y) => (
                    <td key={y.id}>
                      <ScoreCell
                        plantId={plant.id}
                        number={plant.number}
                        yardstick={y}
                        value={scores[plant.id]?.[y.id]}
                      />
                    </td>
                  ))}
                  <td>
                    <MarkWords plant={plant} firstFlower={stand.window.start} />
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {opened && (
        <Suspense>
          <PlantSheet plant={opened} view={view} onGo={setOpen} />
        </Suspense>
      )}
    </>
  );
}

function MarkWords({ plant, firstFlower }: { plant: Plant; firstFlower: string }) {
  const late = plant.removedOn && removal(plant.removedOn, firstFlower).late;
  const tone = {
    none: "text-soft",
    keep: "text-moss font-bold",
    "seed-parent": "text-damson font-bold",
    watch: "text-quince font-bold",
    out: "text-rust",
  }[plant.mark];
  return (
    <>
      <span className={tone}>{plant.removedOn ? `Taken out ${dayInWords(plant.removedOn)}` : MARKS[plant.mark]}</span>
      {late && <span className="font-bold text-rust"> late</span>}
      {plant.reason && <span className="block max-w-56 truncate text-sm text-soft">{plant.reason}</span>}
    </>
  );
}
