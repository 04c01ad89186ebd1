"use client";
import { useId, useState } from "react";
import { foreignWords, lettersOf } from "@/core/writing/letters";
import { fixed } from "@/core/writing/numbers";

const LARGEST = 1_000_000;

type Props = { label: string; accept: string; onText: (text: string) => void | Promise<void> };

/** Words that are shown of a file whose letters were guessed. */
const SHOWN = 6;

/** Reads a text file that the person chooses; one too large is refused before it is read. */
export function FilePick({ label, accept, onText }: Props) {
  const [trouble, setTrouble] = useState("");
  const [guessed, setGuessed] = useState("");
  const id = useId();
  const pick = async (file: File | undefined) => {
    setTrouble("");
    setGuessed("");
    if (!file) return;
    if (file.size > LARGEST)
      return setTrouble(
        `The file holds ${fixed(file.size / 1e6, 1)} megabytes; one is the most that is taken in at once.`,
      );
    const { text, from } = lettersOf(new Uint8Array(await file.arrayBuffer()));
    if (from === "windows-1252") setGuessed(foreignWords(text, SHOWN).join(", "));
    await onText(text);
  };
  return (
    <div>
      <label htmlFor={id} className="block font-semibold">
        {label}
      </label>
      <input
        id={id}
        type="file"
        accept={accept}
        aria-describedby={trouble ? `${id}-error` : undefined}
        onChange={(event) => void pick(event.target.files?.[0])}
      />
      {guessed && (
        <p role="status" className="mt-1 max-w-prose text-sm font-semibold">
          This file isn&apos;t in UTF-8, so its letters are guessed. Check these words: {guessed}. If they look wrong,
          save the file as UTF-8 and choose it again.
        </p>
      )}
      {trouble && (
        <p id={`${id}-error`} role="alert" className="mt-1 text-sm font-semibold text-rust">
          {trouble}
        </p>
      )}
    </div>
  );
}
