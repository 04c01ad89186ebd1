import { dayNumber } from "../../calendar/day";
import type { Id } from "../../custody/id";
import { airOver, lookAt } from "../arrival";
import { applied, type Change } from "../change";
import type { Scene, SceneStand } from "../scene";
import type { Arrival, Share, Ways } from "../share";

/** What a remedy asks of the grower. Visits are rules of thumb. */
export type Cost = { plants: number; days: number; visits: number };

export type Remedy = {
  key: string;
  title: string;
  cost: Cost;
  /** What the cost means, or what to look out for. */
  note: string;
  after: Share & { chanceOver: number };
  /** Whether the share then exceeds the limit with a chance of a tenth at most. */
  enough: boolean;
  feasible: boolean;
  why: string;
  changes: Change[];
  /** For a shift: share and chance of ripening by days of shift, to be drawn. */
  curve: { shift: number; share: number; ripens: number }[] | null;
};

export type Draft = Omit<Remedy, "after" | "enough" | "curve"> & { curve?: Remedy["curve"] };

/** The scene holds only what can cross with the stand; `taken` are the beds of all the others too. */
export type Task = { scene: Scene; stand: SceneStand; arrival: Arrival; ways: Ways; taken: Set<Id> };

/** Days that a stand is likely to be in flower. @example bloom(stand(1)) // 35 */
export const bloom = (stand: SceneStand) => dayNumber(stand.window.end) - dayNumber(stand.window.start) + 1;

/**
 * Whether a stand keeps its limit, in nine gardens of ten, when changes are carried out.
 * @example keeps({ scene: scene([stand(1)]), stand: stand(1), ways: newWays() }, []) // true
 */
export function keeps({ scene, stand, ways }: Task, changes: Change[]): boolean {
  const next = applied(scene, changes);
  return lookAt(next, next.stands.find((s) => s.id === stand.id)!, airOver(next), ways).risk === 0;
}
