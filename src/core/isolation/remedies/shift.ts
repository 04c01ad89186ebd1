import { addDays, dayInWords } from "../../calendar/day";
import { ripensBeforeFrost } from "../../flowering/ripening";
import { airOver, likelyShare } from "../arrival";
import { applied } from "../change";
import type { SceneStand } from "../scene";
import { type Draft, keeps, type Remedy, type Task } from "./remedy";

const EARLIEST_SHIFT = -45;

const LATEST_SHIFT = 75;

/** Days between the points of a curve; between them the chosen shift is refined. */
const CURVE_STEP = 3;

type CurvePoint = NonNullable<Remedy["curve"]>[number];

/** The share and the chance of ripening with a sowing shifted, of the stand itself or of a rival. */
function shifted({ scene, stand, ways }: Task, moved: SceneStand, shift: number): CurvePoint {
  const sown = addDays(moved.sowing.sown, shift);
  const next = applied(scene, [{ kind: "resow", standId: moved.id, sown }]);
  const { window } = next.stands.find((s) => s.id === moved.id)!;
  return {
    shift,
    share: likelyShare(next, next.stands.find((s) => s.id === stand.id)!, airOver(next), ways),
    ripens: ripensBeforeFrost(window, scene.climate).chance,
  };
}

const curveOf = (task: Task, moved: SceneStand): CurvePoint[] =>
  Array.from({ length: (LATEST_SHIFT - EARLIEST_SHIFT) / CURVE_STEP + 1 }, (_, i) =>
    shifted(task, moved, EARLIEST_SHIFT + i * CURVE_STEP),
  );

/** Whether a stand keeps its limit with a sowing shifted so. */
const isEnough = (task: Task, moved: SceneStand, { shift, share }: CurvePoint) =>
  // Where the likely share is over, so are half of all gardens: only the others are drawn.
  share <= task.stand.limit &&
  keeps(task, [{ kind: "resow", standId: moved.id, sown: addDays(moved.sowing.sown, shift) }]);

/** Of the days between a point of the curve and the one before it, the one nearest to no shift that is enough. */
function nearer(task: Task, moved: SceneStand, found: CurvePoint, isPossible: (p: CurvePoint) => boolean): CurvePoint {
  const towards = -Math.sign(found.shift);
  let best = found;
  for (let by = 1; by < CURVE_STEP; by++) {
    const tried = shifted(task, moved, found.shift + towards * by);
    if (!isPossible(tried) || !isEnough(task, moved, tried)) break;
    best = tried;
  }
  return best;
}

/**
 * The smallest shift that brings the share within the limit, or the best there is, among those still possible.
 * @example shift({ scene: scene([stand(1)]), stand: stand(1), ways: newWays() }, stand(1))?.changes // [{ kind:
 *   "resow", standId: "1", sown: "2027-04-30" }]
 */
export function shift(task: Task, moved: SceneStand): Draft | null {
  const { scene, stand } = task;
  const { sown } = moved.sowing;
  const curve = curveOf(task, moved);
  const isPossible = (p: CurvePoint) =>
    p.shift !== 0 && addDays(sown, p.shift) >= scene.today && (!moved.seedWanted || p.ripens >= scene.ripeWanted);
  const possible = curve.filter(isPossible);
  const name = moved.id === stand.id ? "it" : moved.name;
  const enough = [...possible]
    .sort((a, b) => Math.abs(a.shift) - Math.abs(b.shift))
    .find((p) => isEnough(task, moved, p));
  const best = enough
    ? nearer(task, moved, enough, isPossible)
    : [...possible].sort((a, b) => a.share - b.share || Math.abs(a.shift) - Math.abs(b.shift))[0];
  const common = {
    key: `shift ${moved.id}`,
    curve,
    cost: { plants: 0, days: Math.abs(best?.shift ?? 0), visits: sown < scene.today ? 2 : 0 },
  };
  if (!best)
    return {
      ...common,
      title: `Sow ${name} at another time`,
      note: "",
      feasible: false,
      why: "no sowing from today on ripens before frost",
      changes: [],
    };
  const day = addDays(sown, best.shift);
  return {
    ...common,
    title: `Sow ${name} ${Math.abs(best.shift)} days ${best.shift > 0 ? "later" : "earlier"}, on ${dayInWords(day)}`,
    note: sown < scene.today ? "a second sowing; the first is given up for seed" : "nothing but the waiting",
    feasible: true,
    why: "",
    changes: [{ kind: "resow", standId: moved.id, sown: day }],
  };
}
