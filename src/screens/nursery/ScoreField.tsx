"use client";
import { ToggleGroup } from "radix-ui";
import { type ReactNode, useEffect, useState } from "react";
import { scoreShown } from "@/core/selection/typing";
import type { BenchPlant, YardstickView } from "@/views/family";
import type { Scoring } from "./useScoring";

type Props = { plant: BenchPlant; yardstick: YardstickView; scoring: Scoring };

/** One yardstick of one plant by thumb: steps, words, yes or no are buttons; anything else is typed. */
export function ScoreField({ plant, yardstick, scoring }: Props) {
  const { value, looks, trouble } = scoring.shown(plant.id, yardstick.id);
  const give = (typed: string) => void scoring.score(plant, yardstick, typed, false);
  const typed = scoring.typedOf(plant.id, yardstick);
  const { kind, words } = yardstick;
  return (
    <>
      {kind === "ratio" ? (
        <p className="text-lg font-bold">{value ? scoreShown(kind, value) : "not reckoned yet"}</p>
      ) : kind === "scale" || kind === "yes-no" || (kind === "category" && words.length <= 9) ? (
        <Buttons yardstick={yardstick} typed={typed} onGive={give} />
      ) : (
        <Typed plant={plant} yardstick={yardstick} typed={typed} trouble={trouble} onGive={give} />
      )}
      {trouble && (
        <p id={`${plant.id}-${yardstick.id}`} role="alert" className="font-semibold text-rust">
          {trouble}
        </p>
      )}
      {looks > 1 && value && (
        <p className="text-sm text-soft">
          {scoreShown(kind, value)} {yardstick.often === "pass" ? "in all" : "in the mean"} of {looks} looks
        </p>
      )}
    </>
  );
}

const CHOICES: Record<string, [string, string][]> = {
  scale: Array.from({ length: 9 }, (_, i) => [String(i + 1), String(i + 1)]),
  "yes-no": [
    ["y", "Yes"],
    ["n", "No"],
  ],
};

function Buttons({
  yardstick,
  typed,
  onGive,
}: {
  yardstick: YardstickView;
  typed: string;
  onGive: (v: string) => void;
}) {
  const choices = CHOICES[yardstick.kind] ?? yardstick.words.map((word): [string, string] => [word, word]);
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={yardstick.name}
      value={typed}
      // Pressed again it is the same score, not none: a wet thumb presses twice.
      onValueChange={(next) => next && onGive(next)}
      className={yardstick.kind === "scale" ? "mt-1 grid grid-cols-9 gap-1" : "mt-1 flex flex-wrap gap-2"}
    >
      {choices.map(
        ([value, label]): ReactNode => (
          <ToggleGroup.Item
            key={value}
            value={value}
            className="leaf min-h-12 px-2 data-[state=on]:bg-damson data-[state=on]:text-on-damson"
          >
            {label}
          </ToggleGroup.Item>
        ),
      )}
    </ToggleGroup.Root>
  );
}

type TypedProps = Omit<Props, "scoring"> & { typed: string; trouble: string | null; onGive: (typed: string) => void };

function Typed({ plant, yardstick, typed, trouble, onGive }: TypedProps) {
  const [text, setText] = useState(typed);
  useEffect(() => setText(typed), [typed]);
  const keep = () => text.trim() !== typed && onGive(text.trim());
  return (
    <input
      aria-label={`${yardstick.name}, plant ${plant.number}`}
      aria-invalid={trouble ? true : undefined}
      aria-describedby={trouble ? `${plant.id}-${yardstick.id}` : undefined}
      inputMode={yardstick.kind === "number" || yardstick.kind === "count" ? "decimal" : "text"}
      autoComplete="off"
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={keep}
      onKeyDown={(event) => event.key === "Enter" && keep()}
      className="min-h-12 max-w-48"
    />
  );
}
