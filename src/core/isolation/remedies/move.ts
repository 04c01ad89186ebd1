import { daysBetween } from "../../calendar/day";
import { bedInWords } from "../../ground/bedInWords";
import { block } from "../../ground/planting";
import { airOver, likelyShare } from "../arrival";
import { applied } from "../change";
import type { Draft, Task } from "./remedy";

/** Until this age a plant is taken to stand transplanting, days. */
const MOVABLE_DAYS = 45;

/**
 * The free bed at which the least arrives; null where there is none, or its flowers are open already.
 * @example moves({ scene: scene([stand(1)]), stand: stand(1), ways: newWays(), taken: new Set(["1"]) })?.changes // [{
 *   kind: "move", standId: "1", bedId: "90" }]
 */
export function moves({ scene, stand, ways, taken }: Task): Draft | null {
  if (stand.window.observed) return null;
  const free = scene.beds.filter((bed) => !bed.outside && !taken.has(bed.id));
  const tried = free.map((bed) => {
    const next = applied(scene, [{ kind: "move", standId: stand.id, bedId: bed.id }]);
    return { bed, share: likelyShare(next, next.stands.find((s) => s.id === stand.id)!, airOver(next), ways) };
  });
  const best = tried.sort((a, b) => a.share - b.share)[0];
  if (!best) return null;
  const { fits, holds } = block(stand.plants, stand.spacing, best.bed);
  const late = stand.sowing.sown < scene.today;
  return {
    key: "move",
    title: `${late ? "Transplant" : "Sow"} it in ${bedInWords(best.bed.name)}`,
    cost: { plants: fits ? 0 : Math.max(0, stand.plants - holds), days: 0, visits: late ? 2 : 0 },
    note: fits ? "" : `the bed holds ${holds} at this spacing`,
    feasible: !late || daysBetween(stand.sowing.sown, scene.today) <= MOVABLE_DAYS,
    why: "too grown to be moved",
    changes: [{ kind: "move", standId: stand.id, bedId: best.bed.id }],
  };
}
