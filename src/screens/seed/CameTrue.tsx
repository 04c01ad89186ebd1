"use client";
import { dayInWords } from "@/core/calendar/day";
import { oneIn, rangeInWords } from "@/core/isolation/verdict";
import { plural } from "@/core/units/plural";
import { Sheet } from "@/ui/Sheet";
import type { LotPage } from "@/views/lot";
import { CommandButton, CommandForm } from "../common/command";

/** Of open seed: how many of its plants had a strange father, beside what was foreseen, and what that teaches. */
export function CameTrue({ view: { lot, strangers } }: { view: LotPage }) {
  if (!strangers) return null;
  const { foreseen, counts } = strangers;
  return (
    <section className="mt-6 max-w-2xl" aria-label="Strange fathers">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h3>Did it come true?</h3>
        <Sheet trigger="Count off-types" title={`Off-types of lot ${lot.code}`}>
          {(done) => (
            <CommandForm
              command="offtype.count"
              draft={`offtype-${lot.id}`}
              values={{ plants: null, strange: null, on: null }}
              hidden={{ lotId: lot.id }}
              submit="Write it down"
              onDone={done}
            >
              {(Field) => (
                <>
                  <Field name="plants" label="Plants looked at" type="number" hint="All that could have shown it." />
                  <Field
                    name="strange"
                    label="Of a strange father"
                    type="number"
                    hint="Those that a stranger's pollen explains; none is an answer too."
                  />
                  <Field name="on" label="Counted on" type="date" hint="Empty: today." />
                </>
              )}
            </CommandForm>
          )}
        </Sheet>
      </div>
      <p className="text-sm text-soft">
        {foreseen
          ? `Foreseen for its year: ${foreseen.likely === 0 ? "no stranger that you entered" : `${oneIn(foreseen.likely)} of a strange father, nine times in ten ${rangeInWords(foreseen)}`}. `
          : "Which stand it was gathered from is not known, so nothing was foreseen. "}
        Every plant of it that is looked at corrects how far pollen is taken to reach in this garden.
      </p>
      <ul className="rows mt-1 border-y border-rule empty:hidden">
        {counts.map(({ id, version, on, plants, strange }) => (
          <li key={id} className="flex flex-wrap items-center justify-between gap-3 py-2">
            <span>
              <strong>
                {dayInWords(on)} {on.slice(0, 4)}: {strange} of {plural(plants, "plant")}
              </strong>
              {strange > 0 && <span className="block text-sm text-soft">{oneIn(strange / plants)}</span>}
            </span>
            <CommandButton command="offtype.drop" input={{ id, version }} plain>
              Strike it out
            </CommandButton>
          </li>
        ))}
      </ul>
    </section>
  );
}
