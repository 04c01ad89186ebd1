import type { Id } from "@/core/custody/id";
import { refuse } from "@/db/ops";
import type { LotRow } from "../lot/queries";

/** Refuses lots of which one belongs elsewhere. */
export function refuseStrangers(lots: LotRow[], field: string, belongsTo: (one: LotRow) => Id): void {
  const [first] = lots as [LotRow, ...LotRow[]];
  const stranger = lots.find((one) => belongsTo(one) !== belongsTo(first));
  if (stranger)
    refuse(
      field,
      `Lot ${stranger.code} is ${stranger.lineName}, lot ${first.code} ${first.lineName}. Lines are not mixed.`,
    );
}

/** What seed of several lots is, put together: what they share, and the worst of what any of them hands on. */
export function togetherOf(lots: LotRow[]) {
  const [first] = lots as [LotRow, ...LotRow[]];
  const alike = <K extends keyof LotRow>(column: K): LotRow[K] | null =>
    lots.every((one) => one[column] === first[column]) ? first[column] : null;
  const counted = lots.flatMap(({ generation }) => (generation === null ? [] : [generation]));
  const broken = lots.find(({ brokenOn }) => brokenOn);
  return {
    kind: alike("kind") ?? ("open" as const),
    // The least far on counts: what is mixed is no further than its youngest part.
    generation: counted.length > 0 ? Math.min(...counted) : null,
    crossId: alike("crossId"),
    motherStandId: alike("motherStandId"),
    motherPlantId: alike("motherPlantId"),
    gathered: lots.map(({ gathered }) => gathered).sort()[0]!,
    doubt: lots.find(({ doubt }) => doubt)?.doubt ?? null,
    brokenOn: broken?.brokenOn ?? null,
    brokenWhy: broken?.brokenWhy ?? "",
  };
}
