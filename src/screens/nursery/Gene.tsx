"use client";
import { useState } from "react";
import type { Id } from "@/core/custody/id";
import { SURELY_PURE } from "@/core/inheritance/progeny";
import { classesOf, WAYS, type WayKey, wayOf } from "@/core/inheritance/ways";
import { groupBy } from "@/core/lists/groupBy";
import { inTenShort } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import { Sheet } from "@/ui/Sheet";
import { Table } from "@/ui/Table";
import { useJobResult } from "@/ui/useJob";
import type { GenotypesView, PlantGenotype } from "@/views/genotypes";
import type { InheritanceView } from "@/views/inheritance";
import { CommandButton, CommandForm } from "../common/command";
import { sentence } from "../common/words";

type GeneView = InheritanceView["genes"][number];
type Props = {
  gene: GeneView;
  stand: { id: Id; code: string };
  head: Id | null;
  /** What its counts say, where they say anything. */
  likely: InheritanceView["traits"][number] | undefined;
};

/** What is said of one yardstick's gene, and what each plant is likely to carry. */
export function Gene({ gene, stand, head, likely }: Props) {
  const { name, locus } = gene;
  return (
    <div className="mt-4">
      {locus ? (
        <WhoCarries gene={gene} stand={stand} head={head} />
      ) : (
        <p className="text-sm text-soft">
          Say how {name.toLowerCase()} is inherited, and each plant shows what it is likely to carry.
        </p>
      )}
      <div className="flex flex-wrap gap-x-4">
        <Sheet
          trigger={locus ? `Change the gene of ${name.toLowerCase()}` : `Define the gene of ${name.toLowerCase()}`}
          title={`How ${name.toLowerCase()} is inherited`}
          plain
        >
          {(close) => <Define gene={gene} likely={likely} onDone={close} />}
        </Sheet>
        {locus && (
          <CommandButton command="locus.drop" input={{ id: locus.id, version: locus.version }} plain>
            Strike it out
          </CommandButton>
        )}
      </div>
    </div>
  );
}

/** What the classes of a way are, so that a grower can say the word of each. */
const CLASSES: Record<WayKey, string[]> = {
  dominant: ["One copy is enough for", "Only with two copies"],
  between: ["Two copies of the one", "One of each", "Two copies of the other"],
  each: ["Both shown", "Only the first", "Only the second", "Neither"],
  both: ["With both genes", "Where either is missing"],
  either: ["With either gene", "Where both are missing"],
  "hides-dominant": ["Where the first hides it", "Only the second shown", "Neither"],
  "hides-recessive": ["Both shown", "Only the first", "Where the first is missing"],
  "holds-back": ["Held back, or missing", "Shown"],
  "adds-up": ["Both shown", "One of them", "Neither"],
};

function Define({
  gene: { id, words, locus },
  likely,
  onDone,
}: {
  gene: GeneView;
  likely: Props["likely"];
  onDone: () => void;
}) {
  const possible = WAYS.filter((way) => classesOf(way) <= words.length);
  const best = possible.find(({ key }) => likely?.ratios.fits[0]?.ways[0] === key);
  const [way, setWay] = useState<WayKey>(locus?.way ?? best?.key ?? "dominant");
  const { loci } = wayOf(way);
  const classes = classesOf(wayOf(way));
  const said = locus && locus.way === way ? (JSON.parse(locus.words) as string[]) : null;
  // What is seen most stands first in most ways.
  const often = [
    ...(likely?.classes.map(({ word }) => word) ?? []),
    ...words.filter((word) => !likely?.classes.some((one) => one.word === word)),
  ];
  const values: Record<"recombination" | "error" | `word${number}`, string | number | undefined> = {
    ...Object.fromEntries(Array.from({ length: classes }, (_, i) => [`word${i}`, said?.[i] ?? often[i]])),
    recombination: (locus?.recombination ?? 0.5) * 100,
    error: (locus?.error ?? 0.02) * 100,
  };
  return (
    <CommandForm
      key={way}
      command="locus.define"
      draft={`locus-${id}-${way}`}
      values={values}
      factors={{ recombination: 0.01, error: 0.01 }}
      shape={({ recombination, error, ...told }) => ({
        yardstickId: id,
        way,
        words: Array.from({ length: classes }, (_, i) => told[`word${i}`]),
        recombination: loci === 2 ? recombination : 0.5,
        error,
      })}
      submit="Save"
      onDone={onDone}
    >
      {(Field) => (
        <>
          <label className="grid gap-1 font-semibold">
            Inherited by
            <select value={way} onChange={({ target }) => setWay(target.value as WayKey)}>
              {possible.map(({ key, name }) => (
                <option key={key} value={key}>
                  {sentence(name)}
                </option>
              ))}
            </select>
          </label>
          {CLASSES[way].map((label, i) => (
            <Field
              key={label}
              name={`word${i}`}
              label={label}
              type="select"
              choices={words.map((word) => ({ value: word, label: word }))}
            />
          ))}
          {loci === 2 && (
            <Field
              name="recombination"
              label="Parted when passed on"
              type="number"
              unit="%"
              hint="50 where the two genes lie apart; less where they are linked."
            />
          )}
          <Field
            name="error"
            label="Put down wrongly"
            type="number"
            unit="%"
            hint="How many plants of a hundred are written down as what they are not."
          />
        </>
      )}
    </CommandForm>
  );
}

/** Rows are drawn for so many sorts of plants. */
const SHOWN = 12;

/** A chance as a figure; a model is never certain. */
const chanceFigure = (chance: number): string =>
  chance > 0.995 ? `> ${fixed(0.99, 2)}` : chance < 0.005 ? `< ${fixed(0.01, 2)}` : fixed(chance, 2);

const lociInFigures = ({ loci }: PlantGenotype): string =>
  loci.map((locus) => locus.map(chanceFigure).join(", ")).join("; ");

function WhoCarries({ gene, stand, head }: Omit<Props, "likely">) {
  const { result, trouble } = useJobResult<GenotypesView>(
    "/api/jobs/nursery.genotypes",
    { standId: stand.id, yardstickId: gene.id },
    head,
  );
  if (trouble) return <p role="alert">{trouble}</p>;
  if (!result) return <p className="text-soft">Reckoning what each plant carries…</p>;
  if (result.kind === "unknown") return null;
  if (result.kind === "contradiction")
    return (
      <div role="alert" className="border-l-4 border-quince pl-3">
        <p>
          <strong>These can’t all be so, as {gene.name.toLowerCase()} is said to be inherited:</strong>{" "}
          {[
            ...result.plants.map(({ code, number, shows }) => `plant ${number} of ${code} shows ${shows}`),
            ...result.lots.map(({ code, shows }) => `seeds of ${code} show ${shows}`),
          ].join("; ")}
          .
        </p>
        <p>
          One of them was put down wrongly, or is of another parent, or the gene is another. Allow for some that are put
          down wrongly, or change the gene.
        </p>
      </div>
    );
  const { plants, wanted, seen, seeds, way } = result;
  if (plants.length === 0) return null;
  const sure = plants.filter(({ pure }) => pure >= SURELY_PURE).length;
  // Plants of which the same is known stand in one row.
  const alike = [
    ...groupBy(plants, (plant) => `${plant.shows} ${inTenShort(plant.pure)} ${lociInFigures(plant)}`).values(),
  ];
  const counting = plants.some(({ progeny }) => progeny !== null);
  return (
    <>
      <h3>
        Breeds true for {wanted}: {sure > 0 ? `${plural(sure, "plant")} as good as surely` : "no plant surely yet"}
      </h3>
      <p className="text-sm text-soft">
        From {plural(seen, "look")} {seeds > 0 && `and ${plural(seeds, "counted seed")} `}at these plants and their kin,
        all generations together.
      </p>
      <div className="mt-1 max-w-2xl">
        <Table
          heads={[
            "Plants",
            "Shows",
            "Breeds true",
            wayOf(way).loci === 1 ? "AA, Aa, aa" : "AA, Aa, aa; BB, Bb, bb",
            ...(counting ? ["Offspring to be sure"] : []),
          ]}
        >
          {alike.slice(0, SHOWN).map((list) => (
            <Carriers key={list[0]!.id} plants={list} counting={counting} />
          ))}
        </Table>
      </div>
      {alike.length > SHOWN && (
        <p className="text-sm text-soft">
          and {plural(alike.slice(SHOWN).flat().length, "plant")} that are less likely to.
        </p>
      )}
    </>
  );
}

function Carriers({ plants, counting }: { plants: PlantGenotype[]; counting: boolean }) {
  const { shows, pure, progeny } = plants[0]!;
  return (
    <tr>
      <th scope="row">{plants.map(({ number }) => number).join(", ")}</th>
      <td>{shows ?? "not looked at"}</td>
      <td className="whitespace-nowrap font-bold">{inTenShort(pure)}</td>
      <td>{lociInFigures(plants[0]!)}</td>
      {counting && <td>{progeny ?? "–"}</td>}
    </tr>
  );
}
