import { flowersAtAll } from "../flowering/facts";
import { chooseWork } from "./choose";
import { flowerWork } from "./flower";
import type { LivingStand } from "./living";
import { raisingOf } from "./raise";
import { scoreWork } from "./score";
import { seedWork } from "./seed";
import { winterWork } from "./winter";
import type { Act, Work } from "./work";

/** Without these nothing flowers or ripens; a plant may flower, and even ripen, in its pot. */
const ON_THE_WAY: ReadonlySet<Act> = new Set(["sow", "lift", "replant"]);

/**
 * Everything that is still to be done with a stand, from where it is until its seed is gathered. What was put off begins
 * on the day that was said; what was said never to be done is left out.
 * @example actsOf(living({ plants: 20 })).map(({ act }) => act) // ["rogue", "first-flower", "gather", "keep"]
 */
export function actsOf(stand: LivingStand): Work[] {
  const raised = raisingOf(stand);
  const way = (works: Work[]) => works.filter(({ act }) => ON_THE_WAY.has(act)).map(({ key }) => key);
  const wintered = winterWork(stand, way(raised));
  const before = [...way(raised), ...way(wintered)];
  // What does not flower is raised all the same, for its leaves or roots; nothing is asked of flowers that never open.
  const flowers = flowersAtAll(stand.window)
    ? [...flowerWork(stand, before), ...chooseWork(stand, before), ...seedWork(stand, before)]
    : [];
  const all = [...raised, ...wintered, ...scoreWork(stand), ...flowers];
  const never = new Set(all.filter(({ act }) => stand.putOff.get(act) === null).map(({ key }) => key));
  return all
    .filter(({ key }) => !never.has(key))
    .map((one) => {
      const until = stand.putOff.get(one.act);
      const waitsFor = one.waitsFor.filter((key) => !never.has(key));
      return until && until > one.from
        ? { ...one, waitsFor, from: until, best: until > one.best ? until : one.best }
        : { ...one, waitsFor };
    });
}
