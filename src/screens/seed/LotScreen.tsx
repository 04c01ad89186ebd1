import { dayInWords } from "@/core/calendar/day";
import { generationName } from "@/core/custody/generation";
import { plural } from "@/core/units/plural";
import { massInWords, type Units } from "@/core/units/units";
import { Enough } from "@/ui/Enough";
import Link from "@/ui/Link";
import type { LotPage } from "@/views/lot";
import { Cautions } from "../common/Cautions";
import { Notes } from "../common/Notes";
import { Page } from "../common/Page";
import { FRACTION_WORDS, LIFE_STATES, LIFE_TONES } from "../common/seedNames";
import { Tag } from "../common/Tag";
import { inHundred, rangeInHundred, sentence, yearInWords } from "../common/words";
import { CameTrue } from "./CameTrue";
import { CameUp } from "./CameUp";
import { Chain } from "./Chain";
import { ChangeLot } from "./ChangeLot";
import { HowManySeen, LifeChart } from "./charts";
import { EnoughSeed } from "./EnoughSeed";
import { LotCount } from "./LotCount";
import { LotPackets } from "./LotPackets";
import { LotTests } from "./LotTests";
import { OnTable } from "./OnTable";
import { Parentage } from "./Parentage";
import { PutAway } from "./PutAway";
import { SeedWords } from "./SeedWords";

const KINDS = {
  cross: "cross by hand",
  self: "selfed",
  intercross: "crossed within the line",
  open: "open pollination",
  received: "received",
} as const;

const ENDINGS = {
  "used-up": "used up",
  dead: "dead",
  lost: "lost",
  given: "given away",
  parted: "parted: what it was is in other lots now",
} as const;

function amountInWords({ amount, mass }: LotPage["lot"], units: Units): string {
  if (!amount) return "not counted yet";
  if (amount.counted) return plural(amount.likely, "seed");
  return `${massInWords(mass ?? 0, units)}, about ${amount.likely} seeds (${amount.low}–${amount.high}, catalogue seeds per gram)`;
}

/** A year until which something holds. */
function untilInWords(day: string, today: string): string {
  const year = yearInWords(day, today);
  return /^\d/.test(year) ? `about ${year}` : year;
}

/** What a lot's headline answers: how alive it is, and until when. */
function Answer({ lot, now, garden, today }: LotPage) {
  const { life, ending, endedOn, onTable } = lot;
  if (endedOn)
    return (
      <p className="mt-3 font-bold text-rust">
        {dayInWords(endedOn, "long")}: {ENDINGS[ending!]}.
      </p>
    );
  if (onTable) return null;
  const { early, likely, late } = life.until;
  return (
    <p className="mt-3 max-w-2xl text-lg">
      <strong className={LIFE_TONES[life.state]}>{sentence(rangeInHundred(now))} come up now.</strong>{" "}
      {likely ? (
        <>
          Over the {inHundred(garden.aliveWanted)} you want until {untilInWords(likely, today)}
          {early && late && ` (${yearInWords(early, today)} to ${yearInWords(late, today)})`}: it{" "}
          {LIFE_STATES[life.state] === "keeps" ? "keeps" : "should be sown this year"}.
        </>
      ) : (
        <>
          That is under the {inHundred(garden.aliveWanted)} you want
          {life.state === "dead" ? ": hardly anything of it lives." : ": sow more of it, and soon."}
        </>
      )}
    </p>
  );
}

export function LotScreen(view: LotPage) {
  const { garden, band, lot, curve, species, hazards, onTable } = view;
  const rows: [string, string][] = [
    ["Species", species.name],
    ["Came about by", KINDS[lot.kind]],
    [
      "Mother",
      lot.motherCode ? `${lot.motherCode}${lot.motherNumber ? ` plant ${lot.motherNumber}` : ""}` : "not on record",
    ],
    ["Gathered", dayInWords(lot.gathered, "long")],
    ...(lot.fraction ? [["Fraction", FRACTION_WORDS[lot.fraction]] as [string, string]] : []),
    ["Fruits", lot.fruits === null ? "not counted" : String(lot.fruits)],
    ["Amount", amountInWords(lot, garden.units)],
    ["Reserve", lot.reserve === null ? "none" : `${plural(lot.reserve, "seed")}, not to be touched`],
    ["Note", lot.note || "none"],
  ];
  return (
    <Page title={`Lot ${lot.code}`} band={band} beside={<Beside {...view} />}>
      <div className="flex flex-wrap items-center gap-4">
        <Tag kind="lot" code={lot.code} />
        <a href={`/api/tags/lot/${lot.code}`} className="leaf">
          Print its tag
        </a>
        <a href={`/api/cards/${lot.code}`} className="leaf leaf-plain">
          Its card
        </a>
        <Link href={`/lines/from/${lot.code}`} className="leaf leaf-plain">
          Pedigree
        </Link>
        <ChangeLot lot={lot} units={garden.units} />
        <Notes of="lotId" id={lot.id} name={`lot ${lot.code}`} />
      </div>
      <h2 className="mt-3 break-words text-2xl">
        <Link href={`/lines/${lot.lineCode}`}>{lot.lineName}</Link> {generationName(lot.generation, lot.backcrosses)}
      </h2>
      {lot.brokenOn && (
        <p className="mt-3 max-w-2xl border-l-4 border-rust pl-3">
          <strong className="text-rust">The chain is broken since {dayInWords(lot.brokenOn, "long")}.</strong>{" "}
          {lot.brokenWhy} Nobody can say for sure that this is one lot, and its labels say so.
        </p>
      )}
      <Answer {...view} />
      {onTable ? (
        <OnTable lot={onTable} view={view} />
      ) : (
        !lot.endedOn && <LifeChart curve={curve} limit={garden.aliveWanted} gathered={lot.gathered} />
      )}
      {lot.left && lot.amount && !onTable && (
        <section className="mt-6 max-w-2xl">
          <h3 className="mb-1">What is left</h3>
          <Enough have={lot.left.likely} need={lot.amount.likely}>
            {lot.amount.counted ? "" : "About "}
            {lot.left.likely} of {lot.amount.likely} seeds left
            {lot.amount.counted ? "" : ` by their mass, ${lot.left.low} to ${lot.left.high}`}; {lot.sowedSeeds} sown in{" "}
            {plural(lot.sowings, "stand")}
            {lot.testedSeeds > 0 && `, ${lot.testedSeeds} tested`}
            {lot.givenSeeds > 0 && `, ${lot.givenSeeds} given away`}
            {lot.bulkedSeeds > 0 && `, ${lot.bulkedSeeds} put together with others`}.
          </Enough>
        </section>
      )}
      <EnoughSeed view={view} />
      <LotTests view={view} />
      <CameTrue view={view} />
      <SeedWords view={view} />
      <CameUp emergence={view.emergence} />
      <LotPackets view={view} />
      <LotCount view={view} />
      <dl className="rows mt-6 max-w-2xl border-y border-rule">
        {rows.map(([term, value]) => (
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
      {!onTable && <Chain view={view} />}
      <Parentage lot={lot} candidates={view.candidates} possible={view.possible} />
      <p className="mt-6 max-w-2xl text-soft">Ripe when: {species.ripeSign} Put a label inside and outside.</p>
      <Cautions hazards={hazards} />
    </Page>
  );
}

/** The right page: where it lies, and sowing it, which is fetched when it is seen and moves nothing there. */
function Beside(view: LotPage) {
  const { lot, onTable, stores, stays } = view;
  if (onTable) return <Chain view={view} />;
  return (
    <>
      <PutAway lot={lot} stores={stores} stays={stays} />
      {lot.endedOn ? (
        <p>It is no more.</p>
      ) : lot.left === null || lot.left.high > 0 ? (
        <HowManySeen view={view} />
      ) : (
        <p>Nothing is left of this lot.</p>
      )}
    </>
  );
}
