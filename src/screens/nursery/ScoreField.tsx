"use client";
import { ToggleGroup } from "radix-ui";
import { useEffect, useState } from "react";
import type { Entry } from "@/core/traits/kind";
import { kindOf } from "@/core/traits/kinds";
import type { BenchPlant, YardstickView } from "@/views/family";
import type { Scoring } from "./useScoring";

type Props = { plant: BenchPlant; yardstick: YardstickView; scoring: Scoring };

/** One yardstick of one plant by thumb: steps, words, yes or no are buttons; anything else is typed. */
export function ScoreField({ plant, yardstick, scoring }: Props) {
  const { value, looks, trouble } = scoring.shown(plant.id, yardstick.id);
  const give = (typed: string) => void scoring.score(plant, yardstick, typed, false);
  const typed = scoring.typedOf(plant.id, yardstick);
  const { entry: entryOf, shown } = kindOf(yardstick);
  const entry = entryOf(yardstick.words);
  return (
    <>
      {entry.by === "nothing" && <p className="text-lg font-bold">{value ? shown(value) : "not reckoned yet"}</p>}
      {entry.by === "press" && <Buttons entry={entry} name={yardstick.name} typed={typed} onGive={give} />}
      {entry.by === "typing" && (
        <Typed {...{ plant, yardstick, typed, trouble }} keyboard={entry.keyboard} onGive={give} />
      )}
      {trouble && (
        <p id={`${plant.id}-${yardstick.id}`} role="alert" className="font-semibold text-rust">
          {trouble}
        </p>
      )}
      {looks > 1 && value && (
        <p className="text-sm text-soft">
          {shown(value)} {yardstick.often === "pass" ? "in all" : "in the mean"} of {looks} looks
        </p>
      )}
    </>
  );
}

type ButtonsProps = {
  entry: Extract<Entry, { by: "press" }>;
  name: string;
  typed: string;
  onGive: (typed: string) => void;
};

function Buttons({ entry, name, typed, onGive }: ButtonsProps) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={name}
      value={typed}
      // Pressed again it is the same score, not none: a wet thumb presses twice.
      onValueChange={(next) => next && onGive(next)}
      className={entry.inOneRow ? "mt-1 grid grid-cols-9 gap-1" : "mt-1 flex flex-wrap gap-2"}
    >
      {entry.choices.map((choice) => (
        <ToggleGroup.Item
          key={choice.typed}
          value={choice.typed}
          className="leaf min-h-12 px-2 data-[state=on]:bg-damson data-[state=on]:text-on-damson"
        >
          {choice.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}

type TypedProps = Omit<Props, "scoring"> & {
  typed: string;
  trouble: string | null;
  keyboard: "decimal" | "text";
  onGive: (typed: string) => void;
};

function Typed({ plant, yardstick, typed, trouble, keyboard, onGive }: TypedProps) {
  const [text, setText] = useState(typed);
  useEffect(() => setText(typed), [typed]);
  const keep = () => text.trim() !== typed && onGive(text.trim());
  return (
    <input
      aria-label={`${yardstick.name}, plant ${plant.number}`}
      aria-invalid={trouble ? true : undefined}
      aria-describedby={trouble ? `${plant.id}-${yardstick.id}` : undefined}
      inputMode={keyboard}
      autoComplete="off"
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={keep}
      onKeyDown={(event) => event.key === "Enter" && keep()}
      className="min-h-12 max-w-48"
    />
  );
}
