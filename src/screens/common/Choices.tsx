"use client";
import type { ReactNode } from "react";
import { Answered } from "@/ui/Answered";
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
  return (
    <Answered<ChoicesOf<K>>
      path={`/api/choices/${of}${asked}`}
      since={since}
      waiting="Looking up what there is to choose from …"
    >
      {children}
    </Answered>
  );
}
