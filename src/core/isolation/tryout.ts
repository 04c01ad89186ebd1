import type { Id } from "../custody/id";
import type { Flowering } from "../flowering/facts";
import type { Ripening } from "../flowering/ripening";
import { ripensBeforeFrost } from "../flowering/ripening";
import { arrivals } from "./arrival";
import { applied, type Change } from "./change";
import type { Scene } from "./scene";
import type { Arrival, Share, Ways } from "./share";
import { isJudged, type Verdict, verdictOf } from "./verdict";

/** A stand in a plan that is being tried: its windows, its odds of ripening, and what arrives at its flowers. */
export type Tried = {
  id: Id;
  sown: string;
  bedId: Id;
  window: Flowering;
  ripening: Ripening;
  share: (Share & { chanceOver: number; level: Verdict["level"]; limit: number }) | null;
  /** Days on which a source's pollen meets its open stigmas, the strongest sources first. */
  meets: { name: string; start: string; end: string; likely: number }[];
};

/**
 * The whole season reckoned anew with some changes: what a drag of one sowing does to every stand.
 * @param ways kept by the caller between calls while barriers and wind stay
 * @example tryOut(scene([stand(1)]), [{ kind: "resow", standId: "1", sown: "2027-05-08" }], newWays())[0]?.window.start
 *   // "2027-07-02"
 */
export function tryOut(scene: Scene, changes: Change[], ways: Ways): Tried[] {
  const next = applied(scene, changes);
  return triedAs(next, arrivals(next, ways));
}

/**
 * A season as it comes with what was reckoned to arrive at its stands.
 * @example triedAs(scene([stand(1)]), new Map())[0]?.share // null
 */
export function triedAs(scene: Scene, arrived: Map<Id, Arrival>): Tried[] {
  return scene.stands.map((stand) => {
    const arrival = isJudged(stand) ? arrived.get(stand.id) : undefined;
    const { start, end } = stand.window.female;
    return {
      id: stand.id,
      sown: stand.sowing.sown,
      bedId: stand.bed.id,
      window: stand.window,
      ripening: ripensBeforeFrost(stand.window, scene.climate),
      share: arrival
        ? {
            low: arrival.low,
            likely: arrival.likely,
            high: arrival.high,
            chanceOver: arrival.chanceOver,
            limit: stand.limit,
            level: verdictOf(stand, arrival).level,
          }
        : null,
      meets: (arrival?.bySource ?? [])
        .filter((s) => s.days > 0)
        .slice(0, 4)
        .map((s) => ({
          name: s.name,
          likely: s.likely,
          start: s.male.start > start ? s.male.start : start,
          end: s.male.end < end ? s.male.end : end,
        })),
    };
  });
}
