"use client";
import type { ReactNode } from "react";
import { useAsked } from "./useAsked";

type Props<T> = {
  path: string;
  /** Changes when what is asked may have changed. */
  since?: string | null;
  /** What is said until the answer is there. */
  waiting: string;
  children: (answer: T) => ReactNode;
};

/** What an address answers, drawn once it is there; until then what it waits for, or why it does not come. */
export function Answered<T>({ path, since = null, waiting, children }: Props<T>) {
  const { answer, trouble } = useAsked<T>(path, since);
  if (answer) return children(answer);
  if (trouble)
    return (
      <p role="alert" className="text-rust">
        {trouble}
      </p>
    );
  return <p className="text-soft">{waiting}</p>;
}
