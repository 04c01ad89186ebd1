"use client";
import { useState } from "react";
import { addDays } from "@/core/calendar/day";
import { doingOf, type Stage } from "@/core/pollination/protocol";
import { plural } from "@/core/units/plural";
import type { Result } from "@/records/flower/commands";
import { OneOf } from "@/ui/OneOf";
import { dayNow } from "@/ui/press";
import { Stepper } from "@/ui/Stepper";
import { useKept } from "@/ui/useKept";
import { BudChoice } from "./BudChoice";
import { useCommand } from "./command";
import { StageRow } from "./drawings/FlowerStage";
import { Males } from "./Males";
import { Harvest } from "./RecordHarvest";
import { type Flower, type Props, Trouble, WhichDay, wide } from "./recordParts";
import { RESULT_CHOICES } from "./results";

/** One step of a protocol, recorded by thumb: what to look for, what was found, one press. */
export function RecordStep(props: Props) {
  const { step, brief, petals } = props;
  const looks = (
    <>
      {step.drawing && step.stages && <StageRow drawing={step.drawing} stages={step.stages} petals={petals} />}
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
        {doingOf(step).begins && <Cover {...props} />}
        {RESULT_CHOICES[step.action] && <Results key={step.action} {...props} />}
        {doingOf(step).ripens && <Harvest {...props} />}
      </div>
    </div>
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

function Results({ crossId, code, unit, day, step, flowers, males: offered = 2, onDone }: Props) {
  const { runKept, busy } = useCommand();
  const { action } = step;
  const { pollinates, gathers } = doingOf(step);
  const choices = RESULT_CHOICES[action]!;
  const usual = choices[0]![0];
  const [chosen, setChosen, clear] = useKept<Record<string, string>>(`${action}-${crossId}-${day}`, {});
  const [males, setMales] = useKept(`males-${crossId}-${day}`, offered);
  const [ago, setAgo] = useState(0);
  const [at, setAt] = useState("");
  const [bud, setBud] = useState<Stage>("right");
  const [trouble, setTrouble] = useState<string | null>(null);
  const of = (flower: Flower) => chosen[flower.id] ?? usual;
  const recorded = flowers.filter((f) => of(f) !== "later");
  const good = recorded.filter((f) => of(f) === usual).length;
  const word = choices[0]![1].toLowerCase();
  const save = async () => {
    const told = pollinates ? { bud } : {};
    const results = recorded.map((f) => ({ id: f.id, result: of(f) as Result, ...told }));
    const counted = pollinates || (gathers && step.father);
    const timed = { ...(counted ? { males } : {}), ...(pollinates && at ? { at } : {}) };
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
          <OneOf
            label={`Flower ${flower.number}`}
            value={of(flower)}
            choices={choices}
            onChange={(value) => setChosen({ ...chosen, [flower.id]: value })}
            className="grid grid-cols-2 gap-2 sm:flex sm:flex-wrap"
            each="min-h-12"
          />
        </fieldset>
      ))}
      {gathers && step.father && (
        <div className="border-t border-rule py-3">
          <p className="mb-3">
            {step.father.look} For {plural(flowers.length, unit)}:
          </p>
          <Stepper label={`${step.father.unit}s`} value={males} min={1} max={200} onChange={setMales} />
        </div>
      )}
      {pollinates && (
        <div className="grid gap-4 border-t border-rule py-3">
          <Males unit={unit} step={step} value={males} onChange={setMales} />
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
