import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import type { Leanings, LeaningView } from "@/views/leanings";
import { percent } from "../common/words";

const amount = (value: number, unit: string): string => {
  if (unit === "%") return percent(value);
  const size = Math.abs(value);
  return `${fixed(value, size >= 20 ? 0 : size >= 2 ? 1 : 2)}${unit ? ` ${unit}` : ""}`;
};

/** A change with its sign. */
const changed = (value: number, unit: string): string => `${value < 0 ? "−" : "+"}${amount(Math.abs(value), unit)}`;

const MEANT: Record<LeaningView["kind"], string> = {
  aim: "as it was meant",
  against: "against what is wanted",
  beside: "not meant: only looked at",
  place: "not meant: where they stand, or when they were looked at",
};

/** What else was chosen without meaning it: those who gave seed against all who grew. */
export function Leaning({ leanings: { chosen, gave, all, list } }: { leanings: Leanings }) {
  const found = list.filter((one) => one.found);
  const hidden = found.filter(({ kind }) => kind !== "aim");
  const who = `${plural(chosen, "plant")} that ${gave ? "gave seed" : chosen === 1 ? "is kept" : "are kept"}`;
  return (
    <section className="mb-7 max-w-3xl" aria-label="What else was chosen">
      <h2>
        {hidden.length === 0
          ? "Nothing was chosen without meaning it, as far as it shows"
          : `${plural(hidden.length, "thing")} chosen without meaning it`}
      </h2>
      <p className="mt-1 text-sm text-soft">
        {who[0]!.toUpperCase() + who.slice(1)}, against all {all} that grew, on {list.length} things that are known of
        them. Of what is named here one in twenty would be chance.
      </p>
      {found.length > 0 && (
        <ul className="rows mt-2 border-y border-rule">
          {found.map(({ name, chosen: mean, all: of, unit, kind, next }) => (
            <li key={name} className="py-2">
              <strong>{name}</strong>: {amount(mean, unit)} against {amount(of, unit)},{" "}
              <span className={kind === "aim" ? "text-moss" : "font-bold text-rust"}>{MEANT[kind]}</span>.
              {next && (
                <span className="block text-sm text-soft">
                  It makes the next generation differ by {changed(next.low, unit)} to {changed(next.high, unit)}, by
                  what is guessed to be inherited.
                </span>
              )}
              {kind === "place" && (
                <span className="block text-sm text-soft">
                  That is not inherited, but what is better there or then may hide who is better.
                </span>
              )}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
