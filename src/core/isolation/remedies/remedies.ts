import { plural } from "../../units/plural";
import { degreeOf } from "../crossing";
import type { Scene, SceneSpecies, SceneStand } from "../scene";
import { type Arrival, newWays, type Ways } from "../share";
import { covers } from "./covers";
import { farthest } from "./farthest";
import { moves } from "./move";
import { againstSource } from "./neighbour";
import { burden, pairs, tried } from "./pairs";
import type { Draft, Remedy, Task } from "./remedy";
import { A_YEAR, againstRival } from "./rival";
import { shift } from "./shift";
import { thicken } from "./thicken";

/**
 * The ways out for a stand whose seed is at risk, each computed by running the engine on the changed plan: what
 * remains,
 * what it costs, whether it can be done. Sources that add less than a twentieth of the share are not fought one by one.
 * @returns those that are enough first, the lightest first; then those that help; then those that can't be done
 * @example remediesFor(scene([stand(1)]), stand(1), { likely: 0.2, bySource: [] })[0]?.key // "move"
 */
export function remediesFor(scene: Scene, stand: SceneStand, arrival: Arrival, ways: Ways = newWays()): Remedy[] {
  // Only what can cross with the stand is carried through the many changed plans.
  const crosses = ({ species }: { species: SceneSpecies }) => degreeOf(stand.species, species) !== null;
  const task: Task = {
    scene: { ...scene, stands: scene.stands.filter(crosses), sources: scene.sources.filter(crosses) },
    stand,
    arrival,
    ways,
    taken: new Set(scene.stands.map((s) => s.bed.id)),
  };
  const worth = arrival.bySource.filter((s) => s.likely > arrival.likely / 20).slice(0, 4);
  const rivals = worth.flatMap((s) => (s.kind === "stand" ? scene.stands.filter((x) => x.id === s.id) : []));
  const drafts = [
    shift(task, stand),
    moves(task),
    thicken(task),
    worth.length > 0 ? farthest(task) : null,
    ...covers(task),
    ...rivals.filter((r) => !r.bed.outside).flatMap((rival) => againstRival(task, rival)),
    ...worth.filter((s) => s.kind === "source").flatMap((source) => againstSource(scene, source)),
    {
      key: "wait",
      title: "Take no seed from it this year",
      cost: { plants: stand.plants, days: A_YEAR, visits: 0 },
      note: stand.seedLasts ? `kept seed should live ${plural(stand.seedLasts, "more year")}` : "",
      feasible: (stand.seedLasts ?? 0) >= 1,
      why: stand.seedLasts === null ? "no seed of it is kept" : "kept seed will not live until next year",
      changes: [{ kind: "not-this-year", standId: stand.id }],
    } satisfies Draft,
  ].filter((d) => d !== null);
  const all = drafts
    .map((draft) => tried(task, draft))
    .map((r) =>
      r.key === "wait" ? { ...r, after: { low: 0, likely: 0, high: 0, chanceOver: 0 }, enough: r.feasible } : r,
    )
    .filter((r) => !r.feasible || r.after.likely < arrival.likely * 0.97);
  const short = all
    .filter((r) => r.feasible && !r.enough)
    .sort((a, b) => a.after.likely - b.after.likely)
    .slice(0, 6);
  const rank = (r: Remedy) => (r.enough ? 0 : r.feasible ? 1 : 2);
  return [...all, ...pairs(task, short)].sort(
    (a, b) => rank(a) - rank(b) || (rank(a) === 1 ? a.after.likely - b.after.likely : burden(a.cost) - burden(b.cost)),
  );
}
