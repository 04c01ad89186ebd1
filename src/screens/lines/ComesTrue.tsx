import { plural } from "@/core/units/plural";
import { chanceInWords, countedInWords } from "@/core/writing/figures";
import { Further } from "@/ui/Further";
import Link from "@/ui/Link";
import type { LineView } from "@/views/lines";
import { OffTypeFigure } from "./figures";
import { HowJudged } from "./HowJudged";
import { raisingInWords, stepInWords, testInWords } from "./trueWords";
import { Undecided } from "./Undecided";

type Mark = LineView["trueness"]["tests"][number]["standing"];
const MARKS: Record<Mark, { words: string; tone: string }> = {
  holds: { words: "passed", tone: "var(--moss)" },
  open: { words: "not shown yet", tone: "var(--quince)" },
  fails: { words: "not passed", tone: "var(--rust)" },
};

/** A full ring with a tick, half a ring, or a broken one. */
function StandingMark({ standing }: { standing: Mark }) {
  const { words, tone } = MARKS[standing];
  return (
    <svg viewBox="0 0 20 20" className="mt-1 h-5 w-5 shrink-0" role="img" aria-label={words}>
      {standing === "holds" ? (
        <>
          <circle cx="10" cy="10" r="9" fill={tone} />
          <path d="M5.5 10.5 9 14l5.8-7.5" fill="none" stroke="var(--leaf)" strokeWidth="2.2" />
        </>
      ) : standing === "open" ? (
        <>
          <circle cx="10" cy="10" r="8" fill="none" stroke={tone} strokeWidth="2" />
          <path d="M10 2a8 8 0 0 0 0 16z" fill={tone} />
        </>
      ) : (
        <circle cx="10" cy="10" r="8" fill="none" stroke={tone} strokeWidth="2" strokeDasharray="3.2 2.4" />
      )}
    </svg>
  );
}

/** The standing list of tests, what is missing, and what brings it on for least. */
export function ComesTrue({ view: { trueness, line, stands } }: { view: LineView }) {
  const { tests, holding, step, next, undecided, losses, seasons } = trueness;
  const family = stands.find((one) => one.family === 1);
  const now = seasons.find((one) => one.underWay);
  return (
    <section aria-label="Does it come true" className="mb-8">
      <p className="text-sm font-bold text-soft">
        {trueness.as === "mix" ? "Does it hold together?" : "Does it come true?"}
      </p>
      <h2>
        {holding} of {plural(tests.length, "test")} passed
      </h2>
      {step && trueness.says !== "unknown" && (
        <p className="mt-1">
          <strong>What is missing first:</strong> {stepInWords(step, now !== undefined)}
        </p>
      )}
      <ul className="mt-2 border-ink border-t">
        {tests.map((test) => {
          const { name, figure } = testInWords(test, trueness.as);
          return (
            <li key={`${test.key} ${name}`} className="flex items-start gap-3 border-rule border-b py-2.5">
              <StandingMark standing={test.standing} />
              <div className="min-w-0 grow">
                <div className="flex flex-wrap items-baseline justify-between gap-x-3">
                  <strong>{name}</strong>
                  <span className="text-right font-bold">
                    {test.key === "off-types" && test.test.seasons.length > 0 ? (
                      <OffTypeFigure seasons={test.test.seasons} shown={figure} />
                    ) : (
                      figure
                    )}
                  </span>
                </div>
              </div>
            </li>
          );
        })}
      </ul>
      <Further of="Why, test by test">
        <dl className="text-sm">
          {tests.map((test) => {
            const { name, why } = testInWords(test, trueness.as);
            return (
              <div key={`${test.key} ${name}`} className="mb-2">
                <dt className="font-bold">{name}</dt>
                <dd className="break-words text-soft">{why}</dd>
              </div>
            );
          })}
        </dl>
      </Further>
      {now && (now.offTypes > 0 || now.otherwise > 0) && (
        <p className="mt-3 text-sm text-soft">
          This season so far: {countedInWords(now.offTypes, now.plants)} off-types. It counts once flowering is over.
        </p>
      )}
      {undecided.length > 0 && <Undecided lineId={line.id} undecided={undecided} />}
      {next && (
        <>
          <h3 className="mt-4">Chance to pass next season: {chanceInWords(next.chance)}</h3>
          <p className="text-sm text-soft">With as many plants as last season.</p>
          {next.best.length > 0 && (
            <Further of="What helps most for the least ground">
              <p className="text-sm text-soft">Each step comes on top of the ones above it.</p>
              <ol className="mt-1">
                {next.best.map((one) => (
                  <li
                    key={one.step}
                    className="flex flex-wrap items-baseline justify-between gap-x-3 border-rule border-b py-1.5"
                  >
                    <span>{raisingInWords(one)}</span>
                    <strong>{chanceInWords(one.chance)}</strong>
                  </li>
                ))}
              </ol>
            </Further>
          )}
        </>
      )}
      {losses.length > 0 && (
        <p className="mt-3 text-sm text-soft">
          Removed, but not as off-types:{" "}
          {losses.map(({ reason, plants }) => `${reason || "no reason given"} (${plants})`).join("; ")}.{" "}
          {family && <Link href={`/nursery/${family.code}/roguing`}>Describe an off-type</Link>}
        </p>
      )}
      <p className="mt-3">
        <HowJudged />
      </p>
      {line.cloned === 1 && (
        <p className="mt-2 text-sm text-soft">
          One plant that is multiplied is the end of the road: its seed will divide again, itself stays as it is. Watch
          for sports and for disease that goes with it.
        </p>
      )}
    </section>
  );
}
