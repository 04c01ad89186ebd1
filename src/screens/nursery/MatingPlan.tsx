"use client";
import { useState } from "react";
import type { Id } from "@/core/custody/id";
import { plural } from "@/core/units/plural";
import { useGo } from "@/ui/useGo";
import { useJobResult } from "@/ui/useJob";
import type { MatedPair, Mating } from "@/views/mating";
import { CommandButton } from "../common/command";
import { percent } from "../common/words";
import { allOf, PlantBoxes } from "./ChoosePlants";

export type ToMate = { id: Id; number: number; code: string; share: number };
type Props = { parents: ToMate[]; own: string; season: number; head: string | null };

/** Who is to be crossed with whom, so that the seed is as little inbred as these parents allow. */
export function MatingPlan({ parents, own, season, head }: Props) {
  const go = useGo();
  const [taken, setTaken] = useState(allOf(parents));
  const chosen = parents.filter(({ id }) => taken.has(id));
  const [crosses, setCrosses] = useState(Math.max(1, parents.length));
  const [fruits, setFruits] = useState(2);
  const { result, trouble } = useJobResult<Mating>(
    "/api/jobs/nursery.mating",
    { parents: chosen.map(({ id: plantId, share }) => ({ plantId, share })), crosses },
    head,
  );
  const called = ({ number, code }: Pick<ToMate, "number" | "code">) =>
    `plant ${number}${code === own ? "" : ` of ${code}`}`;
  const many = (label: string, value: number, most: number, set: (value: number) => void) => (
    <label className="grid gap-1 font-semibold">
      {label}
      <input
        type="number"
        min={1}
        max={most}
        value={value}
        className="w-24"
        onChange={({ target }) => set(Math.min(most, Math.max(1, Math.round(Number(target.value)) || 1)))}
      />
    </label>
  );
  return (
    <div className="grid grid-cols-1 gap-4">
      <PlantBoxes
        legend="Parents"
        plants={parents.map((one) => ({ id: one.id, label: called(one) }))}
        chosen={taken}
        onChange={setTaken}
      />
      <div className="flex flex-wrap gap-4">
        {many("Crosses", crosses, 200, setCrosses)}
        {many("Fruits wanted of each", fruits, 100, setFruits)}
      </div>
      {trouble && (
        <p role="alert" className="text-rust">
          {trouble}
        </p>
      )}
      {chosen.length < 2 ? (
        <p>Two parents at least are crossed with each other.</p>
      ) : (
        result && <Pairs result={result} called={called} />
      )}
      {result && chosen.length > 1 && (
        <CommandButton
          command="cross.pairs"
          input={{
            pairs: result.pairs.map(({ mother, father }) => ({ motherPlantId: mother.id, fatherPlantId: father.id })),
            fruitsEach: fruits,
          }}
          strong
          onDone={() => go(`/crosses?season=${season}`)}
        >
          Plan {result.pairs.length === 1 ? "this cross" : `these ${plural(result.pairs.length, "cross", "crosses")}`}
        </CommandButton>
      )}
    </div>
  );
}

function Pairs({ result, called }: { result: Mating; called: (plant: MatedPair["mother"]) => string }) {
  const { pairs, inbreeding, random, selfed } = result;
  return (
    <section aria-label="Pairs">
      <h3>Seed {percent(inbreeding)} inbred</h3>
      <p className="mt-1 text-sm text-soft">
        Set at random among them {percent(random)}, each selfed {percent(selfed)}; by their pedigree as far as it is
        known.
      </p>
      <ol className="rows mt-3 border-y border-rule">
        {pairs.map(({ mother, father, inbreeding: own }, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: one pair may be made twice
          <li key={i} className="flex justify-between gap-3 py-1.5">
            <span>
              <strong>{called(mother)}</strong> × <strong>{called(father)}</strong>
            </span>
            <span className="text-soft">{percent(own)}</span>
          </li>
        ))}
      </ol>
    </section>
  );
}
