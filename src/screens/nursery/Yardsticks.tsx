"use client";
import { counts } from "@/core/selection/ranking";
import type { Family } from "@/views/family";
import { CommandButton } from "../common/command";
import { percent } from "../common/words";
import { AddYardsticks } from "./AddYardsticks";
import { AimSheet } from "./AimSheet";
import { CompareWeights } from "./CompareWeights";
import { meanInWords, STAGES, unitOf, wantedInWords } from "./yardstickWords";

/** What the family is measured by: the wanted, the weight, the family's mean and the parents beside it. */
export function Yardsticks({ view }: { view: Family }) {
  const { yardsticks } = view;
  const weights = yardsticks.reduce((sum, y) => sum + (y.wanted === "none" ? 0 : y.weight), 0);
  const weighed = yardsticks.filter(counts);
  return (
    <section aria-label="Yardsticks" className="mt-8">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2>Measured by</h2>
        <AddYardsticks view={view} />
      </div>
      {yardsticks.length === 0 ? (
        <p className="mt-2">
          Two to five yardsticks are enough: what the variety is to be, in things you can count, weigh or judge from 1
          to 9.
        </p>
      ) : (
        <>
          <ul className="rows mt-3 border-y border-rule">
            {yardsticks.map((y) => (
              <li key={y.id} className="py-2">
                <div className="flex items-baseline justify-between gap-3">
                  <span className="min-w-0 break-words font-semibold">{y.name}</span>
                  <AimSheet yardstick={y} yardsticks={yardsticks} share={weights > 0 ? y.weight / weights : 0} />
                </div>
                <p className="text-sm text-soft">
                  {wantedInWords(y)}
                  {y.stage === "any" ? "" : `; ${STAGES[y.stage].toLowerCase()}`}
                </p>
                <table className="mt-1 w-full text-sm">
                  <tbody>
                    {(y.family || y.mostly) && (
                      <Figures
                        name="this family"
                        words={y.family ? meanInWords(y.family.mean, y.family.spread, unitOf(y)) : y.mostly!}
                        count={y.family?.count}
                      />
                    )}
                    {y.parents.map((p) => (
                      <Figures
                        key={p.line}
                        name={`${p.line}, ${p.season}`}
                        words={
                          p.summary
                            ? meanInWords(p.summary.mean, p.summary.spread, unitOf(y))
                            : (p.words ?? "no scores")
                        }
                        count={p.summary?.count}
                      />
                    ))}
                  </tbody>
                </table>
                {y.repeats && (
                  <p className="text-sm text-soft">
                    Your second looks: {percent(y.repeats.share)} of what differs is between plants (
                    {percent(y.repeats.low)} to {percent(y.repeats.high)}, {y.repeats.plants} plants); two looks at one
                    differ by about {meanInWords(y.repeats.slip * Math.SQRT2, null, unitOf(y))}.
                  </p>
                )}
              </li>
            ))}
          </ul>
          {weighed.length > 1 && <CompareWeights yardsticks={weighed} />}
          <Retired view={view} />
        </>
      )}
    </section>
  );
}

/** Yardsticks that are not used any more can be taken up again. */
function Retired({ view: { retired } }: { view: Family }) {
  if (retired.length === 0) return null;
  return (
    <ul className="mt-2 text-sm" aria-label="Not used any more">
      {retired.map(({ id, version, name }) => (
        <li key={id} className="flex items-baseline justify-between gap-3">
          <span className="text-soft">{name}, not used any more; its scores are kept</span>
          <CommandButton
            command="yardstick.retire"
            input={{ id, version, again: true }}
            label={`Use ${name} again`}
            plain
          >
            Use again
          </CommandButton>
        </li>
      ))}
    </ul>
  );
}

function Figures({ name, words, count }: { name: string; words: string; count?: number }) {
  return (
    <tr>
      <th scope="row" className="pr-2 text-left font-normal text-soft">
        {name}
      </th>
      <td className="text-right font-semibold">
        {words}
        {count !== undefined && <span className="font-normal text-soft"> of {count}</span>}
      </td>
    </tr>
  );
}
