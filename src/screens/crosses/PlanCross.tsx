"use client";
import { later } from "@/ui/later";
import { ChoicesSeen } from "../common/Choices";
import type { Pair } from "./ParentFields";

const PlanForm = later(async () => (await import("./PlanForm")).PlanForm);

type Props = { season: number; since: string | null; chosen?: Pair | null };

export function PlanCross({ season, since, chosen = null }: Props) {
  return (
    <>
      <h2 className="mb-4">Plan a cross</h2>
      <ChoicesSeen of="parents" season={season} since={since}>
        {(choices) =>
          choices.parents.length === 0 ? (
            <p>No stands grow in this season. Sow the parents on the Ground first.</p>
          ) : (
            <PlanForm choices={choices} chosen={chosen} />
          )
        }
      </ChoicesSeen>
    </>
  );
}
