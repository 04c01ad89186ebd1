"use client";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import { Sheet } from "@/ui/Sheet";
import type { LotPage } from "@/views/lot";
import type { SeedWords as Shown } from "@/views/seedWords";
import { CommandForm } from "../common/command";
import { RatioWords } from "../common/RatioWords";

type Mark = Shown["marks"][number];

/** A range of shares; what was counted is never all there is. */
const inHundreds = ({ low, high }: { low: number; high: number }): string =>
  `${Math.floor(low * 100)} to ${high > 0.99 ? "over 99" : Math.ceil(high * 100)} %`;

/** Of kinds whose seed shows at once whose pollen it is of: its seeds by what they show, and what that says. */
export function SeedWords({ view: { lot, seedWords } }: { view: LotPage }) {
  if (!seedWords) return null;
  const { says, marks } = seedWords;
  return (
    <section className="mt-6 max-w-2xl" aria-label="What its seeds show">
      <h3>What its seeds show</h3>
      <p className="text-sm text-soft">{says}</p>
      {marks.length === 0 && (
        <p className="mt-1">
          <Link href={`/lines/${lot.lineCode}`}>Give {lot.lineName} a yardstick of words</Link>, kernel colour for one,
          and its seeds can be counted by it.
        </p>
      )}
      {marks.map((mark) => (
        <OfMark key={mark.id} mark={mark} lot={lot} />
      ))}
    </section>
  );
}

function OfMark({ mark, lot }: { mark: Mark; lot: LotPage["lot"] }) {
  const { id, name, words, seen, ratios } = mark;
  const all = seen.reduce((sum, { seeds }) => sum + seeds, 0);
  return (
    <div className="mt-3">
      {ratios ? (
        <RatioWords name={name} {...ratios} />
      ) : (
        <h3>
          {name}
          {all === 0 && ": not counted"}
        </h3>
      )}
      {all > 0 && (
        <p>
          Of {plural(all, "seed")}{" "}
          {seen.map(({ word, seeds, share }) => `${seeds} ${word} (${inHundreds(share)})`).join(", ")}; in brackets what
          all its seed holds, nine times in ten.
        </p>
      )}
      {all > 0 && lot.motherNumber && (
        <p className="text-sm text-soft">
          <Link href={`/nursery/${lot.motherCode}?plant=${lot.motherNumber}`}>
            {lot.motherCode} plant {lot.motherNumber}
          </Link>{" "}
          bore it: once the gene is defined, these seeds count among what is known of her and her kin.
        </p>
      )}
      <Sheet
        trigger={all > 0 ? `Count ${name.toLowerCase()} again` : `Count ${name.toLowerCase()}`}
        title={`${name} in lot ${lot.code}`}
        plain
      >
        {(close) => (
          <CommandForm
            command="seedlook.count"
            draft={`seedlook-${lot.id}-${id}`}
            values={Object.fromEntries(
              words.map((word, i) => [`seeds${i}`, seen.find((one) => one.word === word)?.seeds ?? null]),
            )}
            shape={(typed) => ({
              lotId: lot.id,
              yardstickId: id,
              counts: words.map((word, i) => ({ word, seeds: typed[`seeds${i}`] ?? 0 })),
            })}
            submit="Save"
            onDone={close}
          >
            {(Field) => (
              <>
                <p>Count all of an ear, or the seeds of a sample as they come. Leave empty what none shows.</p>
                {words.map((word, i) => (
                  <Field key={word} name={`seeds${i}`} label={word} type="number" />
                ))}
              </>
            )}
          </CommandForm>
        )}
      </Sheet>
    </div>
  );
}
