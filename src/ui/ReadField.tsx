"use client";
import { useEffect, useLayoutEffect, useState } from "react";
import { useController, useFormContext } from "react-hook-form";
import { isDay } from "@/core/calendar/day";
import { writtenAs } from "@/core/writing/locale";
import { EMPTY, type Read } from "@/core/writing/read";
import { DayPicker } from "./DayPicker";
import { ReadBack } from "./ReadBack";
import type { Kind, Reader } from "./readers";

type Props = {
  name: string;
  kind: Kind;
  reader: Reader;
  /** Ids of what describes the field, and whether something is wrong with it. */
  id: string;
  described: string;
  wrong: boolean;
};

/** Whether a form holds a value as it is kept, and not what was typed and could not be read. */
const isKept = (kind: Kind, value: unknown): value is number | string =>
  kind === "date"
    ? isDay(String(value))
    : kind === "day-of-year"
      ? /^\d\d-\d\d$/.test(String(value))
      : typeof value === "number";

/** What the form holds of a text: the value; nothing; or, where it can't be read, the text itself. */
const heldOf = (read: Read<number | string>, text: string) =>
  read.kind === "read" ? read.value : read.kind === "empty" ? "" : text;

/**
 * A field that reads what people write. The form holds what was understood; the field what was typed, and says how it was
 * read where that differs. What can be read in two ways is asked, and nothing is sent before it is answered.
 */
export function ReadField({ name, kind, reader, id, described, wrong }: Props) {
  const { setValue, formState } = useFormContext();
  const shown = (value: unknown) => (isKept(kind, value) ? reader.typed(value) : String(value ?? ""));
  const unclear = (value: unknown) => {
    if ((value ?? "") === "" || isKept(kind, value)) return true;
    const read = reader.read(String(value));
    return read.kind === "unread" ? read.why : read.kind === "asked" ? "Choose which is meant." : true;
  };
  const [text, setText] = useState("");
  const { field } = useController({ name, rules: { validate: unclear } });
  const [held, setHeld] = useState<unknown>("");
  const [as, setAs] = useState(writtenAs());
  const [left, setLeft] = useState(false);
  const [early, setEarly] = useState<string | null>(null);
  // What comes from elsewhere (a draft, a scale, the server) stands in the field as it would be typed.
  if (field.value !== held || as !== writtenAs()) {
    setHeld(field.value);
    setAs(writtenAs());
    setText(shown(field.value));
  }

  /** What stands there as it is kept needs no reading, and the server has no day to read it by. */
  const readNow = (): Read<number | string> => {
    if (text === "") return EMPTY;
    if (isKept(kind, field.value) && text === shown(field.value)) return { kind: "read", value: field.value };
    return reader.read(text);
  };
  const read = readNow();
  const type = (typed: string) => {
    const next = reader.read(typed);
    const value = heldOf(next, typed);
    setText(typed);
    setHeld(value);
    field.onChange(value);
    if (next.kind === "read" && next.also)
      for (const [other, its] of Object.entries(next.also)) setValue(other, its, { shouldDirty: true });
  };
  // What was typed before the page was awake stands in the field alone, and would be gone when that is drawn again.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the field first stands in the browser
  useLayoutEffect(() => {
    const { value } = document.getElementById(id) as HTMLInputElement;
    if (value !== text) setEarly(value);
  }, []);
  // Once every field of the form listens: one may fill another.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, for what was typed early
  useEffect(() => {
    if (early !== null) type(early);
  }, [early]);
  const refused = formState.errors[name] !== undefined;
  return (
    <>
      <span className="flex items-stretch gap-1">
        <input
          ref={field.ref}
          id={id}
          name={name}
          type="text"
          inputMode={kind === "number" ? "decimal" : "text"}
          autoComplete="off"
          value={text}
          aria-invalid={wrong || undefined}
          aria-describedby={`${described} ${id}-read`.trim()}
          onChange={(event) => type(event.target.value)}
          onBlur={() => {
            setLeft(true);
            field.onBlur();
          }}
        />
        {kind === "date" && (
          <DayPicker day={read.kind === "read" ? String(read.value) : ""} onChange={(day) => type(reader.typed(day))} />
        )}
      </span>
      <span id={`${id}-read`} aria-live="polite" className="block text-sm">
        {read.kind === "unread" && left && !refused && <span className="font-semibold text-rust">{read.why}</span>}
        <ReadBack read={read} text={text} reader={reader} onChoose={type} />
      </span>
    </>
  );
}
