"use client";
import { useState } from "react";
import { bandOf } from "@/core/selection/lifting";
import { kindOf } from "@/core/traits/kinds";
import { plural } from "@/core/units/plural";
import { readNumber } from "@/core/writing/numbers";
import { Sheet } from "@/ui/Sheet";
import type { Family, YardstickView } from "@/views/family";
import { CommandButton } from "../common/command";
import { unitOf } from "./yardstickWords";

type Props = { view: Pick<Family, "plants" | "scores" | "yardsticks"> };

/** Bulbs and roots by their size: too small gives nothing, the largest are eaten, what lies between goes back. */
export const SortBySize = ({ view }: Props) => (
  <Sheet trigger="Sort by size" title="Sort by size" plain>
    {(close) => <Bands view={view} close={close} />}
  </Sheet>
);

/** Whether plants can be sorted by it: it was measured on some, and finer than in steps. */
export function isSize(mark: YardstickView): boolean {
  const { step, computed } = kindOf(mark);
  return step === 0 && !computed && mark.family !== null;
}

/** A limit as it was typed: none where nothing was, undefined where it can't be read. */
function limitOf(typed: string): number | null | undefined {
  if (typed.trim() === "") return null;
  const read = readNumber(typed);
  return read.kind === "read" ? read.value : undefined;
}

function Bands({ view, close }: Props & { close: () => void }) {
  const measured = view.yardsticks.filter(isSize);
  const [id, setId] = useState(measured[0]!.id);
  const yardstick = measured.find((one) => one.id === id)!;
  const [least, setLeast] = useState("");
  const [most, setMost] = useState("");
  const [low, high] = [limitOf(least), limitOf(most)];
  const sizes = view.plants.flatMap((plant) => {
    const size = view.scores[plant.id]?.[id]?.number;
    return plant.removedOn === null && size != null ? [{ id: plant.id, size }] : [];
  });
  const trouble =
    low === undefined || high === undefined
      ? "A size is a number."
      : low !== null && high !== null && low >= high
        ? "The largest is more than the smallest."
        : null;
  const of = (band: ReturnType<typeof bandOf>) =>
    trouble ? [] : sizes.filter(({ size }) => bandOf(size, { low: low!, high: high! }) === band).map((one) => one.id);
  const sorted = { small: of("small"), fit: of("fit"), large: of("large") };
  const unit = unitOf(yardstick);
  const field = (label: string, value: string, set: (text: string) => void) => (
    <label className="grid gap-1 font-semibold">
      {label}
      {unit && `, ${unit}`}
      <input
        value={value}
        inputMode="decimal"
        autoComplete="off"
        onChange={({ target }) => set(target.value)}
        className="w-32"
      />
    </label>
  );
  return (
    <div className="grid grid-cols-1 gap-4">
      {measured.length > 1 && (
        <label className="grid gap-1 font-semibold">
          By
          <select value={id} onChange={({ target }) => setId(target.value)}>
            {measured.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </select>
        </label>
      )}
      <p className="text-soft">
        What is too small gives no good seed plant; the largest give little more seed and are eaten. What lies between
        goes back, the odd and split ones out by hand.
      </p>
      <div className="flex flex-wrap gap-4">
        {field("From", least, setLeast)}
        {field("To", most, setMost)}
      </div>
      {trouble ? (
        <p role="alert" className="font-semibold text-rust">
          {trouble}
        </p>
      ) : (
        <p role="status" className="text-lg">
          <strong>{sorted.fit.length} go back</strong>, {sorted.small.length} too small, {sorted.large.length} to eat;
          of {plural(sizes.length, "plant")} that were measured.
        </p>
      )}
      {!trouble && sizes.length > 0 && (
        <CommandButton command="plant.sort" input={sorted} strong onDone={close}>
          Mark them so
        </CommandButton>
      )}
    </div>
  );
}
