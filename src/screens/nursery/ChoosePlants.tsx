"use client";
import clsx from "clsx";
import type { ReactNode } from "react";
import type { Id } from "@/core/custody/id";
import { toggled } from "@/core/lists/toggled";

type Props<P> = {
  legend: string;
  plants: P[];
  chosen: ReadonlySet<Id>;
  onChange: (chosen: ReadonlySet<Id>) => void;
};

type GridPlant = {
  id: Id;
  number: number /** Said of it beside its number. */;
  said?: string;
  under?: ReactNode /** Its mark, in the corner. */;
  sign?: ReactNode;
};

/** Plants as buttons in a grid, by thumb. */
export const PlantGrid = ({ legend, plants, chosen, onChange }: Props<GridPlant>) => (
  <fieldset>
    <legend className="mb-2 font-semibold">{legend}</legend>
    <div className="grid max-h-[40vh] grid-cols-[repeat(auto-fill,minmax(3.25rem,1fr))] gap-2 overflow-y-auto p-1">
      {plants.map(({ id, number, said, under, sign }) => (
        <button
          key={id}
          type="button"
          aria-pressed={chosen.has(id)}
          aria-label={`Plant ${number}${said ?? ""}`}
          onClick={() => onChange(toggled(chosen, id))}
          className={clsx("leaf relative min-h-12 flex-col gap-0 px-1 leading-tight", chosen.has(id) && "leaf-strong")}
        >
          <span className="text-lg">{number}</span>
          {sign && <span className="absolute top-0.5 right-1 text-xs">{sign}</span>}
          {under && <span className="text-sm font-normal">{under}</span>}
        </button>
      ))}
    </div>
  </fieldset>
);

type CheckedPlant = { id: Id; label: ReactNode };

/** A few plants, each with its box. */
export const PlantBoxes = ({ legend, plants, chosen, onChange }: Props<CheckedPlant>) => (
  <fieldset>
    <legend className="mb-1 font-semibold">{legend}</legend>
    <div className="flex flex-wrap gap-x-4">
      {plants.map(({ id, label }) => (
        <label key={id} className="flex min-h-11 items-center gap-1.5">
          <input type="checkbox" checked={chosen.has(id)} onChange={() => onChange(toggled(chosen, id))} />
          {label}
        </label>
      ))}
    </div>
  </fieldset>
);

/** Chosen from the beginning. */
export const allOf = (plants: { id: Id }[]): ReadonlySet<Id> => new Set(plants.map(({ id }) => id));
