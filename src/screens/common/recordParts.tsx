"use client";
import { useEffect, useState } from "react";
import { addDays, dayInWords, daysBetween } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import type { Petals, ProtocolStep, Unit } from "@/core/pollination/protocol";
import type { Units } from "@/core/units/units";
import { DayInput } from "@/ui/DayInput";
import { OneOf } from "@/ui/OneOf";
import { dayNow } from "@/ui/press";

export type Flower = { id: Id; number: number; code: string };

export type Props = {
  crossId: Id;
  code: string;
  unit: Unit;
  /** The colour of its flowers. */
  petals: Petals;
  day: string;
  step: ProtocolStep;
  flowers: Flower[];
  /** Set fruit with a fault, which is brought in apart. */
  doubtful?: number;
  /** Males for each, or tassels over all, as they are offered. */
  males?: number;
  suggested: number;
  units: Units;
  /** On the round the presses come first, and what to look for opens. */
  brief?: boolean;
  onDone: () => void;
};

export function Trouble({ message }: { message: string | null }) {
  return message ? (
    <p role="alert" className="my-4 border-l-4 border-rust pl-3 font-semibold text-rust">
      {message}
    </p>
  ) : null;
}

export const wide = "leaf leaf-strong mt-6 min-h-16 w-full text-xl";

const dayOfPress = (today: string, ago: number) =>
  `${ago === 0 ? "Today" : "Yesterday"}, ${dayInWords(addDays(today, -ago))}`;

/** The day something was done: the press's own, or the one before. Kept as days ago, as a page may stand open overnight. */
export function WhichDay({ day, ago, onChange }: { day: string; ago: number; onChange: (ago: number) => void }) {
  // Drawn with the server's day first, and with this device's as soon as it is known.
  const [today, setToday] = useState(day);
  useEffect(() => setToday(dayNow()), []);
  return (
    <div className="mb-4 flex flex-wrap items-center gap-2">
      <OneOf
        label="Day"
        value={String(ago)}
        choices={["0", "1"].map((days) => [days, dayOfPress(today, Number(days))] as const)}
        onChange={(days) => onChange(Number(days))}
      />
      <span className="flex items-center gap-2">
        <span aria-hidden className="whitespace-nowrap text-soft">
          or on
        </span>
        <DayInput
          label="or on"
          latest={today}
          value={addDays(today, -ago)}
          onChange={(on) => onChange(daysBetween(on, today))}
        />
      </span>
    </div>
  );
}
