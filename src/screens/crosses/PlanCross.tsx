"use client";
import { later } from "@/ui/later";
import { ChoicesSeen } from "../common/Choices";
import { StartSheet } from "../common/Starts";
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
            <>
              <p className="mb-3">No plantings grow in this season: sow the two parents first.</p>
              <StartSheet start="cross" strong />
            </>
          ) : (
            <PlanForm choices={choices} chosen={chosen} />
          )
        }
      </ChoicesSeen>
    </>
  );
}
