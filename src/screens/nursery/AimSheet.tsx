"use client";
import { kindOf, type TraitKindId } from "@/core/traits/kinds";
import type { Wanted } from "@/core/traits/trait";
import { useFormHeard } from "@/ui/formHere";
import { More } from "@/ui/More";
import { Sheet } from "@/ui/Sheet";
import type { YardstickView } from "@/views/family";
import { CommandButton, CommandForm, type FieldOf } from "../common/command";
import { DRAWINGS, OFTEN, STAGES } from "./yardstickWords";

type Props = { yardstick: YardstickView; yardsticks: YardstickView[]; share: number };

/** What is wanted of a yardstick, how it is described, and its end. */
export function AimSheet({ yardstick, share }: Props) {
  const { id, version, name, wanted, target, targetWord, low, high, floor, ceiling, must, weight, inherited } =
    yardstick;
  return (
    <Sheet
      trigger={wanted === "none" ? "only looked at" : `weighs ${weight} (${Math.round(share * 100)} %)`}
      title={`${name}: what is wanted`}
      plain
    >
      {(close) => (
        <>
          <CommandForm
            command="yardstick.aim"
            draft={`aim-${id}`}
            values={{ wanted, target, targetWord, low, high, floor, ceiling, must: must === 1, weight, inherited }}
            hidden={{ id, version }}
            shape={({ must: told, ...typed }) => ({ ...typed, must: told ? 1 : 0 })}
            patch
            submit="Save"
            onDone={close}
          >
            {(Field) => <AimFields Field={Field} kind={yardstick.kind} words={yardstick.words} />}
          </CommandForm>
          <section className="mt-8 border-t border-rule pt-4">
            <h3 className="mb-2">How it is described</h3>
            <Description yardstick={yardstick} close={close} />
          </section>
          <section className="mt-8 border-t border-rule pt-4">
            <h3 className="mb-2">Not used any more?</h3>
            <p className="mb-3 text-sm text-soft">Its scores are kept, and it can be taken up again.</p>
            <CommandButton command="yardstick.retire" input={{ id, version }} onDone={close}>
              Retire {name}
            </CommandButton>
          </section>
        </>
      )}
    </Sheet>
  );
}

/** What may be wanted, in words. */
const WANTED: Record<Wanted, string> = {
  high: "More is better",
  low: "Less is better",
  target: "Near a value",
  range: "Within a range",
  category: "One of the words",
  yes: "Yes",
  no: "No",
  none: "Only looked at",
};
/** What a grower knows of a trait's heritability, in words; a share that was told as a number stays. */
const HERITABILITIES = [
  { value: "0.15", label: "Low: mostly luck and place, as yield of one plant" },
  { value: "0.4", label: "Middling, as earliness or sweetness" },
  { value: "0.65", label: "High: much the same wherever it grows, as shape" },
];
const heritabilities = (told: unknown) =>
  told == null || told === "" || HERITABILITIES.some(({ value }) => Number(value) === Number(told))
    ? HERITABILITIES
    : [...HERITABILITIES, { value: `${told}`, label: `${Math.round(Number(told) * 100)} %` }];

/** What is wanted, how much it counts, and what alone puts a plant out. */
type Aim = "wanted" | "target" | "low" | "high" | "targetWord" | "weight" | "floor" | "ceiling" | "must" | "inherited";
export function AimFields({ Field, kind, words }: { Field: FieldOf<Aim>; kind: TraitKindId; words: string[] }) {
  const { getValues } = useFormHeard("values");
  const wanted = getValues("wanted") as string;
  const inherited = getValues("inherited") as unknown;
  const of = kindOf({ kind });
  return (
    <>
      <Field
        name="wanted"
        label="Wanted"
        type="select"
        none="Choose"
        choices={of.wanted.map((value) => ({ value, label: WANTED[value] }))}
      />
      {wanted === "target" && <Field name="target" label="Value wanted" type="number" />}
      {wanted === "range" && (
        <div className="grid grid-cols-2 gap-4">
          <Field name="low" label="From" type="number" />
          <Field name="high" label="To" type="number" />
        </div>
      )}
      {wanted === "category" && (
        <Field
          name="targetWord"
          label="Wanted word"
          hint={words.length > 0 ? `One of: ${words.join(", ")}.` : undefined}
        />
      )}
      {wanted !== "none" && (
        <Field
          name="weight"
          label="Weight"
          type="number"
          hint="0 to 10, against the other yardsticks. 0 leaves it out of the rank."
        />
      )}
      {(of.measured || wanted !== "none") && (
        <More of={of.measured ? "What puts a plant out, and how much is inherited" : "What puts a plant out"}>
          <div className="grid gap-4">
            {of.measured && (
              <div className="grid grid-cols-2 gap-4">
                <Field name="floor" label="Out below" type="number" hint="Alone puts a plant out." />
                <Field name="ceiling" label="Out above" type="number" />
              </div>
            )}
            {!of.measured && wanted !== "none" && (
              <Field name="must" label="Any other is out, whatever else is good" type="checkbox" />
            )}
            {of.measured && (
              <Field
                name="inherited"
                label="Heritability"
                type="select"
                none="Not known"
                choices={heritabilities(inherited)}
                hint="How much of what sister plants differ by goes on to their seed. A right guess finds better plants sooner; what your plants show corrects it."
              />
            )}
          </div>
        </More>
      )}
    </>
  );
}

function Description({ yardstick, close }: { yardstick: YardstickView; close: () => void }) {
  const { id, version, name, kind, unit, lowEnd, highEnd, stage, often, drawn, words } = yardstick;
  return (
    <CommandForm
      command="yardstick.change"
      draft={`described-${id}`}
      values={{ name, unit, lowEnd, highEnd, stage, often, drawn, categories: words.join(", ") }}
      hidden={{ id, version }}
      patch
      submit="Change"
      onDone={close}
    >
      {(Field) => (
        <>
          <Field name="name" label="Name" />
          <DescriptionFields Field={Field} kind={kind} />
          <p className="text-sm text-soft">
            Another unit, other ends or words begin a new version once it was scored on; what was scored before keeps
            its meaning.
          </p>
        </>
      )}
    </CommandForm>
  );
}

const choices = (of: Record<string, string>) => Object.entries(of).map(([value, label]) => ({ value, label }));

/** How it is looked at: unit or ends or words, when, and how often. */
type Description = "unit" | "lowEnd" | "highEnd" | "drawn" | "categories" | "stage" | "often";
export function DescriptionFields({ Field, kind }: { Field: FieldOf<Description>; kind: TraitKindId }) {
  const { describedBy, often } = kindOf({ kind });
  return (
    <>
      {describedBy.includes("unit") && <Field name="unit" label="Unit" />}
      {describedBy.includes("ends") && (
        <>
          <div className="grid grid-cols-2 gap-4">
            <Field name="lowEnd" label="1 means" />
            <Field name="highEnd" label="9 means" />
          </div>
          <Field name="drawn" label="Drawn as" type="select" none="Not drawn" choices={choices(DRAWINGS)} />
        </>
      )}
      {describedBy.includes("categories") && <Field name="categories" label="Words" hint="With commas between." />}
      <More of="When it is looked at">
        <div className="grid gap-4">
          <Field name="stage" label="When" type="select" choices={choices(STAGES)} />
          {often.length > 1 && (
            <Field
              name="often"
              label="How often"
              type="select"
              choices={often.map((value) => ({ value, label: OFTEN[value] }))}
            />
          )}
        </div>
      </More>
    </>
  );
}
