"use client";
import clsx from "clsx";
import { useState } from "react";
import type { Id } from "@/core/custody/id";
import { kindOf } from "@/core/traits/kinds";
import { plural } from "@/core/units/plural";
import { Sheet } from "@/ui/Sheet";
import type { Family } from "@/views/family";
import { Choices } from "../common/Choices";
import { useCommand } from "../common/command";
import { MARK_SIGNS, MARKS } from "../common/standNames";
import { PlantGrid } from "./ChoosePlants";

/** Plants of a family marked or taken out several at once, this line's usual reasons one press each, the last one first. */
export function MarkSeveral({ view }: { view: Marked & Pick<Family, "stand"> }) {
  const { stand } = view;
  return (
    <Sheet trigger="Mark several" title={`${stand.code}: several at once`} at="several">
      {(close) => <Several view={view} close={close} />}
    </Sheet>
  );
}

type Marked = Pick<Family, "plants" | "reasons" | "yardsticks" | "scores">;

function Several({ view, close }: { view: Marked; close: () => void }) {
  const { plants, reasons, scores } = view;
  const scored = view.yardsticks.filter(({ id }) => plants.some((plant) => scores[plant.id]?.[id]));
  const [trait, setTrait] = useState(scored[0]);
  const scoreOf = (id: Id) => {
    const value = trait && scores[id]?.[trait.id];
    return value ? kindOf(trait).shown(value) : null;
  };
  const standing = plants.filter(({ removedOn }) => removedOn === null);
  const [chosen, setChosen] = useState<ReadonlySet<Id>>(new Set());
  const [reason, setReason] = useState("");
  const [trouble, setTrouble] = useState<string | null>(null);
  const { run, busy } = useCommand();
  const ids = standing.filter(({ id }) => chosen.has(id)).map(({ id }) => id);
  const act = async (sending: ReturnType<typeof run>) => {
    const answer = await sending;
    if (!answer) return;
    setTrouble(answer.ok ? null : (Object.values(answer.fields ?? {})[0] ?? answer.message));
    if (answer.ok) close();
  };
  return (
    <div className="grid grid-cols-1 gap-5">
      {trait && (
        <label className="flex items-center gap-2">
          <span className="whitespace-nowrap font-semibold">Show the scores of</span>
          <select
            className="min-w-0"
            value={trait.id}
            onChange={({ target }) => setTrait(scored.find(({ id }) => id === target.value))}
          >
            {scored.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
      )}
      <PlantGrid
        legend="Which plants?"
        plants={standing.map(({ id, number, mark }) => {
          const score = scoreOf(id);
          const marked = mark === "none" ? null : MARKS[mark].toLowerCase();
          return {
            id,
            number,
            said: [score && `, ${trait!.name} ${score}`, marked && `, ${marked}`].filter(Boolean).join(""),
            sign: MARK_SIGNS[mark],
            under: score,
          };
        })}
        chosen={chosen}
        onChange={setChosen}
      />
      <div>
        <label>
          <span className="block font-semibold">Why?</span>
          <input
            value={reason}
            maxLength={500}
            autoComplete="off"
            onChange={(event) => setReason(event.target.value)}
          />
        </label>
        {reasons.length > 0 && (
          <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label="Usual reasons">
            {reasons.map((usual) => (
              <button
                key={usual}
                type="button"
                aria-pressed={reason === usual}
                onClick={() => setReason(usual)}
                className={clsx("leaf max-w-full text-left", reason === usual && "leaf-strong")}
              >
                {usual}
              </button>
            ))}
          </div>
        )}
      </div>
      {trouble && (
        <p role="alert" className="font-semibold text-rust">
          {trouble}
        </p>
      )}
      <div className="grid grid-cols-2 gap-3">
        <button
          type="button"
          disabled={busy || ids.length === 0}
          className="leaf leaf-strong col-span-2 min-h-14 text-lg"
          onClick={() => void act(run("plant.remove", { ids, reason }))}
        >
          {ids.length === 0 ? "Take them out" : `Take out ${plural(ids.length, "plant")} today`}
        </button>
        {(["out", "keep", "watch", "seed-parent"] as const).map((mark) => (
          <button
            key={mark}
            type="button"
            disabled={busy || ids.length === 0}
            className="leaf min-h-12"
            onClick={() => void act(run("plant.marks", { ids, mark, reason }))}
          >
            {mark === "out" ? "Only mark out" : MARKS[mark]}
          </button>
        ))}
      </div>
      <Checks ids={ids} busy={busy} onCheck={(checkOfId) => void act(run("plant.check", { ids, checkOfId }))} />
      <p className="text-sm text-soft">
        “Out” marks a plant that is to go; “taken out today” is one that is gone from the bed. Both ask why: it is
        learned from later.
      </p>
    </div>
  );
}

type ChecksProps = { ids: Id[]; busy: boolean; onCheck: (checkOfId: Id | null) => void };

/** Plants of a known line that stand among the family to measure the place by; lines are asked for once it is opened. */
function Checks({ ids, busy, onCheck }: ChecksProps) {
  const [open, setOpen] = useState(false);
  const [checkOf, setCheckOf] = useState("");
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">They are checks of a known line</summary>
      <p className="mb-2 text-sm text-soft">
        Checks stand among the family to measure the place: four at the least, spread over the bed. They are scored like
        the others and chosen from never.
      </p>
      {open && (
        <Choices of="lines">
          {(lines) => (
            <div className="flex flex-wrap items-end gap-3">
              <label className="grid min-w-0 gap-1 font-semibold">
                Line
                <select value={checkOf} onChange={({ target }) => setCheckOf(target.value)} className="max-w-64">
                  <option value="">none: they are the family’s own</option>
                  {lines.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </select>
              </label>
              <button
                type="button"
                disabled={busy || ids.length === 0}
                className="leaf min-h-12"
                onClick={() => onCheck(checkOf || null)}
              >
                {checkOf ? "They are checks" : "They are no checks"}
              </button>
            </div>
          )}
        </Choices>
      )}
    </details>
  );
}
