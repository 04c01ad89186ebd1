"use client";
import { useThere } from "@/ui/useThere";

export function Choose(props: {
  label: string;
  value: string;
  choices: string[];
  words?: Record<string, string>;
  onChange: (value: string) => void;
}) {
  // A choice made before the page listens would be lost.
  const there = useThere();
  return (
    <label className="text-sm">
      {props.label}
      <select value={props.value} disabled={!there} onChange={(event) => props.onChange(event.target.value)}>
        <option value="">All</option>
        {props.choices.map((choice) => (
          <option key={choice} value={choice}>
            {props.words?.[choice] ?? choice}
          </option>
        ))}
      </select>
    </label>
  );
}
