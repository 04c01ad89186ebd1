import { block } from "../../ground/planting";
import type { Draft, Task } from "./remedy";

/**
 * More plants, up to what the bed holds and three times as many; null where the bed is full.
 * @example thicken({ scene: scene([stand(1)]), stand: stand(1) })?.changes // [{ kind: "thicken", standId: "1", plants:
 *   60 }]
 */
export function thicken({ scene, stand }: Task): Draft | null {
  const { holds } = block(stand.plants, stand.spacing, stand.bed);
  const plants = Math.min(holds, stand.plants * 3);
  if (plants <= stand.plants) return null;
  const sown = stand.sowing.sown < scene.today;
  return {
    key: "thicken",
    title: `Grow ${plants} plants instead of ${stand.plants}`,
    cost: { plants: plants - stand.plants, days: 0, visits: 1 },
    note: "more pollen of its own",
    feasible: !sown,
    why: sown ? "it is sown; plants added now flower later" : "",
    changes: [{ kind: "thicken", standId: stand.id, plants }],
  };
}
