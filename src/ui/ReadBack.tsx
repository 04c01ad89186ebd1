"use client";
import { plainly, type Read } from "@/core/writing/read";
import type { Reader } from "./readers";

type Props = { read: Read<number | string>; text: string; reader: Reader; onChoose: (typed: string) => void };

/** How what was typed was read, where that is not how it stands there; and the question, where it can be read in two ways. */
export function ReadBack({ read, text, reader, onChoose }: Props) {
  if (read.kind === "read" && plainly(text) !== plainly(reader.typed(read.value)))
    return <span className="text-soft">Read as {reader.said(read.value)}</span>;
  if (read.kind !== "asked") return null;
  return (
    <span className="mt-1 flex flex-wrap items-center gap-2">
      {read.question}
      {read.choices.map(({ value, words }) => (
        <button key={words} type="button" className="leaf" onClick={() => onChoose(reader.typed(value))}>
          {words}
        </button>
      ))}
    </span>
  );
}
