"use client";
import { useId, useState } from "react";
import { fixed } from "@/core/writing/numbers";

const LARGEST = 1_000_000;

type Props = { label: string; accept: string; onText: (text: string) => void | Promise<void> };

/** Reads a text file that the person chooses; one too large is refused before it is read. */
export function FilePick({ label, accept, onText }: Props) {
  const [trouble, setTrouble] = useState("");
  const id = useId();
  const pick = async (file: File | undefined) => {
    setTrouble("");
    if (!file) return;
    if (file.size > LARGEST)
      return setTrouble(
        `The file holds ${fixed(file.size / 1e6, 1)} megabytes; one is the most that is taken in at once.`,
      );
    await onText(await file.text());
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
      {trouble && (
        <p id={`${id}-error`} role="alert" className="mt-1 text-sm font-semibold text-rust">
          {trouble}
        </p>
      )}
    </div>
  );
}
