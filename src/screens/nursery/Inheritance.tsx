"use client";
import type { Id } from "@/core/custody/id";
import type { InheritanceView } from "@/views/inheritance";
import { RatioWords } from "../common/RatioWords";
import { Gene } from "./Gene";

/** By which ratio the words of a family are inherited, as far as its counts say. */
type Props = { inheritance: InheritanceView; stand: { id: Id; code: string }; head: Id | null };

export function Inheritance({ inheritance: { making, traits, genes, xenia, seedShows }, stand, head }: Props) {
  if (genes.length === 0) return null;
  const made =
    making?.kind === "backcross"
      ? "crossed back"
      : making?.times === 1
        ? "selfed once from what carried both"
        : `selfed ${making?.times} times`;
  return (
    <section aria-label="How it is inherited" className="mt-5 mb-7 max-w-3xl">
      <h2>How it is inherited</h2>
      {traits.length > 0 && (
        <p className="mt-1 text-sm text-soft">
          Counts of what was {made}, held against the usual ratios of one gene and two. A plant that was counted wrong,
          or a family that is small, misleads.
        </p>
      )}
      {xenia && (
        <p className="mt-1 text-sm text-soft">
          {xenia}
          {seedShows &&
            " Such a word is the seed’s own: count it on the lot before it is sown, or score it on the plant that grows from it."}
        </p>
      )}
      {traits.map((trait) => (
        <RatioWords key={trait.id} {...trait} />
      ))}
      {genes.map((gene) => (
        <Gene key={gene.id} gene={gene} stand={stand} head={head} likely={traits.find(({ id }) => id === gene.id)} />
      ))}
    </section>
  );
}
