"use client";
import { oddsInWords, timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import { Sheet } from "@/ui/Sheet";
import type { RatiosOfWords } from "@/views/inheritance";

/** What it means for choosing, where one word hides another. */
const WhatIsHidden = ({
  hidden: { shown, hidden, carriers, selfed, testcrossed, one, five },
}: {
  hidden: NonNullable<RatiosOfWords["hidden"]>;
}) => (
  <p>
    {oddsInWords(carriers, { what: "plant" })} of those that show {shown} carry {hidden} unseen. A plant is pure
    nineteen times in twenty once {selfed} of its selfed offspring, or {testcrossed} from a cross with {hidden}, all
    show {shown}. For one that is {hidden} grow {one} of these, for five {five}.
  </p>
);

const said = (ratio: number[], classes: RatiosOfWords["classes"]) =>
  `${ratio.join(" : ")} (${classes.map(({ word }) => word).join(" : ")})`;

/** Counted words of a yardstick, and by which ratio they divide. */
export function RatioWords({ name, classes, ratios: { fits, other, more }, hidden }: RatiosOfWords & { name: string }) {
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
