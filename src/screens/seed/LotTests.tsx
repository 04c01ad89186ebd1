import { dayInWords } from "@/core/calendar/day";
import { germinationInterval } from "@/core/seed/germination";
import type { LotPage } from "@/views/lot";
import { CommandButton } from "../common/command";
import { inHundred } from "../common/words";
import { CountTest, SetTest } from "./TestForms";

/** A lot's germination tests, each with its range, and the next. */
export function LotTests({ view: { lot, tests, test, species } }: { view: LotPage }) {
  if (lot.onTable) return null;
  const due = lot.life.testOn;
  return (
    <section className="mt-6 max-w-2xl" aria-label="Germination tests">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h3>Germination tests</h3>
        {test && !lot.endedOn && <SetTest lotId={lot.id} code={lot.code} seeds={test.seeds} wake={species.wake} />}
      </div>
      <p className="text-sm text-soft">
        At {species.warmth.low} to {species.warmth.high} °C, counted from day {species.counts.low} to{" "}
        {species.counts.high}. {species.wake}{" "}
        {test
          ? `${test.seeds} seeds tell it to within ${Math.round(test.half * 100)} in 100${test.precious ? "; more would cost too much of it" : ""}. `
          : "Too few are left to test. "}
        {due && `The next one tells most from ${dayInWords(due)} ${due.slice(0, 4)}.`}
      </p>
      <ul className="rows mt-1 border-y border-rule empty:hidden">
        {tests.map(({ id, version, on, sown, up, over, countedOn, endedOn, note }) => {
          const { low, high } = germinationInterval({ germinated: up, sown, confidence: 0.9 });
          return (
            <li key={id} className="flex flex-wrap items-center justify-between gap-3 py-2">
              <span>
                <strong>
                  {dayInWords(on)} {on.slice(0, 4)}: {up} of {sown} up
                </strong>
                <span className="block text-sm text-soft">
                  {over
                    ? `${inHundred(up / sown)}, nine chances in ten from ${Math.round(low * 100)} to ${Math.round(high * 100)}`
                    : countedOn
                      ? `still running, counted ${dayInWords(countedOn)}`
                      : "not counted yet"}
                  {note && `; ${note}`}
                </span>
              </span>
              <span className="flex flex-wrap gap-2">
                {!endedOn && !over && <CountTest testId={id} code={lot.code} sown={sown} up={up} over={false} />}
                <CommandButton command="test.drop" input={{ id, version }} plain>
                  Strike it out
                </CommandButton>
              </span>
            </li>
          );
        })}
      </ul>
      <p className="mt-1 text-sm text-soft">
        {species.published
          ? "By the published viability equation of its kind (Ellis & Roberts), corrected by your tests."
          : `We hold no constants for its kind: its shelf life of ${species.shelfYears.low} to ${species.shelfYears.high} years is taken as the time in which half dies, corrected by how it lay and by your tests.`}
      </p>
    </section>
  );
}
