import { type Draft, keeps, type Task } from "./remedy";

/** Shares of the plants that seed might be saved from, the most first. */
const SAVED = [2 / 3, 1 / 2, 1 / 3];

/**
 * Seed only from the plants farthest from the strongest source, as many as still bring it within the limit.
 * @example farthest({ scene: scene([stand(1)]), stand: stand(1), arrival: { bySource: [{ name: "line 2" }] }, ways:
 *   newWays() })?.changes // [{ kind: "save-from", standId: "1", plants: 14 }]
 */
export function farthest(task: Task): Draft | null {
  const { stand, arrival } = task;
  const counts = SAVED.map((share) => Math.max(3, Math.ceil(stand.plants * share)));
  const enough = counts.find((plants) => keeps(task, [{ kind: "save-from", standId: stand.id, plants }]));
  const keep = enough ?? counts.at(-1)!;
  if (keep >= stand.plants) return null;
  return {
    key: "save-from",
    title: `Save seed only from the ${keep} plants farthest from ${arrival.bySource[0]!.name}`,
    cost: { plants: stand.plants - keep, days: 0, visits: 0 },
    note: "fewer mothers; their pollen still mixes with all of its own",
    feasible: true,
    why: "",
    changes: [{ kind: "save-from", standId: stand.id, plants: keep }],
  };
}
