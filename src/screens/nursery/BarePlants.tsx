"use client";
import clsx from "clsx";
import type { Id } from "@/core/custody/id";
import { Meanwhile } from "@/ui/Meanwhile";
import type { BenchPlant, Family } from "@/views/family";
import { PlantSheet } from "./lazySheet";
import { useScoring } from "./useScoring";

/** Plants without yardsticks can still be opened and marked. */
export function BarePlants({
  view,
  plants,
  open,
  onOpen,
}: {
  view: Family;
  plants: BenchPlant[];
  open: Id | null;
  onOpen: (id: Id | null) => void;
}) {
  const scoring = useScoring(view);
  const opened = plants.find(({ id }) => id === open);
  return (
    <>
      <p className="mb-3 max-w-prose">
        Nothing to score on yet: choose a few yardsticks on the right. Plants can be opened and marked all the same.
      </p>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(3.1rem,1fr))] gap-1.5">
        {plants.map(({ id, number, code, mark }) => (
          <button
            key={id}
            type="button"
            className={clsx("leaf min-h-12 px-1", mark === "out" && "text-rust")}
            aria-label={`Plant ${number}${code === view.stand.code ? "" : ` of ${code}`}${mark === "none" ? "" : `, ${mark}`}`}
            onClick={() => onOpen(id)}
          >
            {number}
          </button>
        ))}
      </div>
      {opened && (
        <Meanwhile>
          <PlantSheet plant={opened} plants={plants} view={view} scoring={scoring} onGo={onOpen} />
        </Meanwhile>
      )}
    </>
  );
}
