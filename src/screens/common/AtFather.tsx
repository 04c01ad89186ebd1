"use client";
import { useState } from "react";
import { doingOf } from "@/core/pollination/protocol";
import { plural } from "@/core/units/plural";
import { dayNow } from "@/ui/press";
import { Stepper } from "@/ui/Stepper";
import { useKept } from "@/ui/useKept";
import type { FatherTask } from "@/views/crossTasks";
import { useCommand } from "./command";
import { fathersInWords } from "./crossWords";
import { Trouble, wide } from "./recordParts";
import { Tag } from "./Tag";

/** The father's part: how many males, of which plant, in which bed, and one press. */
export function AtFather({ task, day, onDone }: { task: FatherTask; day: string; onDone: () => void }) {
  const { state, step, count, ready, fathers, from, to } = task;
  const { cross } = state;
  const { father, action } = step;
  const { runKept, busy } = useCommand();
  const [males, setMales] = useKept(`father-${action}-${cross.id}-${day}`, count);
  const [trouble, setTrouble] = useState<string | null>(null);
  const done = doingOf(step).begins ? "ready" : "fetched";
  const save = async () => {
    const words = `${cross.code}: ${plural(males, father.unit)} of the father ${done}`;
    const answer = await runKept("cross.males", { crossId: cross.id, step: action, males, on: dayNow() }, words);
    if (!answer) return;
    if (!answer.ok) return setTrouble(answer.message);
    onDone();
  };
  return (
    <section className="mt-4" aria-label={`The father of ${cross.code}`}>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <Tag kind="cross" code={cross.code} />
        <span className="font-bold text-soft">
          {from} to {to}
        </span>
      </div>
      <p className="mt-2 text-lg">
        {fathers.length > 1 ? "The fathers" : "The father"}: <strong>{fathersInWords(fathers)}</strong>
      </p>
      <h2 className="mt-1 text-2xl">{father.title}</h2>
      <p className="mt-2 text-lg">{father.look}</p>
      {ready !== null && <p className="mt-2 font-bold">{plural(ready, father.unit)} made ready the evening before.</p>}
      <div className="mt-4">
        <Stepper label={`${father.unit}s`} value={males} min={1} max={1000} onChange={setMales} />
      </div>
      <Trouble message={trouble} />
      <button type="button" disabled={busy} onClick={() => void save()} className={wide}>
        {plural(males, father.unit)} {done}
      </button>
    </section>
  );
}
