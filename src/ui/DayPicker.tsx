"use client";
import { CalendarDays } from "lucide-react";
import { useRef } from "react";
import type { Day } from "@/core/calendar/day";

type Props = { day: Day | ""; latest?: Day | undefined; onChange: (day: Day) => void };

/** The browser's calendar beside a field in which a day is typed as people write it. */
export function DayPicker({ day, latest, onChange }: Props) {
  const picker = useRef<HTMLInputElement>(null);
  return (
    <>
      <button
        type="button"
        aria-label="Choose a day"
        className="leaf leaf-plain shrink-0"
        onClick={() => picker.current?.showPicker()}
      >
        <CalendarDays aria-hidden size={20} />
      </button>
      <input
        ref={picker}
        type="date"
        tabIndex={-1}
        aria-hidden
        max={latest}
        value={day}
        onChange={(event) => event.target.value && onChange(event.target.value)}
        className="pointer-events-none absolute -z-10 h-0 w-0 opacity-0"
      />
    </>
  );
}
