"use client";
import { useWatch } from "react-hook-form";
import type { Id } from "@/core/custody/id";
import { fixed } from "@/core/writing/numbers";
import { Sheet } from "@/ui/Sheet";
import type { Family, YardstickView } from "@/views/nursery";
import { CommandButton, CommandForm, Field } from "../common/command";

const wantedInWords = (y: YardstickView) =>
  ({
    high: "more is better",
    low: "less is better",
    target: `near ${y.target}${y.unit ? ` ${y.unit}` : ""}`,
    category: `${y.targetWord} wanted`,
    yes: "yes wanted",
    no: "no wanted",
  })[y.wanted];

const told = (value: number) => fixed(value, value >= 20 ? 0 : 2);
const meanInWords = (mean: number, spread: number | null, unit: string) =>
  `${told(mean)}${spread === null ? "" : ` ± ${told(spread)}`}${unit ? ` ${unit}` : ""}`;

/** What the family is measured by: the wanted, the weight, the family's mean and the parents beside it. */
export function Yardsticks({ view }: { view: Family }) {
  const { yardsticks, stand } = view;
  const weights = yardsticks.reduce((sum, y) => sum + y.weight, 0);
  return (
    <section aria-label="Yardsticks">
      <div className="flex items-center justify-between gap-3">
        <h2>Measured by</h2>
        <Sheet trigger="Add a yardstick" title="A yardstick" plain>
          {(close) => <AddYardstick lineId={yardsticks[0]?.lineId ?? stand.lineId} close={close} />}
        </Sheet>
      </div>
      {yardsticks.length === 0 ? (
        <p className="mt-2">
          Two to five yardsticks are enough: what the variety is to be, in things you can count, weigh or judge from 1
          to 9.
        </p>
      ) : (
        <>
          <ul className="rows mt-3 border-y border-rule">
            {yardsticks.map((y) => (
              <li key={y.id} className="py-2">
                <div className="flex items-baseline justify-between gap-3">
                  <span className="font-semibold">{y.name}</span>
                  <Weigh yardstick={y} share={weights > 0 ? y.weight / weights : 0} />
                </div>
                <p className="text-sm text-soft">
                  {wantedInWords(y)}
                  {y.kind === "scale" ? `; 1 ${y.lowEnd}, 9 ${y.highEnd}` : ""}
                </p>
                <table className="mt-1 w-full text-sm">
                  <tbody>
                    {y.family && (
                      <Figures
                        name="this family"
                        words={meanInWords(y.family.mean, y.family.spread, y.kind === "date" ? "days" : y.unit)}
                        count={y.family.count}
                      />
                    )}
                    {y.parents.map((p) => (
                      <Figures
                        key={p.line}
                        name={`${p.line}, ${p.season}`}
                        words={
                          p.summary
                            ? meanInWords(p.summary.mean, p.summary.spread, y.kind === "date" ? "days" : y.unit)
                            : (p.words ?? "no scores")
                        }
                        count={p.summary?.count}
                      />
                    ))}
                  </tbody>
                </table>
              </li>
            ))}
          </ul>
          <Retired view={view} />
          <p className="mt-2 text-sm text-soft">
            Rank: each score standardised over the plants still standing, times its weight, summed. It takes looks as
            they are; it is not a breeding value.
          </p>
        </>
      )}
    </section>
  );
}

/** Yardsticks that are not used any more can be taken up again. */
function Retired({ view: { retired } }: { view: Family }) {
  if (retired.length === 0) return null;
  return (
    <ul className="mt-2 text-sm" aria-label="Not used any more">
      {retired.map(({ id, version, name }) => (
        <li key={id} className="flex items-baseline justify-between gap-3">
          <span className="text-soft">{name}, not used any more; its scores are kept</span>
          <CommandButton
            command="yardstick.retire"
            input={{ id, version, again: true }}
            label={`Use ${name} again`}
            plain
          >
            Use again
          </CommandButton>
        </li>
      ))}
    </ul>
  );
}

function Figures({ name, words, count }: { name: string; words: string; count?: number }) {
  return (
    <tr>
      <th scope="row" className="pr-2 text-left font-normal text-soft">
        {name}
      </th>
      <td className="text-right font-semibold">
        {words}
        {count !== undefined && <span className="font-normal text-soft"> of {count}</span>}
      </td>
    </tr>
  );
}

function Weigh({ yardstick, share }: { yardstick: YardstickView; share: number }) {
  return (
    <Sheet
      trigger={`weighs ${yardstick.weight} (${Math.round(share * 100)} %)`}
      title={`How much does ${yardstick.name} count?`}
      plain
    >
      {(close) => (
        <>
          <CommandForm
            command="yardstick.weigh"
            draft={`weigh-${yardstick.id}`}
            values={{ weight: yardstick.weight }}
            hidden={{ id: yardstick.id, version: yardstick.version }}
            submit="Keep"
            onDone={close}
          >
            <Field
              name="weight"
              label="Weight"
              type="number"
              hint="0 to 10, against the other yardsticks. 0 leaves it out of the rank."
            />
          </CommandForm>
          <section className="mt-8 border-t border-rule pt-4">
            <h3 className="mb-2">Not used any more?</h3>
            <p className="mb-3 text-sm text-soft">Its scores are kept, and it can be taken up again.</p>
            <CommandButton
              command="yardstick.retire"
              input={{ id: yardstick.id, version: yardstick.version }}
              onDone={close}
            >
              Retire {yardstick.name}
            </CommandButton>
          </section>
        </>
      )}
    </Sheet>
  );
}

const KINDS = {
  number: "Number with a unit",
  scale: "Scale 1 to 9",
  category: "One of some words",
  "yes-no": "Yes or no",
  date: "Day it happened",
};

function AddYardstick({ lineId, close }: { lineId: Id; close: () => void }) {
  return (
    <CommandForm
      command="yardstick.add"
      draft={`yardstick-${lineId}`}
      values={{
        name: null,
        kind: "number",
        unit: null,
        lowEnd: null,
        highEnd: null,
        categories: null,
        wanted: "high",
        target: null,
        targetWord: null,
        weight: 1,
      }}
      hidden={{ lineId }}
      submit="Add it"
      onDone={close}
    >
      <YardstickFields />
    </CommandForm>
  );
}

const WANTED: Record<string, [string, string][]> = {
  measure: [
    ["high", "More is better"],
    ["low", "Less is better"],
    ["target", "Near a value"],
  ],
  category: [["category", "One of the words"]],
  "yes-no": [
    ["yes", "Yes"],
    ["no", "No"],
  ],
};

function YardstickFields() {
  const kind = useWatch({ name: "kind" }) as string;
  const wanted = useWatch({ name: "wanted" }) as string;
  const choices = WANTED[kind] ?? WANTED.measure!;
  return (
    <>
      <Field name="name" label="Name" hint="As fruit mass, vine length, taste." />
      <Field
        name="kind"
        label="Kind"
        type="select"
        choices={Object.entries(KINDS).map(([value, label]) => ({ value, label }))}
      />
      {kind === "number" && <Field name="unit" label="Unit" />}
      {kind === "scale" && (
        <div className="grid grid-cols-2 gap-4">
          <Field name="lowEnd" label="1 means" />
          <Field name="highEnd" label="9 means" />
        </div>
      )}
      {kind === "category" && <Field name="categories" label="Words" hint="With commas between." />}
      <Field
        name="wanted"
        label="Wanted"
        type="select"
        none="Choose"
        choices={choices.map(([value, label]) => ({ value, label }))}
      />
      {wanted === "target" && <Field name="target" label="Value wanted" type="number" />}
      {kind === "category" && <Field name="targetWord" label="Wanted word" />}
      <Field name="weight" label="Weight" type="number" hint="0 to 10, against the other yardsticks." />
    </>
  );
}
