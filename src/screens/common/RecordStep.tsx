"use client";
import { ToggleGroup } from "radix-ui";
import { useState } from "react";
import type { ProtocolStep } from "@/core/pollination/steps";
import { massTyped, massUnit, type Units } from "@/core/units/units";
import { CommandForm, Field } from "@/ui/CommandForm";
import { Stepper } from "@/ui/Stepper";
import { useCommand } from "@/ui/useCommand";
import { useKept } from "@/ui/useKept";
import { plural } from "./words";

type Flower = { id: number; number: number };
type Props = {
  crossId: number;
  day: string;
  step: ProtocolStep;
  flowers: Flower[];
  suggested: number;
  units: Units;
  onDone: () => void;
};

/** One step of a protocol, recorded by thumb: what to look for, what was found, one press. */
export function RecordStep(props: Props) {
  const { step } = props;
  return (
    <div>
      <p className="text-lg">{step.look}</p>
      <p className="mt-2 text-sm text-soft">
        <strong className="text-rust">{step.tooLate}</strong> You need: {step.tools}.
      </p>
      <div className="mt-6">
        {step.action === "cover" && <Cover {...props} />}
        {(step.action === "pollinate" || step.action === "check") && <Results key={step.action} {...props} />}
        {step.action === "harvest" && <Harvest {...props} />}
      </div>
    </div>
  );
}

function Trouble({ message }: { message: string | null }) {
  return message ? (
    <p role="alert" className="my-4 border-l-4 border-rust pl-3 font-semibold text-rust">
      {message}
    </p>
  ) : null;
}

const wide = "leaf leaf-strong mt-6 min-h-16 w-full text-xl";

function Cover({ crossId, day, suggested, onDone }: Props) {
  const { run, busy } = useCommand();
  const [flowers, setFlowers, clear] = useKept(`cover-${crossId}-${day}`, Math.max(1, suggested));
  const [trouble, setTrouble] = useState<string | null>(null);
  const save = async () => {
    const answer = await run("flower.cover", { crossId, flowers });
    if (!answer) return;
    if (!answer.ok) return setTrouble(answer.message);
    clear();
    onDone();
  };
  return (
    <>
      <Stepper label="mother flowers covered" value={flowers} min={1} max={200} onChange={setFlowers} />
      <Trouble message={trouble} />
      <button type="button" className={wide} disabled={busy} onClick={() => void save()}>
        {plural(flowers, "flower")} covered
      </button>
    </>
  );
}

const CHOICES = {
  pollinate: [
    ["pollinated", "Pollinated"],
    ["found-open", "Found open"],
    ["limp", "Limp"],
    ["torn-bag", "Torn bag"],
  ],
  check: [
    ["set", "Set"],
    ["failed", "Not set"],
    ["later", "Later"],
  ],
} as const;

function Results({ crossId, day, step, flowers, onDone }: Props) {
  const { run, busy } = useCommand();
  const action = step.action as keyof typeof CHOICES;
  const usual = CHOICES[action][0][0];
  const [chosen, setChosen, clear] = useKept<Record<string, string>>(`${action}-${crossId}-${day}`, {});
  const [males, setMales] = useKept(`males-${crossId}-${day}`, 2);
  const [trouble, setTrouble] = useState<string | null>(null);
  const of = (flower: Flower) => chosen[flower.id] ?? usual;
  const recorded = flowers.filter((f) => of(f) !== "later");
  const good = recorded.filter((f) => of(f) === usual).length;
  const save = async () => {
    const results = recorded.map((f) => ({ id: f.id, result: of(f) }));
    const answer = await run("flower.record", { crossId, males, results });
    if (!answer) return;
    if (!answer.ok) return setTrouble(answer.message);
    clear();
    onDone();
  };
  return (
    <>
      {flowers.map((flower) => (
        <fieldset key={flower.id} className="border-t border-rule py-3">
          <legend className="sr-only">Flower {flower.number}</legend>
          <p className="mb-2 font-head text-lg font-bold">Flower {flower.number}</p>
          <ToggleGroup.Root
            type="single"
            value={of(flower)}
            onValueChange={(value) => value && setChosen({ ...chosen, [flower.id]: value })}
            aria-label={`Flower ${flower.number}`}
            className="grid grid-cols-2 gap-2 sm:flex sm:flex-wrap"
          >
            {CHOICES[action].map(([value, label]) => (
              <ToggleGroup.Item
                key={value}
                value={value}
                className="leaf min-h-12 data-[state=on]:bg-damson data-[state=on]:text-on-damson"
              >
                {label}
              </ToggleGroup.Item>
            ))}
          </ToggleGroup.Root>
        </fieldset>
      ))}
      {action === "pollinate" && (
        <div className="border-t border-rule py-3">
          <Stepper
            label="male flowers on each; one is often too few"
            value={males}
            min={1}
            max={20}
            onChange={setMales}
          />
        </div>
      )}
      <Trouble message={trouble} />
      <button type="button" className={wide} disabled={busy || recorded.length === 0} onClick={() => void save()}>
        {action === "pollinate" ? `${good} pollinated` : `${good} set`}
        {recorded.length > good ? `, ${recorded.length - good} lost` : ""}
      </button>
    </>
  );
}

function Harvest({ crossId, day, flowers, units, onDone }: Props) {
  return (
    <CommandForm
      command="cross.harvest"
      draft={`harvest-${crossId}`}
      values={{ fruits: flowers.length, on: day, seeds: null, mass: null }}
      hidden={{ crossId }}
      factors={{ mass: massTyped(1, units) }}
      submit="Make the lot"
      onDone={onDone}
    >
      <Field name="fruits" label="Fruits brought in" type="number" />
      <Field name="on" label="Day" type="date" />
      <Field name="seeds" label="Seeds, counted" type="number" hint="Or leave empty and weigh them." />
      <Field name="mass" label="Seeds, weighed" type="number" unit={massUnit(units)} />
    </CommandForm>
  );
}
