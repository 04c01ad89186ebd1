"use client";
import Link from "next/link";
import { dayInWords } from "@/core/calendar/day";
import { generationName } from "@/core/custody/generation";
import { lengthInWords, type Units } from "@/core/units/units";
import type { Bed } from "@/records/garden/queries";
import { CommandForm, Field } from "@/ui/CommandForm";
import { Enough } from "@/ui/Enough";
import { Sheet } from "@/ui/Sheet";
import type { Ground } from "@/views/ground";
import { Tag } from "../common/Tag";
import { choicesOf, FLOWERS, plural, SCHOOLS, spanInWords } from "../common/words";
import { BedForm } from "./BedForm";

type Props = { stand: Ground["stands"][number]; beds: Bed[]; units: Units; today: string; season: number };

export function StandCard({ stand, beds, units, today, season }: Props) {
  const { window, ripening } = stand;
  const family = stand.code.startsWith("F");
  const bed = beds.find((b) => b.id === stand.bedId);
  const plants = stand.plants ?? 0;
  return (
    <section className="mb-8" aria-label={`Stand ${stand.code}`}>
      <div className="flex items-center justify-between gap-3">
        <Tag kind={family ? "family" : "stand"} code={stand.code} href={family ? `/nursery/${stand.id}` : undefined} />
        <Link href={`/ground?season=${season}`}>Whole ground</Link>
      </div>
      <h2 className="mt-3 text-2xl">
        <Link href={`/lines/${stand.lineId}`}>{stand.lineName}</Link>
        {` ${generationName(stand.generation)}`}
      </h2>
      <p className="text-soft">
        {stand.speciesName}, {SCHOOLS[stand.school].toLowerCase()},{" "}
        {stand.bedName ? `bed ${stand.bedName}` : "in trays"}. Flowers: {FLOWERS[stand.flowers].toLowerCase()}.
        {stand.seedWanted ? "" : " No seed wanted."}
      </p>
      <dl className="rows mt-3 border-y border-rule">
        <Row term="Sown" value={dayInWords(stand.sown, "long")} />
        <Row
          term="In flower"
          value={spanInWords(window.start, window.end)}
          note={
            window.observed
              ? "first flower as you saw it"
              : `forecast; ${spanInWords(window.earliest, window.latest)} at the widest`
          }
        />
        {stand.seedWanted === 1 && (
          <Row
            term="First seed ripe"
            value={dayInWords(window.ripe)}
            note={
              {
                safe: `before frost (${ripening.frost ? dayInWords(ripening.frost) : ""}) even if late`,
                doubtful: `${spanInWords(window.ripeEarliest, window.ripeLatest)}: frost about ${ripening.frost ? dayInWords(ripening.frost) : ""} may come first`,
                "too-late": `seed can't ripen before the frost about ${ripening.frost ? dayInWords(ripening.frost) : ""}. Sow earlier, under glass, or elsewhere`,
                "no-frost": "no frost here",
              }[ripening.verdict]
            }
            bad={ripening.verdict === "too-late"}
          />
        )}
        <Row
          term="Isolation, rule of thumb"
          value={`${lengthInWords(stand.isolation.low, units)} to ${lengthInWords(stand.isolation.high, units)}`}
        />
      </dl>
      {stand.seedWanted === 1 && !family && stand.outside !== 1 && (
        <div className="mt-4">
          <h3 className="mb-1">Enough plants?</h3>
          <Enough have={plants} need={stand.enough.low}>
            {plants >= stand.enough.low
              ? `${plural(plants, "plant")}; the rule of thumb for this aim is ${stand.enough.low}–${stand.enough.high}.`
              : `${stand.enough.low - plants} more plants, or accept that the line narrows. Rule of thumb: ${stand.enough.low}–${stand.enough.high}.`}
          </Enough>
        </div>
      )}
      <div className="mt-4 flex flex-wrap gap-3">
        <StandChange stand={stand} beds={beds} today={today} />
        {bed && <BedForm bed={bed} units={units} />}
        <a href={`/api/tags/stand/${stand.id}`} className="leaf leaf-plain">
          Print its tag
        </a>
      </div>
    </section>
  );
}

function Row({ term, value, note, bad }: { term: string; value: string; note?: string; bad?: boolean }) {
  return (
    <div className="grid grid-cols-[9rem_1fr] gap-3 py-2">
      <dt className="text-soft">{term}</dt>
      <dd>
        <strong>{value}</strong>
        {note && <span className={`block text-sm ${bad ? "font-semibold text-rust" : "text-soft"}`}>{note}</span>}
      </dd>
    </div>
  );
}

function StandChange({ stand, beds }: Pick<Props, "stand" | "beds" | "today">) {
  const { id, version, bedId, sown, sowedSeeds, cameUp, plants, firstFlower, flowers, seedWanted } = stand;
  return (
    <Sheet trigger="Change the stand" title={`${stand.code} ${stand.lineName}`}>
      {(close) => (
        <CommandForm
          command="stand.change"
          draft={`stand-${id}`}
          values={{ bedId, sown, sowedSeeds, cameUp, plants, firstFlower, flowers, seedWanted }}
          hidden={{ id, version }}
          submit="Keep"
          onDone={close}
        >
          <Field
            name="bedId"
            label="Bed"
            type="select"
            none="In trays for now"
            choices={beds.map((b) => ({ value: b.id, label: b.name }))}
          />
          <Field name="sown" label="Sown on" type="date" />
          <div className="grid grid-cols-3 gap-4">
            <Field name="sowedSeeds" label="Seeds sown" type="number" />
            <Field name="cameUp" label="Came up" type="number" />
            <Field name="plants" label="Planted" type="number" />
          </div>
          <Field name="firstFlower" label="First flower, as seen" type="date" hint="Replaces the forecast." />
          <Field name="flowers" label="Flowers" type="select" choices={choicesOf(FLOWERS)} />
          <Field
            name="seedWanted"
            label="Grown for"
            type="select"
            choices={[
              { value: 1, label: "Seed" },
              { value: 0, label: "Eating only" },
            ]}
          />
        </CommandForm>
      )}
    </Sheet>
  );
}
