"use client";
import clsx from "clsx";
import { useId } from "react";

type Props<V extends string> = {
  /** What is chosen, for who does not see it. */
  label: string;
  value: V;
  choices: readonly (readonly [value: V, label: string])[];
  onChange: (value: V) => void;
  className?: string;
  /** Of each choice. */
  each?: string;
};

/** One of a few, each a leaf to press. */
export function OneOf<V extends string>({ label, value, choices, onChange, className = "flex gap-2", each }: Props<V>) {
  const name = useId();
  return (
    <div role="radiogroup" aria-label={label} className={className}>
      {choices.map(([own, words]) => (
        <label
          key={own}
          className={clsx(
            "leaf relative has-checked:bg-damson has-checked:text-on-damson has-focus-visible:outline-2 has-focus-visible:outline-offset-2",
            each,
          )}
        >
          <input
            type="radio"
            name={name}
            checked={own === value}
            onChange={() => onChange(own)}
            className="absolute inset-0 size-full cursor-pointer opacity-0"
          />
          {words}
        </label>
      ))}
    </div>
  );
}
