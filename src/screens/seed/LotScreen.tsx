import Link from "next/link";
import { dayInWords } from "@/core/calendar/day";
import { generationName } from "@/core/custody/generation";
import { plural } from "@/core/units/plural";
import { massInWords, type Units } from "@/core/units/units";
import { Enough } from "@/ui/Enough";
import type { LotPage } from "@/views/seed";
import { Cautions } from "../common/Cautions";
import { Notes } from "../common/Notes";
import { Page } from "../common/Page";
import { SowLot } from "../common/SowLot";
import { Tag } from "../common/Tag";
import { ChangeLot } from "./ChangeLot";
import { Parentage } from "./Parentage";

const KINDS = {
  cross: "cross by hand",
  self: "selfed",
  intercross: "crossed within the line",
  open: "open pollination",
  received: "received",
} as const;

function amountInWords({ amount, mass }: LotPage["lot"], units: Units): string {
  if (!amount) return "not counted yet";
  if (amount.counted) return plural(amount.likely, "seed");
  return `${massInWords(mass ?? 0, units)}, about ${amount.likely} seeds (${amount.low}–${amount.high}, catalogue seeds per gram)`;
}

export function LotScreen(view: LotPage) {
  const { garden, band, lot, beds, today, extraction, ripeSign, hazards } = view;
  return (
    <Page
      title={`Lot ${lot.code}`}
      band={band}
      beside={
        <>
          <h2 className="mb-4">Sow it as a family</h2>
          {lot.left === null || lot.left.high > 0 ? (
            <SowLot lots={[lot]} beds={beds} today={today} most={lot.left?.high} />
          ) : (
            <p>Nothing is left of this lot.</p>
          )}
          <Cautions hazards={hazards} />
        </>
      }
    >
      <div className="flex flex-wrap items-center gap-4">
        <Tag kind="lot" code={lot.code} />
        <a href={`/api/tags/lot/${lot.code}`} className="leaf">
          Print its tag
        </a>
        <ChangeLot lot={lot} units={garden.units} />
        <Notes of="lotId" id={lot.id} name={`lot ${lot.code}`} />
      </div>
      <h2 className="mt-3 break-words text-2xl">
        <Link href={`/lines/${lot.lineCode}`}>{lot.lineName}</Link> {generationName(lot.generation)}
      </h2>
      <dl className="rows mt-4 max-w-2xl border-y border-rule">
        {[
          ["Species", lot.speciesName],
          ["Came about by", KINDS[lot.kind]],
          [
            "Mother",
            lot.motherCode
              ? `${lot.motherCode}${lot.motherNumber ? ` plant ${lot.motherNumber}` : ""}`
              : "not on record",
          ],
          ["Gathered", dayInWords(lot.gathered, "long")],
          ["Fruits", lot.fruits === null ? "not counted" : String(lot.fruits)],
          ["Amount", amountInWords(lot, garden.units)],
          [
            "Age",
            `${plural(lot.age, "year")}; shelf life ${lot.shelfYears.low}–${lot.shelfYears.high} years, rule of thumb`,
          ],
          ["Note", lot.note || "none"],
        ].map(([term, value]) => (
          <div key={term} className="grid grid-cols-[9rem_1fr] gap-3 py-2">
            <dt className="text-soft">{term}</dt>
            <dd className="break-words">{value}</dd>
          </div>
        ))}
        {lot.crossId && (
          <div className="grid grid-cols-[9rem_1fr] gap-3 py-2">
            <dt className="text-soft">Cross</dt>
            <dd>
              <Tag kind="cross" code={lot.crossCode ?? ""} href={`/crosses/${lot.crossCode}`} small />
            </dd>
          </div>
        )}
      </dl>
      {lot.left && lot.amount && (
        <section className="mt-6 max-w-2xl">
          <h3 className="mb-1">What is left</h3>
          <Enough have={lot.left.likely} need={lot.amount.likely}>
            {lot.left.likely} of {lot.amount.likely} seeds left; {lot.sowedSeeds} sown in {plural(lot.sowings, "stand")}
            .
          </Enough>
        </section>
      )}
      <Parentage lot={lot} candidates={view.candidates} possible={view.possible} />
      <p className="mt-6 max-w-2xl text-soft">
        Ripe when: {ripeSign} Extracted: {extraction}. Put a label inside and outside.
      </p>
    </Page>
  );
}
