"use client";
import type { Id } from "@/core/custody/id";
import { oddsInWords, timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import { Sheet } from "@/ui/Sheet";
import type { InheritanceView } from "@/views/inheritance";

import { Gene } from "./Gene";

type Trait = InheritanceView["traits"][number];

/** By which ratio the words of a family are inherited, as far as its counts say. */
type Props = { inheritance: InheritanceView; stand: { id: Id; code: string }; head: Id | null };

export function Inheritance({ inheritance: { making, traits, genes, xenia }, stand, head }: Props) {
  if (genes.length === 0) return null;
  const made =
    making?.kind === "backcross" ? "crossed back" : making?.times === 1 ? "an F2" : `selfed ${making?.times} times`;
  return (
    <section aria-label="How it is inherited" className="mb-7 max-w-3xl">
      <h2>How it is inherited</h2>
      {traits.length > 0 && (
        <p className="mt-1 text-sm text-soft">
          Counts of {made}, held against the usual ratios of one gene and two. A plant that was counted wrong, or a
          family that is small, misleads.
        </p>
      )}
      {xenia && (
        <p className="mt-1 text-sm text-soft">
          {xenia} Such a word is the seed’s own: score it on the plant that grows from it.
        </p>
      )}
      {traits.map((trait) => (
        <OfTrait key={trait.id} {...trait} />
      ))}
      {genes.map((gene) => (
        <Gene key={gene.id} gene={gene} stand={stand} head={head} likely={traits.find(({ id }) => id === gene.id)} />
      ))}
    </section>
  );
}

/** What it means for choosing, where one word hides another. */
const WhatIsHidden = ({
  hidden: { shown, hidden, carriers, selfed, testcrossed, one, five },
}: {
  hidden: NonNullable<Trait["hidden"]>;
}) => (
  <p>
    {oddsInWords(carriers, { what: "plant" })} of those that show {shown} carry {hidden} unseen. A plant is pure
    nineteen times in twenty once {selfed} of its selfed offspring, or {testcrossed} from a cross with {hidden}, all
    show {shown}. For one that is {hidden} grow {one} of this family, for five {five}.
  </p>
);

const said = (ratio: number[], classes: Trait["classes"]) =>
  `${ratio.join(" : ")} (${classes.map(({ word }) => word).join(" : ")})`;

function OfTrait({ name, classes, ratios: { fits, other, more }, hidden }: Trait) {
  const [best, next] = fits;
  const counted = classes.map(({ word, count }) => `${count} ${word}`).join(", ");
  return (
    <div className="mt-4">
      <h3>
        {name}: {counted}
      </h3>
      {!best || other > best.chance ? (
        <p>
          None of the usual ratios fits well: {timesInTen(other)} it is another one. More than two genes, or something
          else.
        </p>
      ) : (
        <p>
          <strong>{said(best.ratio, classes)}</strong>, {best.name}: {timesInTen(best.chance)}.
        </p>
      )}
      {hidden && <WhatIsHidden hidden={hidden} />}
      {next && more !== null && more > 0 && (
        <p className="text-sm text-soft">
          {plural(more, "more plant")} would part it from {next.ratio.join(" : ")}, nine times in ten.
        </p>
      )}
      {next && more === null && (
        <p className="text-sm text-soft">
          No number of plants parts it from {next.ratio.join(" : ")}; the next generation will.
        </p>
      )}
      <Sheet trigger="All ratios" title={`${name}: the ratios`} plain>
        {() => (
          <>
            <table className="ruled w-full text-sm">
              <thead>
                <tr>
                  <th scope="col">Ratio</th>
                  <th scope="col">How</th>
                  <th scope="col">Chance</th>
                  <th scope="col">Chi-square, its chance</th>
                </tr>
              </thead>
              <tbody>
                {fits.map((fit) => (
                  <tr key={fit.ratio.join(" ")}>
                    <td className="whitespace-nowrap">{fit.ratio.join(" : ")}</td>
                    <td>{fit.name}</td>
                    <td>{fixed(fit.chance, 3)}</td>
                    <td className="whitespace-nowrap">
                      {fixed(fit.test.chiSquare, 2)}, {fixed(fit.test.exactPValue ?? fit.test.pValue, 3)}
                    </td>
                  </tr>
                ))}
                <tr>
                  <td colSpan={2}>any other division</td>
                  <td>{fixed(other, 3)}</td>
                  <td />
                </tr>
              </tbody>
            </table>
            <p className="mt-3 text-sm text-soft">
              Bayes’ rule on the counts: one gene is asked for three times as soon as two, any other division of the
              plants counts as one more way. The chance beside chi-square is the exact one where it can be had.
            </p>
          </>
        )}
      </Sheet>
    </div>
  );
}
