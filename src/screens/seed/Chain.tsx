import { dayInWords } from "@/core/calendar/day";
import { HANDLINGS } from "@/core/seed/handlings";
import Link from "@/ui/Link";
import type { LotPage } from "@/views/lot";
import { FRACTION_WORDS } from "../common/seedNames";
import { percent } from "../common/words";

/** What was done, and what was read off, in words. */
function handledInWords({ act, value }: LotPage["handled"][number]): string {
  const { done, reads } = HANDLINGS[act];
  return value !== null && reads ? `${done}${reads.words(value)}` : done;
}

/** A lot's way from the plant to here: vessels, what was done, what it was parted into and put together from. */
export function Chain({ view: { lot, moves, handled, madeOf, madeInto, origins } }: { view: LotPage }) {
  const steps = [
    ...moves.map(({ id, on, at, fromName, toName }) => ({
      id,
      on,
      at,
      words: `${fromName ? `${fromName} → ` : "into "}${toName ?? "no vessel"}`,
    })),
    ...handled.map((one) => ({
      id: one.id,
      on: one.on,
      at: one.at,
      words: `${handledInWords(one)}${one.note ? ` (${one.note})` : ""}`,
    })),
  ].sort((a, b) => a.on.localeCompare(b.on) || (a.at ?? "").localeCompare(b.at ?? "") || a.id.localeCompare(b.id));
  if (steps.length + madeOf.length + madeInto.length === 0)
    return lot.onTable ? <p className="text-soft">Nothing was done with it yet.</p> : null;
  return (
    <section className="mt-6 max-w-2xl first:mt-0" aria-label="Its way">
      <h3>Its way from the plant</h3>
      <ul className="mb-2">
        {madeOf.map(({ fromId, code, share }) => (
          <li key={fromId}>
            {madeOf.length > 1 ? `${percent(share)} of it is ` : `${percent(share)} of `}
            <Link href={`/seed/${code}`}>lot {code}</Link>
          </li>
        ))}
        {madeInto.map(({ lotId, code, share, fraction }) => (
          <li key={lotId}>
            {fraction
              ? `${percent(share)}, ${FRACTION_WORDS[fraction as keyof typeof FRACTION_WORDS]}, is `
              : "It is part of "}
            <Link href={`/seed/${code}`}>lot {code}</Link>
          </li>
        ))}
        {origins.length > 0 && (
          <li className="text-soft">
            At its root: {origins.map(({ code, share }) => `${code} ${percent(share)}`).join(", ")}
          </li>
        )}
      </ul>
      <ol className="rows border-y border-rule empty:hidden">
        {steps.map(({ id, on, at, words }) => (
          <li key={id} className="grid grid-cols-[9rem_1fr] gap-3 py-1">
            <span className="text-soft">
              {dayInWords(on)} {at}
            </span>
            <span>{words}</span>
          </li>
        ))}
      </ol>
    </section>
  );
}
