"use client";
import { dayInWords } from "@/core/calendar/day";
import { generationName } from "@/core/custody/generation";
import { placeInWords } from "@/core/ground/bedInWords";
import { timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { lengthInWords, type Units } from "@/core/units/units";
import { fixed } from "@/core/writing/numbers";
import Link from "@/ui/Link";
import { Notes } from "../common/Notes";
import { Raised } from "../common/Raised";
import { StandLife } from "../common/StandLife";
import { FATES, FLOWERS, SCHOOLS } from "../common/standNames";
import { Tag } from "../common/Tag";
import { spanInWords } from "../common/words";
import { BedForm } from "./BedForm";
import { PlantsEnough } from "./PlantsEnough";
import { type Props, StandChange } from "./StandChange";
import { WinterWays } from "./WinterWays";

export function StandCard({ stand, beds, units, season, today }: Props & { today: string }) {
  const { window, ripening } = stand;
  const family = stand.family === 1;
  const flowers = window.fate === "flowers";
  const bed = beds.find((b) => b.id === stand.bedId);
  return (
    <section className="mb-8" aria-label={`Stand ${stand.code}`}>
      <div className="flex items-center justify-between gap-3">
        <Tag
          kind={family ? "family" : "stand"}
          code={stand.code}
          href={family ? `/nursery/${stand.code}` : undefined}
        />
        <Link href={`/ground?season=${season}`}>Whole ground</Link>
      </div>
      <h2 className="mt-3 text-2xl">
        <Link href={`/lines/${stand.lineCode}`}>{stand.lineName}</Link>
        {` ${generationName(stand.generation, stand.backcrosses)}`}
      </h2>
      <p className="text-soft">
        {stand.speciesName}, {SCHOOLS[stand.school].toLowerCase()}, {placeInWords(stand.bedName)}. Flowers:{" "}
        {FLOWERS[stand.flowers].toLowerCase()}.{stand.seedWanted ? "" : " No seed wanted."}
      </p>
      <dl className="rows mt-3 border-y border-rule">
        <Row term="Sown" value={dayInWords(stand.sown, "long")} />
        <Row
          term="In flower"
          bad={!flowers}
          value={window.fate === "flowers" ? spanInWords(window.start, window.end) : FATES[window.fate]}
          note={
            !flowers
              ? window.notes.join(" ")
              : window.observed
                ? "first flower as you saw it"
                : `forecast by ${window.basis === "heat" ? "warmth" : "days from sowing"}; ${spanInWords(window.earliest, window.latest)} at the widest`
          }
        />
        {flowers && window.male.start !== window.female.start && (
          <Row
            term="Males, females"
            value={`${spanInWords(window.male.start, window.male.end)}; ${spanInWords(window.female.start, window.female.end)}`}
          />
        )}
        {stand.seedWanted === 1 && flowers && (
          <Row
            term="First seed ripe"
            value={dayInWords(window.ripe)}
            note={
              {
                safe: `ripe before frost ${timesInTen(ripening.chance)}`,
                doubtful: `${spanInWords(window.ripeEarliest, window.ripeLatest)}; before frost, about ${ripening.frost ? dayInWords(ripening.frost) : ""}, ${timesInTen(ripening.chance)}`,
                "too-late": `seed can hardly ripen before the frost about ${ripening.frost ? dayInWords(ripening.frost) : ""}. Sow earlier, under glass, or elsewhere`,
                "no-frost": "no frost ends it here",
              }[ripening.verdict]
            }
            bad={ripening.verdict === "too-late"}
          />
        )}
        {stand.sexes && (
          <Row
            term="Males and females, counted"
            value={`${stand.sexes.males} and ${stand.sexes.females}: as good as ${fixed(stand.sexes.size, 1)} plants`}
          />
        )}
        <Row
          term="Isolation, rule of thumb"
          value={`${lengthInWords(stand.isolation.low, units)} to ${lengthInWords(stand.isolation.high, units)}`}
        />
      </dl>
      {(flowers ? window.notes : []).map((note) => (
        <p key={note} className="mt-2 text-sm text-soft">
          {note}
        </p>
      ))}
      {stand.correction && (
        <p className="mt-2 text-sm">
          {correctionInWords(stand.correction.likely)} than the catalogue says, by{" "}
          {plural(stand.correction.observations, "first flower")} you saw.
        </p>
      )}
      {stand.reckonedPlants !== null && (
        <p className="mt-2 text-sm text-soft">
          Its plants are not counted yet; its pollen is reckoned with {stand.reckonedPlants}.
        </p>
      )}
      <StandLife stand={stand} today={today} />
      {stand.school === "let-it-mix" && (
        <p className="mt-2">
          <Link href={`/nursery/${stand.code}`}>Who came through what</Link>
        </p>
      )}
      <Raised raised={stand.raised} />
      <WinterWays stand={stand} />
      <PlantingAdvice stand={stand} units={units} />
      {stand.seedWanted === 1 && !family && stand.outside !== 1 && (
        <div className="mt-4">
          {stand.enough ? (
            <PlantsEnough input={stand.enough} />
          ) : (
            <p className="text-sm text-soft">
              Count its plants, or say how many are wanted, to see whether they are enough.
            </p>
          )}
        </div>
      )}
      <div className="mt-4 flex flex-wrap gap-3">
        <StandChange stand={stand} beds={beds} units={units} />
        {bed && <BedForm bed={bed} beds={beds} units={units} />}
        <a href={`/api/tags/stand/${stand.code}`} className="leaf leaf-plain">
          Print its tag
        </a>
        <Notes of="standId" id={stand.id} name={stand.code} />
      </div>
    </section>
  );
}

const correctionInWords = (factor: number) => {
  const share = Math.round(Math.abs(factor - 1) * 100);
  return share === 0 ? "Flowers no sooner or later" : `Flowers ${share} % ${factor < 1 ? "sooner" : "later"}`;
};

/** Rows or a block, and whether the number fits the bed. */
function PlantingAdvice({ stand, units }: { stand: Props["stand"]; units: Units }) {
  if (!stand.planting) return null;
  const { now, block, spacing } = stand.planting;
  const single = stand.vector === "wind" && now?.rows === 1 && (stand.plants ?? 0) > 3;
  const size = `${lengthInWords(block.along, units)} × ${lengthInWords(block.across, units)}`;
  return (
    <p className="mt-2 text-sm">
      {single && <strong className="text-rust">One row of a wind-pollinated crop fills badly. </strong>}
      {(now ?? block).fits ? "" : `The bed holds ${block.holds} plants at ${lengthInWords(spacing, units)}. `}
      {stand.vector === "wind" || !block.fits
        ? `Set ${block.rows} rows of ${block.perRow}, ${lengthInWords(spacing, units)} apart: a block of ${size}.`
        : now
          ? `${now.rows} rows of ${now.perRow}.`
          : ""}
    </p>
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
