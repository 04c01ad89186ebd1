"use client";
import { useState } from "react";
import type { Id } from "@/core/custody/id";
import { toggled } from "@/core/lists/toggled";
import { isMeasured, kindOf, TRAIT_KIND_IDS, type TraitKindId } from "@/core/traits/kinds";
import { useFormHeard } from "@/ui/formHere";
import { Sheet } from "@/ui/Sheet";
import type { Family, YardstickView } from "@/views/family";
import { Choices } from "../common/Choices";
import { CommandForm, type FieldOf, useCommand } from "../common/command";
import { AimFields, DescriptionFields } from "./AimSheet";

/** Yardsticks to begin with, from the garden's other lines, or of one's own. */
export function AddYardsticks({ view }: { view: Family }) {
  const lineId = view.yardsticks[0]?.lineId ?? view.stand.lineId;
  return (
    <div className="flex flex-wrap gap-2">
      <Sheet trigger="Choose yardsticks" title="Yardsticks to choose from" strong={view.yardsticks.length === 0} plain>
        {(close) => <Take view={view} lineId={lineId} close={close} />}
      </Sheet>
      <Sheet trigger="Add a yardstick" title="A yardstick" plain>
        {(close) => <AddYardstick lineId={lineId} yardsticks={view.yardsticks} close={close} />}
      </Sheet>
    </div>
  );
}

function Take({ view, lineId, close }: { view: Family; lineId: Id; close: () => void }) {
  const [usual, setUsual] = useState<ReadonlySet<string>>(new Set());
  const [own, setOwn] = useState<ReadonlySet<Id>>(new Set());
  const [trouble, setTrouble] = useState<string | null>(null);
  const { run, busy } = useCommand();
  const take = async () => {
    const answer = await run("yardstick.take", { lineId, usual: [...usual], own: [...own] });
    if (!answer) return;
    setTrouble(answer.ok ? null : (Object.values(answer.fields ?? {})[0] ?? answer.message));
    if (answer.ok) close();
  };
  const names = new Set(view.yardsticks.map(({ name }) => name));
  const count = usual.size + own.size;
  return (
    <div className="grid grid-cols-1 gap-6">
      {view.usual.length > 0 && (
        <fieldset>
          <legend className="mb-2 font-semibold">Usual for its kind</legend>
          <div className="grid gap-1 sm:grid-cols-2">
            {view.usual.map((name) => (
              <Tick key={name} label={name} on={usual.has(name)} onChange={() => setUsual(toggled(usual, name))} />
            ))}
          </div>
        </fieldset>
      )}
      <Choices of="yardsticks">
        {(all) => {
          const others = all.filter((y) => y.lineId !== lineId && !names.has(y.name));
          return others.length === 0 ? (
            <p className="text-sm text-soft">Your other lines have no more; what you make here can be taken there.</p>
          ) : (
            <fieldset>
              <legend className="mb-2 font-semibold">From your other lines, as they stand there</legend>
              <div className="grid gap-1">
                {others.map((y) => (
                  <Tick
                    key={y.id}
                    label={`${y.name}, ${y.lineName}`}
                    on={own.has(y.id)}
                    onChange={() => setOwn(toggled(own, y.id))}
                  />
                ))}
              </div>
            </fieldset>
          );
        }}
      </Choices>
      {trouble && (
        <p role="alert" className="font-semibold text-rust">
          {trouble}
        </p>
      )}
      <button
        type="button"
        className="leaf leaf-strong min-h-12"
        disabled={busy || count === 0}
        onClick={() => void take()}
      >
        {count === 0 ? "Choose some" : `Take ${count === 1 ? "it" : `these ${count}`}`}
      </button>
      <p className="text-sm text-soft">
        What is wanted of each, and how much it counts, is said afterwards: press its weight.
      </p>
    </div>
  );
}

const Tick = ({ label, on, onChange }: { label: string; on: boolean; onChange: () => void }) => (
  <label className="flex min-h-11 items-center gap-2">
    <input type="checkbox" checked={on} onChange={onChange} />
    <span className="min-w-0 break-words">{label}</span>
  </label>
);

/** What a new one holds at first. */
const BEGUN = {
  name: null,
  kind: "number",
  unit: null,
  lowEnd: null,
  highEnd: null,
  drawn: null,
  categories: null,
  stage: "any",
  often: "once",
  ofId: null,
  byId: null,
  wanted: "high",
  target: null,
  targetWord: null,
  low: null,
  high: null,
  floor: null,
  ceiling: null,
  must: false,
  weight: 1,
  inherited: null,
};

function AddYardstick({ lineId, yardsticks, close }: { lineId: Id; yardsticks: YardstickView[]; close: () => void }) {
  return (
    <CommandForm
      command="yardstick.add"
      draft={`yardstick-${lineId}`}
      values={BEGUN}
      hidden={{ lineId }}
      shape={({ must, ...typed }) => ({ ...typed, must: must ? 1 : 0 })}
      submit="Add it"
      onDone={close}
    >
      {(Field) => <YardstickFields Field={Field} yardsticks={yardsticks} />}
    </CommandForm>
  );
}

type FieldsProps = { Field: FieldOf<keyof typeof BEGUN>; yardsticks: YardstickView[] };

function YardstickFields({ Field, yardsticks }: FieldsProps) {
  const kind = useFormHeard("values").getValues("kind") as TraitKindId;
  const parts = yardsticks
    .filter((y) => isMeasured(y) && !kindOf(y).computed)
    .map(({ id, name }) => ({ value: id, label: name }));
  return (
    <>
      <Field name="name" label="Name" hint="As fruit mass, vine length, taste." />
      <Field
        name="kind"
        label="Kind"
        type="select"
        choices={TRAIT_KIND_IDS.map((value) => ({ value, label: kindOf({ kind: value }).name }))}
      />
      {kindOf({ kind }).describedBy.includes("parts") && (
        <div className="grid grid-cols-2 gap-4">
          <Field name="ofId" label="Of" type="select" none="Choose" choices={parts} />
          <Field name="byId" label="Divided by" type="select" none="Choose" choices={parts} />
        </div>
      )}
      <DescriptionFields Field={Field} kind={kind} />
      <AimFields Field={Field} kind={kind} words={[]} />
    </>
  );
}
