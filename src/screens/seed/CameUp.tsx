import { dayInWords } from "@/core/calendar/day";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import type { LotPage } from "@/views/lot";
import { Beside } from "../common/Beside";
import { reckonedPercent } from "../common/words";

/** What came up of a lot in each sowing, beside what was sown with it: a trait of the family. */
export function CameUp({ emergence }: Pick<LotPage, "emergence">) {
  if (emergence.length === 0) return null;
  return (
    <section className="mt-6 max-w-2xl" aria-label="What came up">
      <h3>What came up</h3>
      <ul className="rows mt-1 border-y border-rule">
        {emergence.map(({ code, href, sown, seeds, up, days, low, high, beside }) => (
          <li key={code} className="py-2">
            <Link href={href} className="font-semibold">
              {code}
            </Link>
            , sown {dayInWords(sown)} {sown.slice(0, 4)}: {up} of {seeds} ({reckonedPercent(low)} to{" "}
            {reckonedPercent(high)}){days !== null && `, after ${plural(days, "day")}`}
            <Beside beside={beside} />
          </li>
        ))}
      </ul>
    </section>
  );
}
