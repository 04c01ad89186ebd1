import { dayInWords } from "@/core/calendar/day";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import type { Seed } from "@/views/seed";
import { Page } from "../common/Page";
import { Tag } from "../common/Tag";
import { CallRow } from "./CallRow";
import { DrawerSide } from "./DrawerSide";
import { KeepSeed } from "./KeepSeed";
import { ScanBench } from "./ScanBench";
import { TableBoard } from "./TableBoard";

/** What the headline counts stands first under it. */
const headline = (calls: number, lots: number): string => {
  if (calls > 0) return `${plural(calls, "thing")} ${calls === 1 ? "calls" : "call"} you today`;
  return lots > 0 ? "Nothing calls you today" : "The table is empty";
};

/** So many calls can be read; the rest stands on the table. */
const SHOWN = 12;

/** What hangs ripe, in a line. */
const ripeInWords = ({ now, next }: Seed["ripe"]): string =>
  now > 0
    ? `${plural(now, "stand")} may be ripe for seed.`
    : next
      ? `${next.name} is next, about ${dayInWords(next.on)}.`
      : "Nothing ripens for seed this season.";

/** What needs me now, what is dying, what may be sown. */
export function SeedScreen(view: Seed) {
  const { garden, band, calls, table, sow, today, ripe } = view;
  return (
    <Page title="Seed" band={band} beside={<DrawerSide {...view} />}>
      <h2 className="text-2xl">{headline(calls.length, table.lots.length)}</h2>
      <ScanBench table={table} />
      {calls.length > 0 ? (
        <ul className="rows mt-3 border-y border-ink">
          {calls.slice(0, SHOWN).map((call) => (
            <CallRow
              key={`${call.kind} ${call.kind === "table" ? `${call.lot.id} ${call.call.act}` : call.kind === "count" ? call.test.id : call.id}`}
              call={call}
              now={table.now}
              vessels={table.vessels}
              today={today}
              units={garden.units}
            />
          ))}
          {calls.length > SHOWN && (
            <li className="py-3 text-soft">and {calls.length - SHOWN} more: press their vessels below.</li>
          )}
        </ul>
      ) : (
        <p className="mt-2 max-w-prose text-soft">
          Ferments, rinses, drying, counts of germination tests and spent desiccant come here in time, with their last
          chance.
        </p>
      )}
      <TableBoard table={table} units={garden.units} />
      {sow.length > 0 && (
        <section className="mt-8" aria-label="May be sown now">
          <h2>May be sown now</h2>
          <ul className="rows mt-1 border-y border-rule">
            {sow.map(({ key, what, name, code, best, last }) => (
              <li key={key} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
                <Tag kind="stand" code={code} small />
                <span>
                  <strong>{name}</strong>: {what.toLowerCase()}, best {dayInWords(best)}
                  {last && `, until ${dayInWords(last)}`}
                </span>
              </li>
            ))}
          </ul>
          <Link href="/" className="mt-1 inline-block text-sm">
            Sow it on Today
          </Link>
        </section>
      )}
      <section className="mt-8">
        <p className="mb-5 flex flex-wrap items-center gap-x-4 gap-y-2">
          <Link href="/seed/ripening" className="leaf">
            What ripens, and picking
          </Link>
          <span className="text-soft">{ripeInWords(ripe)}</span>
        </p>
        <KeepSeed units={garden.units} today={today} />
      </section>
    </Page>
  );
}
