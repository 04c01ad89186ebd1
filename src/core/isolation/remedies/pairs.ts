import { airOver, arrivalAt, CHANCE_TAKEN } from "../arrival";
import { applied } from "../change";
import type { Cost, Draft, Remedy, Task } from "./remedy";

/**
 * Labour first, then ground and time: what remedies are ordered by among those that are enough.
 * @example burden({ plants: 10, days: 7, visits: 2 }) // 4
 */
export const burden = ({ plants, days, visits }: Cost): number => visits + plants / 10 + days / 7;

/**
 * A way out with what the engine says is left once its changes are carried out.
 * @example tried({ scene: scene([stand(1)]), stand: stand(1), ways: newWays() }, { feasible: true, changes: []
 *   }).enough // true
 */
export function tried({ scene, stand, ways }: Task, draft: Draft): Remedy {
  const next = applied(scene, draft.changes);
  const then = next.stands.find((s) => s.id === stand.id)!;
  const { low, likely, high, chanceOver } = arrivalAt(next, then, airOver(next), ways);
  return {
    curve: null,
    ...draft,
    why: draft.feasible ? "" : draft.why,
    after: { low, likely, high, chanceOver },
    enough: draft.feasible && chanceOver <= CHANCE_TAKEN,
  };
}

/**
 * Two remedies that fall short alone but are enough together, lightest first.
 * @example pairs({ scene: scene([stand(1)]), stand: stand(1), ways: newWays() }, [{ key: "a", title: "A", note: "",
 *   changes: [], cost: { plants: 1, days: 2, visits: 3 } }, { key: "b", title: "B", note: "", changes: [], cost: {
 *   plants: 4, days: 5, visits: 6 } }]).map((way) => way.cost) // [{ plants: 5, days: 7, visits: 9 }]
 */
export function pairs(task: Task, short: Remedy[]): Remedy[] {
  const found: Remedy[] = [];
  for (const [i, a] of short.entries()) {
    for (const b of short.slice(i + 1)) {
      const touched = new Set(a.changes.map((c) => ("standId" in c ? c.standId : `source ${c.sourceId}`)));
      const clash = b.changes.some((c) => touched.has("standId" in c ? c.standId : `source ${c.sourceId}`));
      if (clash && a.key.split(" ")[0] === b.key.split(" ")[0]) continue;
      const both = tried(task, {
        key: `${a.key} + ${b.key}`,
        title: `${a.title}, and ${b.title.charAt(0).toLowerCase()}${b.title.slice(1)}`,
        cost: {
          plants: a.cost.plants + b.cost.plants,
          days: a.cost.days + b.cost.days,
          visits: a.cost.visits + b.cost.visits,
        },
        note: [a.note, b.note].filter(Boolean).join("; "),
        feasible: true,
        why: "",
        changes: [...a.changes, ...b.changes],
      });
      if (both.enough) found.push(both);
    }
  }
  return found.sort((a, b) => burden(a.cost) - burden(b.cost)).slice(0, 2);
}
