import { dayPartOf, type ProtocolStep } from "@/core/pollination/protocol";
import { lengthInWords } from "@/core/units/units";
import { figure } from "@/core/writing/numbers";
import Link from "@/ui/Link";
import type { SpeciesView } from "@/views/guide";
import { Cautions } from "../common/Cautions";
import { DAY_PART_WORDS } from "../common/crossWords";
import { StageRow } from "../common/drawings/FlowerStage";
import { Page } from "../common/Page";

type Figure = { low: number; high: number; source: SpeciesView["species"]["outcrossing"]["source"] };
type Row = [string, Figure, (n: number) => string];

const plain = (n: number) => String(n);
const share = (n: number) => `${Math.round(n * 100)} %`;
const days = (n: number) => `${n} days`;

/** When a step is done, in words. */
function whenInWords(step: ProtocolStep): string {
  const { after, again, action } = step;
  const days =
    after.high === 0
      ? "the same day"
      : after.low === after.high
        ? `after ${after.low}`
        : `after ${after.low} to ${after.high}`;
  const wait =
    action === "cover" ? "first" : action === "harvest" ? "when ripe" : after.high === 0 ? days : `${days} days`;
  return `${wait}, ${DAY_PART_WORDS[dayPartOf(step)]}${again ? `; ${again.times} times` : ""}`;
}

export function SpeciesScreen({ garden, band, species: s, protocols, hazards, sources, kin, relatives }: SpeciesView) {
  const metres = (n: number) => lengthInWords(n, garden.units);
  const figures: Row[] = [
    ["Seed with another father", s.outcrossing, share],
    ["Isolation, relaxed", s.isolation.relaxed, metres],
    ["Isolation, usual", s.isolation.usual, metres],
    ["Isolation, strict", s.isolation.strict, metres],
    ["Plants to keep going", s.plants["keep going"], plain],
    ["Plants to keep well", s.plants["keep well"], plain],
    ["Plants for a rare variety", s.plants["rare variety"], plain],
    ["Between plants", s.plantSpacing, metres],
    ["Sowing to first flower", s.daysToFlower, days],
    [`Warmth to first flower, above ${s.heat.base} °C`, s.heat.degreeDays, (n) => `${n} °C days`],
    ...(s.light.hours ? [[`Flowers when days are ${s.light.kind}`, s.light.hours, (n) => `${n} h`] satisfies Row] : []),
    ...(s.cold
      ? [
          [
            `Winter cold, at ${s.cold.below} °C or below (above, up to ${s.cold.none} °C, it takes longer)`,
            s.cold.days,
            days,
          ] satisfies Row,
        ]
      : []),
    ...(s.hardyTo ? [["Frost it stands", s.hardyTo, (n: number) => `${n} °C`] satisfies Row] : []),
    ...(s.femaleLag.high !== 0 ? [["Females after the first males", s.femaleLag, days] satisfies Row] : []),
    ["Length of flowering", s.flowerDays, days],
    ["Pollination to ripe seed", s.daysToRipe, days],
    ["Seeds in a gram", s.seedsPerGram, plain],
    ["Seeds a plant gives", s.seedsPerPlant, (n) => figure(n)],
    ...(s.seedsPerFruit ? [["Seeds in a fruit", s.seedsPerFruit, plain] satisfies Row] : []),
    ["Hand-pollinated flowers that set", s.handSet, share],
    ["Half of the pollen works after, in a room", s.pollenLife.room, days],
    ["Half of the pollen works after, in the fridge", s.pollenLife.fridge, days],
    ["Half of the pollen works after, in the freezer", s.pollenLife.freezer, days],
    ...(s.cutBack ? [["Flowers again after cutting back", s.cutBack, days] satisfies Row] : []),
    ["Shelf life, cool and dry", s.shelfYears, (n) => `${n} years`],
  ];
  const used = [...new Set(figures.map(([, f]) => f.source))];
  return (
    <Page
      title={s.name}
      band={band}
      beside={
        <>
          <h2>By hand</h2>
          {protocols.map((protocol, i) => (
            <details key={protocol.id} open={i === 0} className="border-b border-rule py-2">
              <summary className="cursor-pointer font-semibold text-damson">{protocol.name}</summary>
              <p className="mt-1 text-soft">{protocol.why}</p>
              <ol className="rows mt-2">
                {protocol.steps.map((step) => (
                  <li key={step.action} className="py-3">
                    <p className="font-semibold">{step.title}</p>
                    <p className="text-sm text-soft">{whenInWords(step)}</p>
                    <p>{step.look}</p>
                    <p className="text-sm text-soft">{step.tooLate}</p>
                    {step.drawing && step.stages && (
                      <StageRow drawing={step.drawing} stages={step.stages} petals={s.petals} />
                    )}
                  </li>
                ))}
              </ol>
            </details>
          ))}
          <p className="mt-3">
            <Link href="/guide/practice">Practise telling buds</Link>
          </p>
          <Cautions hazards={hazards} />
        </>
      }
    >
      <Link href="/guide">All species</Link>
      <h2 className="mt-2 text-3xl">{s.name}</h2>
      <p className="text-soft">
        <em>{s.binomial}</em>
        {s.names.length > 0 && `, also called ${s.names.join(", ")}`}; {s.family}.{" "}
        {s.lifeCycle[0]!.toUpperCase() + s.lifeCycle.slice(1)}; {s.breeding}; {s.flowerType}; pollinated by {s.vector}
        {s.ownPollen === "refused" ? "; refuses its own pollen" : ""}.
      </p>
      <section className="mt-5 max-w-prose">
        <h3>What crosses with it</h3>
        <p>{s.crossesWith}</p>
        <p className="text-sm text-soft">
          Crossing group {s.crossingGroup}
          {kin.length > 0 ? `, with ${kin.join(", ")}` : ""}.
        </p>
        {relatives.length > 0 && (
          <ul className="mt-2 text-sm">
            {relatives.map((r) => (
              <li key={r.name}>
                <strong>{r.name}</strong>: {r.degree}
                {r.note ? `. ${r.note}` : "."}
              </li>
            ))}
          </ul>
        )}
        {s.tellApart && (
          <>
            <h3 className="mt-4">How to tell it</h3>
            <p>{s.tellApart}</p>
          </>
        )}
      </section>
      {(s.kinds || s.xenia || s.maleSterile || s.ploidy > 2 || s.seed.wake) && (
        <section className="mt-5 max-w-prose">
          <h3>Good to know</h3>
          <ul className="list-disc pl-5">
            {s.kinds && <li>{s.kinds}</li>}
            {s.xenia && <li>{s.xenia}</li>}
            {s.maleSterile && (
              <li>
                Bought F1 hybrids are often male-sterile: their plants bear no pollen, and a line begun from one may be
                a dead start. Look for anthers before you begin.
              </li>
            )}
            {s.ploidy > 2 && (
              <li>
                It has {s.ploidy} sets of chromosomes: selfing narrows it more slowly, and colours split in other
                numbers than in plants with two.
              </li>
            )}
            {s.seed.wake && <li>Fresh seed may sleep. {s.seed.wake}</li>}
          </ul>
        </section>
      )}
      <section className="mt-5 max-w-prose">
        <h3>Often said, and what is so</h3>
        <dl>
          {s.said.map(({ said, so }) => (
            <div key={said} className="mt-2">
              <dt className="font-semibold">“{said}”</dt>
              <dd>{so}</dd>
            </div>
          ))}
        </dl>
      </section>
      <section className="mt-5 max-w-prose">
        <h3>What seed may carry on</h3>
        <ul>
          {s.diseases.map(({ name, look }) => (
            <li key={name} className="mt-1">
              <strong>{name}.</strong> {look}
            </li>
          ))}
        </ul>
        <p className="mt-1 text-sm text-soft">
          Save no seed from plants that show it. Some pests must be reported: local rules come first.
        </p>
      </section>
      <table className="ruled mt-5 w-full max-w-2xl max-sm:table-fixed max-sm:break-words">
        <thead>
          <tr>
            <th scope="col">Figure</th>
            <th scope="col">Range</th>
            <th scope="col">Rests on</th>
          </tr>
        </thead>
        <tbody>
          {figures.map(([name, figure, words]) => (
            <tr key={name}>
              <td>{name}</td>
              <td className="whitespace-nowrap font-semibold">
                {figure.low === figure.high ? words(figure.low) : `${words(figure.low)} to ${words(figure.high)}`}
              </td>
              <td className="text-soft">{figure.source}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <dl className="mt-3 text-sm text-soft">
        {used.map((kind) => (
          <div key={kind} className="flex gap-2">
            <dt className="font-semibold">{kind}:</dt>
            <dd>{sources[kind]}</dd>
          </div>
        ))}
      </dl>
      <section className="mt-6 max-w-prose">
        <h3>Ripe and out</h3>
        <p>
          {s.ripeSign} Extracted {s.extraction}.
        </p>
      </section>
    </Page>
  );
}
