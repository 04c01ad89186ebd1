"use client";
import clsx from "clsx";
import { useId, useState } from "react";
import type { Day } from "@/core/calendar/day";
import { dayTyped } from "@/core/writing/days";
import { DayPicker } from "./DayPicker";
import { ReadBack } from "./ReadBack";
import { readerOf } from "./readers";

type Props = {
  label: string;
  value: Day | "";
  latest?: Day;
  className?: string;
  onChange: (day: Day) => void;
};

/**
 * A day outside a form, typed as people write it or chosen from the calendar. What can't be read, can be read in two ways or
 * is too late stays as it was typed, says so, and changes nothing.
 */
export function DayInput({ label, value, latest, className, onChange }: Props) {
  const id = useId();
  const reader = readerOf("date");
  const [text, setText] = useState(value && dayTyped(value));
  const [held, setHeld] = useState(value);
  // What comes from elsewhere stands as it would be typed; what is being typed stays.
  if (value !== held) {
    setHeld(value);
    setText(value && dayTyped(value));
  }
  const read = text === (value && dayTyped(value)) ? null : reader.read(text);
  const after = read?.kind === "read" && latest !== undefined && String(read.value) > latest;
  const type = (typed: string) => {
    setText(typed);
    const next = reader.read(typed);
    if (next.kind !== "read" || (latest && String(next.value) > latest)) return;
    setHeld(String(next.value));
    onChange(String(next.value));
  };
  return (
    <span className="grid gap-1">
      <span className="flex items-stretch gap-1">
        <input
          aria-label={label}
          aria-describedby={id}
          aria-invalid={read?.kind === "unread" || after || undefined}
          type="text"
          autoComplete="off"
          className={clsx("min-h-11 w-32", className)}
          value={text}
          onChange={(event) => type(event.target.value)}
        />
        <DayPicker day={value} latest={latest} onChange={(day) => type(reader.typed(day))} />
      </span>
      <span id={id} aria-live="polite" className="block text-sm empty:hidden">
        {(after || read?.kind === "unread") && (
          <span className="font-semibold text-rust">
            {read?.kind === "unread" ? read.why : "That day is still to come."}
            {value && ` It is ${reader.said(value)} still.`}
          </span>
        )}
        {read && !after && <ReadBack read={read} text={text} reader={reader} onChoose={type} />}
      </span>
    </span>
  );
}
