"use client";
import { useState } from "react";
import { plantsNeeded } from "@/core/numbers/plantsNeeded";
import { geneFrequency, type Inheritance } from "@/core/selection/roguing";
import { type RoguingForecastInput, roguingForecast } from "@/core/selection/roguingForecast";
import { oddsInWords } from "@/core/units/odds";
import type { RoguedSeason, Roguing } from "@/views/roguing";
import { RogueChart } from "./charts";

const GENERATIONS = 8;
/** How sure it should be that enough plants remain. */
const SURE = 0.9;

/** What of a reason was seen in each season, the year's families together. */
function seenOf(seasons: RoguedSeason[], reason: string): { season: number; out: number; grown: number }[] {
  const years = [...new Set(seasons.map(({ season }) => season))];
  return years.map((season) => {
    const own = seasons.filter((one) => one.season === season);
    const of = (one: RoguedSeason) =>
      reason === "" ? one.out : (one.reasons.find((r) => r.reason === reason)?.plants ?? 0);
    return {
      season,
      grown: own.reduce((sum, { grown }) => sum + grown, 0),
      out: own.reduce((sum, one) => sum + of(one), 0),
    };
  });
}

/** How an off-type fades under roguing, by how it is inherited and how well it is found, beside what was seen. */
export function RogueForecast({ view }: { view: Roguing }) {
  const { seasons, kinds, stand } = view;
  const reasons = [...new Set(seasons.flatMap((one) => one.reasons.map(({ reason }) => reason)))];
  const [reason, setReason] = useState(kinds.find(({ name }) => reasons.includes(name))?.name ?? reasons[0] ?? "");
  const known = kinds.find(({ name }) => name === reason)?.inheritance ?? "unknown";
  const [told, setTold] = useState<Inheritance | null>(null);
  const inheritance = told ?? known;
  const [timing, setTiming] = useState<RoguingForecastInput["timing"]>("before-flowering");
  const [found, setFound] = useState(90);
  const [remain, setRemain] = useState(20);
  const seen = seenOf(seasons, reason);
  // What was seen last, in the seasons that are over for roguing: this one may still be on its walk.
  const last = seen.filter(({ season, grown }) => grown > 0 && (season < stand.season || view.doneOn)).at(-1);
  if (!last)
    return (
      <section aria-label="What roguing will do">
        <h2>What roguing will do</h2>
        <p className="mt-2 text-soft">Once a season was rogued and counted, what the next ones bring stands here.</p>
      </section>
    );
  const as = inheritance === "dominant" ? "dominant" : "recessive";
  // What such selfing comes to in the long run: F = s / (2 − s).
  const inbreeding = view.selfing / (2 - view.selfing);
  const start = geneFrequency(last.out, last.grown, as, inbreeding);
  const forecast = (frequency: number) =>
    roguingForecast({
      frequency: Math.min(0.999, frequency),
      generations: GENERATIONS,
      detection: found / 100,
      timing,
      selfingRate: view.selfing,
      inheritance: as,
      inbreeding,
    }).offTypes;
  const [likely, low, high] = [start.likely, start.low, start.high].map(forecast) as [number[], number[], number[]];
  const next = likely[1]!;
  const grow = plantsNeeded({
    probability: Math.max(0.001, 1 - Math.min(0.999, high[1]!)),
    atLeast: remain,
    confidence: SURE,
  });
  return (
    <section aria-label="What roguing will do">
      <h2>{next < 0.0005 ? "Next year hardly any" : `Next year ${oddsInWords(next, { what: "plant" })}`}</h2>
      <div className="mt-3 grid grid-cols-2 gap-3">
        <Choice
          label="Off-type"
          value={reason}
          onChange={setReason}
          choices={[["", "All together"], ...reasons.map((r): [string, string] => [r, r])]}
        />
        <Choice
          label="Inherited"
          value={inheritance}
          onChange={(value) => setTold(value as Inheritance)}
          choices={[
            ["recessive", "Recessive"],
            ["dominant", "Dominant"],
            ["unknown", "Unknown: as recessive"],
          ]}
        />
        <Choice
          label="Taken out"
          value={timing}
          onChange={(value) => setTiming(value as RoguingForecastInput["timing"])}
          choices={[
            ["before-flowering", "Before it flowers"],
            ["after-flowering", "After it flowered"],
          ]}
        />
        <label>
          <span className="block font-semibold">Found, of a hundred</span>
          <input
            type="number"
            min={0}
            max={100}
            value={found}
            onChange={(event) => setFound(Math.min(100, Math.max(0, Number(event.target.value) || 0)))}
          />
        </label>
      </div>
      <RogueChart seen={seen} from={last.season} likely={likely} low={low} high={high} />
      <p className="mt-2 text-sm text-soft">
        From {last.out} of {last.grown} in {last.season}. The band is what so few plants leave open, where plants marry
        at random but for {Math.round(view.selfing * 100)} % of seed that is selfed; pollen from outside is not in it.
        {inheritance === "unknown" && " Nobody knows how it is inherited: a dominant one would go faster."}
      </p>
      <label className="mt-3 flex flex-wrap items-center gap-2">
        So that
        <input
          type="number"
          min={1}
          max={5000}
          value={remain}
          aria-label="Plants that should remain"
          onChange={(event) => setRemain(Math.min(5000, Math.max(1, Number(event.target.value) || 1)))}
          className="w-20"
        />
        remain, grow <strong>{grow.plants}</strong>.
      </label>
    </section>
  );
}

type ChoiceProps = { label: string; value: string; choices: [string, string][]; onChange: (value: string) => void };

const Choice = ({ label, value, choices, onChange }: ChoiceProps) => (
  <label className="min-w-0">
    <span className="block font-semibold">{label}</span>
    <select value={value} onChange={(event) => onChange(event.target.value)} className="w-full min-w-0">
      {choices.map(([id, words]) => (
        <option key={id} value={id}>
          {words}
        </option>
      ))}
    </select>
  </label>
);
