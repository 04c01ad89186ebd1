"use client";
import type { ReactNode } from "react";
import { useAsked } from "@/ui/useAsked";
import { WhenSeen } from "@/ui/WhenSeen";
import type { CHOICES, ChoicesOf } from "@/views/choices";

type Props<K extends keyof typeof CHOICES> = {
  of: K;
  season?: number;
  /** The journal's head, where the form stands on its page for long. */
  since?: string | null;
  children: (choices: ChoicesOf<K>) => ReactNode;
};

/** A form that stands beside what a page is about: it comes once it is seen. */
export const ChoicesSeen = <K extends keyof typeof CHOICES>(props: Props<K>) => (
  <WhenSeen height={520}>
    <Choices {...props} />
  </WhenSeen>
);

/** A form with what it lets choose from, shown as soon as that is there. */
export function Choices<K extends keyof typeof CHOICES>({ of, season, since = null, children }: Props<K>) {
  const asked = season === undefined ? "" : `?season=${season}`;
  const { answer, trouble } = useAsked<ChoicesOf<K>>(`/api/choices/${of}${asked}`, since);
  if (answer) return children(answer);
  if (trouble)
    return (
      <p role="alert" className="text-rust">
        {trouble}
      </p>
    );
  return <p className="text-soft">Looking up what there is to choose from …</p>;
}
