"use client";
import clsx from "clsx";
import { Meanwhile } from "@/ui/Meanwhile";
import type { Family } from "@/views/family";
import { PlantSheet } from "./lazySheet";
import { useScoring } from "./useScoring";

/** Plants without yardsticks can still be opened and marked. */
export function BarePlants({
  view,
  open,
  onOpen,
}: {
  view: Family;
  open: number | null;
  onOpen: (number: number | null) => void;
}) {
  const scoring = useScoring(view);
  const opened = view.plants.find(({ number }) => number === open);
  return (
    <>
      <p className="mb-3 max-w-prose">
        Nothing to score on yet: choose a few yardsticks on the right. Plants can be opened and marked all the same.
      </p>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(3.1rem,1fr))] gap-1.5">
        {view.plants.map(({ id, number, mark }) => (
          <button
            key={id}
            type="button"
            className={clsx("leaf min-h-12 px-1", mark === "out" && "text-rust")}
            aria-label={`Plant ${number}${mark === "none" ? "" : `, ${mark}`}`}
            onClick={() => onOpen(number)}
          >
            {number}
          </button>
        ))}
      </div>
      {opened && (
        <Meanwhile>
          <PlantSheet plant={opened} view={view} scoring={scoring} onGo={onOpen} />
        </Meanwhile>
      )}
    </>
  );
}
