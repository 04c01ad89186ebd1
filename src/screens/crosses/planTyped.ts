import type { FieldValues } from "react-hook-form";
import type { Id } from "@/core/custody/id";
import type { ParentChoice } from "@/views/choices";

/** What is not said takes the catalogue's values for the mother. */
export function completed(typed: FieldValues, parents: ParentChoice[]): Record<string, unknown> {
  const mother = parents.find((p) => p.id === typed.motherStandId);
  const rate = mother?.handSet;
  return {
    ...typed,
    setLow: typed.setLow || rate?.low,
    setHigh: typed.setHigh || rate?.high,
    reciprocal: typed.reciprocal === true,
    moreFathers: picked(typed.moreFathers).filter((f) => f.standId !== typed.fatherStandId),
    moreMothers: picked(typed.moreMothers).filter((m) => m.standId !== typed.motherStandId),
  };
}

/** Stands picked in a list of boxes; react-hook-form gives one value, or a list. */
const picked = (value: unknown): { standId: Id }[] =>
  [value]
    .flat()
    .filter(Boolean)
    .map((id) => ({ standId: String(id) }));
