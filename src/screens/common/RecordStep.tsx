"use client";
import { ToggleGroup } from "radix-ui";
import { useEffect, useState } from "react";
import { addDays, dayInWords } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import type { ProtocolStep, Stage, Unit } from "@/core/pollination/protocol";
import { massTyped, massUnit, type Units } from "@/core/units/units";
import type { Result } from "@/records/flower/commands";
import { dayNow } from "@/ui/press";
import { Stepper } from "@/ui/Stepper";
import { useKept } from "@/ui/useKept";
import { BudChoice } from "./BudChoice";
import { CommandForm, Field, useCommand } from "./command";
import { StageRow } from "./drawings/FlowerStage";
import { MALES_WORDS, RESULT_CHOICES } from "./results";
import { plural } from "./words";

type Flower = { id: Id; number: number; code: string };
type Props = {
  crossId: Id;
  code: string;
  unit: Unit;
  day: string;
  step: ProtocolStep;
  flowers: Flower[];
  /** Set fruit with a fault, which is brought in apart. */
  doubtful?: number;
  suggested: number;
  units: Units;
  /** On the round the presses come first, and what to look for opens. */
  brief?: boolean;
  onDone: () => void;
};

/** One step of a protocol, recorded by thumb: what to look for, what was found, one press. */
export function RecordStep(props: Props) {
  const { step, brief } = props;
  const looks = (
    <>
      {step.drawing && step.stages && <StageRow drawing={step.drawing} stages={step.stages} />}
      <p className="mt-3 text-lg">{step.look}</p>
      <p className="mt-2 text-sm text-soft">
        <strong className="text-rust">{step.tooLate}</strong> You need: {step.tools}. Record: {step.record}.
      </p>
    </>
  );
  return (
    <div>
      {brief ? (
        <>
          <p className="text-lg">{step.stages?.right ?? step.look}</p>
          <details className="mt-1">
            <summary className="min-h-11 cursor-pointer font-semibold text-damson underline">
              Too early, too late, what is needed
            </summary>
            {looks}
          </details>
        </>
      ) : (
        looks
      )}
      <div className="mt-6">
        {step.action === "cover" && <Cover {...props} />}
        {RESULT_CHOICES[step.action] && <Results key={step.action} {...props} />}
        {step.action === "harvest" && <Harvest {...props} />}
      </div>
    </div>
  );
}

export function Trouble({ message }: { message: string | null }) {
  return message ? (
    <p role="alert" className="my-4 border-l-4 border-rust pl-3 font-semibold text-rust">
      {message}
    </p>
  ) : null;
}

const wide = "leaf leaf-strong mt-6 min-h-16 w-full text-xl";

/** The day something was done: the press's own, or the one before. Kept as days ago, as a page may stand open overnight. */
function WhichDay({ day, ago, onChange }: { day: string; ago: number; onChange: (ago: number) => void }) {
  // Drawn with the server's day first, and with this device's as soon as it is known.
  const [today, setToday] = useState(day);
  useEffect(() => setToday(dayNow()), []);
  return (
    <ToggleGroup.Root
      type="single"
      value={String(ago)}
      onValueChange={(value) => value && onChange(Number(value))}
      aria-label="Day"
      className="mb-4 flex gap-2"
    >
      {[0, 1].map((days) => (
        <ToggleGroup.Item
          key={days}
          value={String(days)}
          className="leaf data-[state=on]:bg-damson data-[state=on]:text-on-damson"
        >
          {days === 0 ? "Today" : "Yesterday"}, {dayInWords(addDays(today, -days))}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}

function Cover({ crossId, code, unit, day, suggested, onDone }: Props) {
  const { runKept, busy } = useCommand();
  const [flowers, setFlowers, clear] = useKept(`cover-${crossId}-${day}`, Math.max(1, suggested));
  const [ago, setAgo] = useState(0);
  const [trouble, setTrouble] = useState<string | null>(null);
  const save = async () => {
    const words = `${code}: ${plural(flowers, unit)} covered`;
    const answer = await runKept("flower.cover", { crossId, flowers, on: addDays(dayNow(), -ago) }, words);
    if (!answer) return;
    if (!answer.ok) return setTrouble(answer.message);
    clear();
    onDone();
  };
  return (
    <>
      <WhichDay day={day} ago={ago} onChange={setAgo} />
      <Stepper
        label={`${unit === "flower" ? "mother flower" : unit}s covered`}
        value={flowers}
        min={1}
        max={200}
        onChange={setFlowers}
      />
      <Trouble message={trouble} />
      <button type="button" className={wide} disabled={busy} onClick={() => void save()}>
        {plural(flowers, unit)} covered
      </button>
    </>
  );
}

function Results({ crossId, code, unit, day, step, flowers, onDone }: Props) {
  const { runKept, busy } = useCommand();
  const { action } = step;
  const choices = RESULT_CHOICES[action]!;
  const usual = choices[0]![0];
  const [chosen, setChosen, clear] = useKept<Record<string, string>>(`${action}-${crossId}-${day}`, {});
  const [males, setMales] = useKept(`males-${crossId}-${day}`, 2);
  const [ago, setAgo] = useState(0);
  const [at, setAt] = useState("");
  const [bud, setBud] = useState<Stage>("right");
  const [trouble, setTrouble] = useState<string | null>(null);
  const of = (flower: Flower) => chosen[flower.id] ?? usual;
  const recorded = flowers.filter((f) => of(f) !== "later");
  const good = recorded.filter((f) => of(f) === usual).length;
  const word = choices[0]![1].toLowerCase();
  const save = async () => {
    const told = action === "pollinate" ? { bud } : {};
    const results = recorded.map((f) => ({ id: f.id, result: of(f) as Result, ...told }));
    const timed = action === "pollinate" ? { males, ...(at ? { at } : {}) } : {};
    const answer = await runKept(
      "flower.record",
      { crossId, on: addDays(dayNow(), -ago), ...timed, results },
      `${code}: ${good} ${word}`,
    );
    if (!answer) return;
    if (!answer.ok) return setTrouble(answer.message);
    clear();
    onDone();
  };
  return (
    <>
      <WhichDay day={day} ago={ago} onChange={setAgo} />
      {flowers.length > 2 && (
        <div className="mb-4 flex flex-wrap items-center gap-2" role="group" aria-label="All at once">
          <span className="text-soft">All {flowers.length}:</span>
          {choices.map(([value, label]) => (
            <button
              key={value}
              type="button"
              className="leaf"
              onClick={() => setChosen(Object.fromEntries(flowers.map((f) => [f.id, value])))}
            >
              {label}
            </button>
          ))}
        </div>
      )}
      {flowers.map((flower) => (
        <fieldset key={flower.id} className="border-t border-rule py-3">
          <legend className="sr-only">Flower {flower.number}</legend>
          <p className="mb-2 font-head text-lg font-bold">
            Flower {flower.number} <span className="text-sm font-normal text-soft">{flower.code}</span>
          </p>
          <ToggleGroup.Root
            type="single"
            value={of(flower)}
            onValueChange={(value) => value && setChosen({ ...chosen, [flower.id]: value })}
            aria-label={`Flower ${flower.number}`}
            className="grid grid-cols-2 gap-2 sm:flex sm:flex-wrap"
          >
            {choices.map(([value, label]) => (
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
        <div className="grid gap-4 border-t border-rule py-3">
          <Stepper label={MALES_WORDS[unit]!} value={males} min={1} max={200} onChange={setMales} />
          <label className="flex items-center gap-3">
            <span className="font-semibold">At</span>
            <input type="time" className="w-36" value={at} onChange={(event) => setAt(event.target.value)} />
          </label>
          <BudChoice bud={bud} onChange={setBud} />
        </div>
      )}
      <Trouble message={trouble} />
      <button type="button" className={wide} disabled={busy || recorded.length === 0} onClick={() => void save()}>
        {good} {word}
        {recorded.length > good ? `, ${recorded.length - good} otherwise` : ""}
      </button>
    </>
  );
}

function Harvest({ crossId, day, flowers, doubtful = 0, units, onDone }: Props) {
  const amount = (
    <>
      <Field name="fruits" label="Fruits brought in" type="number" />
      <Field name="on" label="Day" type="date" />
      <Field name="seeds" label="Seeds, counted" type="number" hint="Or leave empty and weigh them." />
      <Field name="mass" label="Seeds, weighed" type="number" unit={massUnit(units)} />
    </>
  );
  return (
    <>
      {flowers.length > 0 && (
        <CommandForm
          command="cross.harvest"
          draft={`harvest-${crossId}`}
          values={{ fruits: flowers.length, on: day, seeds: null, mass: null }}
          hidden={{ crossId }}
          factors={{ mass: massTyped(1, units) }}
          submit="Make the lot"
          onDone={onDone}
        >
          {amount}
        </CommandForm>
      )}
      {doubtful > 0 && (
        <section className="mt-8 border-t border-rule pt-4">
          <h3>Fruit with a fault</h3>
          <p className="mb-3 text-sm text-soft">
            {plural(doubtful, "set fruit")} found open, with a torn bag or in doubt. It becomes a lot of its own, as
            open-pollinated seed of the mother with possible fathers, never the cross.
          </p>
          <CommandForm
            command="cross.harvest"
            draft={`harvest-doubt-${crossId}`}
            values={{ fruits: doubtful, on: day, seeds: null, mass: null }}
            hidden={{ crossId, doubtful: true }}
            factors={{ mass: massTyped(1, units) }}
            submit="Make a lot in doubt"
            onDone={onDone}
          >
            {amount}
          </CommandForm>
        </section>
      )}
    </>
  );
}
