"use client";
import { useState } from "react";
import { generationName } from "@/core/custody/generation";
import { plural } from "@/core/units/plural";
import type { CrossState } from "@/views/pollination";
import { EnoughFruit } from "../common/EnoughFruit";
import { Tag } from "../common/Tag";
import { parentsInWords } from "../common/words";

/** The open crosses, one of them with its working; the one that is soonest impossible stands first. */
export function ChosenCross({ open }: { open: CrossState[] }) {
  const urgency = (s: CrossState) => (s.toDo.likely === 0 ? 999 : (s.last?.daysLeft ?? 998));
  const sorted = [...open].sort((a, b) => urgency(a) - urgency(b));
  const [chosen, setChosen] = useState(sorted[0]!.cross.id);
  const state = sorted.find((s) => s.cross.id === chosen) ?? sorted[0]!;
  const { cross } = state;
  return (
    <>
      <p className="text-sm font-semibold text-soft">
        {cross.lineName} {generationName(cross.generation)} seed, {parentsInWords(cross)}
      </p>
      <h2 className="mb-3 text-2xl">Enough fruit set?</h2>
      <EnoughFruit state={state} />
      {sorted.length > 1 && (
        <ul className="mt-6 space-y-2" aria-label="Other open crosses">
          {sorted
            .filter((s) => s.cross.id !== cross.id)
            .map((s) => (
              <li key={s.cross.id} className="flex items-center gap-3">
                <button
                  type="button"
                  onClick={() => setChosen(s.cross.id)}
                  aria-label={`Show ${s.cross.code}`}
                  className="cursor-pointer"
                >
                  <Tag kind="cross" code={s.cross.code} small />
                </button>
                <span className="text-sm">
                  {s.tally.set} of {s.cross.fruitsWanted} set
                  <span className="text-soft">
                    {s.toDo.likely > 0 ? `, ${plural(s.toDo.likely, "flower")} to do` : ", enough under way"}
                  </span>
                </span>
              </li>
            ))}
        </ul>
      )}
    </>
  );
}
