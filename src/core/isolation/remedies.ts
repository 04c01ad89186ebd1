import { addDays, dayInWords, dayNumber, daysBetween, overlapDays } from "../calendar/day";
import type { Id } from "../custody/id";
import { ripensBeforeFrost } from "../flowering/forecast";
import { bedInWords } from "../ground/bedInWords";
import { block } from "../ground/planting";
import {
  type Arrival,
  airOver,
  arrivalAt,
  likelyShare,
  missedBetweenWalks,
  type Share,
  type SourceShare,
  type Ways,
} from "./arrival";
import { applied, type Change } from "./change";
import { degreeOf } from "./crossing";
import type { Scene, SceneSpecies, SceneStand } from "./scene";

/** What a remedy asks of the grower. Visits are rules of thumb. */
export type Cost = { plants: number; days: number; visits: number };

export type Remedy = {
  key: string;
  title: string;
  cost: Cost;
  /** What the cost means, or what to look out for. */
  note: string;
  after: Share;
  /** Whether it brings the likely share within the limit. */
  enough: boolean;
  feasible: boolean;
  why: string;
  changes: Change[];
  /** For a shift: share and chance of ripening by days of shift, to be drawn. */
  curve: { shift: number; share: number; ripens: number }[] | null;
};

const EARLIEST_SHIFT = -45;
const LATEST_SHIFT = 75;
/** Days between the points of a curve; between them the chosen shift is refined. */
const CURVE_STEP = 3;
/** Days between walks that are tried, the laziest first. */
const WALKS = [7, 4, 3, 2, 1];
/** Shares of the plants that seed might be saved from, the most first. */
const SAVED = [2 / 3, 1 / 2, 1 / 3];
/** Until this age a plant is taken to stand transplanting, days. */
const MOVABLE_DAYS = 45;
/** A year without seed weighs like so many days of waiting. */
const A_YEAR = 365;

type Draft = Omit<Remedy, "after" | "enough" | "curve"> & { curve?: Remedy["curve"] };
/** The scene holds only what can cross with the stand; `taken` are the beds of all the others too. */
type Task = { scene: Scene; stand: SceneStand; arrival: Arrival; ways: Ways; taken: Set<Id> };

const bloom = (stand: SceneStand) => dayNumber(stand.window.end) - dayNumber(stand.window.start) + 1;

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

/** Of the days between a point of the curve and the one before it, the one nearest to no shift that is enough. */
function nearer(task: Task, moved: SceneStand, found: CurvePoint, isPossible: (p: CurvePoint) => boolean): CurvePoint {
  const towards = -Math.sign(found.shift);
  let best = found;
  for (let by = 1; by < CURVE_STEP; by++) {
    const tried = shifted(task, moved, found.shift + towards * by);
    if (!isPossible(tried) || tried.share > task.stand.limit) break;
    best = tried;
  }
  return best;
}

/** The smallest shift that brings the share within the limit, or the best there is, among those still possible. */
function shift(task: Task, moved: SceneStand): Draft | null {
  const { scene, stand } = task;
  const { sown } = moved.sowing;
  const curve = curveOf(task, moved);
  const isPossible = (p: CurvePoint) =>
    p.shift !== 0 && addDays(sown, p.shift) >= scene.today && (!moved.seedWanted || p.ripens >= scene.ripeWanted);
  const possible = curve.filter(isPossible);
  const name = moved.id === stand.id ? "it" : moved.name;
  const enough = possible.filter((p) => p.share <= stand.limit).sort((a, b) => Math.abs(a.shift) - Math.abs(b.shift));
  const best = enough[0]
    ? nearer(task, moved, enough[0], isPossible)
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

function moves({ scene, stand, ways, taken }: Task): Draft | null {
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

function thicken({ scene, stand }: Task): Draft | null {
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

/** What is left of the share when changes are carried out. */
function left({ scene, stand, ways }: Task, changes: Change[]): number {
  const next = applied(scene, changes);
  return arrivalAt(next, next.stands.find((s) => s.id === stand.id)!, airOver(next), ways).likely;
}

function farthest(task: Task): Draft | null {
  const { stand, arrival } = task;
  const counts = SAVED.map((share) => Math.max(3, Math.ceil(stand.plants * share)));
  const enough = counts.find((plants) => left(task, [{ kind: "save-from", standId: stand.id, plants }]) <= stand.limit);
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

function covers({ stand }: Task): Draft[] {
  const days = bloom(stand);
  const selfs = stand.species.selfs;
  const drafts: Draft[] = [
    {
      key: "cage",
      title: "Put it under a cage",
      cost: { plants: 0, days: 0, visits: selfs ? 2 : Math.ceil(days / 2) },
      note: selfs
        ? "it sets seed by itself"
        : stand.species.vector === "wind"
          ? "fine mesh that holds pollen back; shake the plants while they flower"
          : "put insects in with it, or brush its flowers every second day",
      feasible: true,
      why: "",
      changes: [{ kind: "cover", standId: stand.id, cover: "cage" }],
    },
    {
      key: "hand",
      title: "Hand-pollinate it and save marked fruit only",
      cost: { plants: 0, days: 0, visits: days },
      note: "dawn visits while it flowers; as many as you want fruits may do",
      feasible: stand.species.byHand,
      why: "its flowers are too small and many for it",
      changes: [{ kind: "hand", standId: stand.id }],
    },
  ];
  if (selfs)
    drafts.push({
      key: "bags",
      title: "Bag flowers before they open",
      cost: { plants: 0, days: 0, visits: Math.ceil(days / 7) },
      note: "mark the bagged flowers; only their seed counts",
      feasible: true,
      why: "",
      changes: [{ kind: "cover", standId: stand.id, cover: "bags" }],
    });
  return drafts;
}

const visitsIn = (stand: SceneStand, rival: SceneStand, every: number) =>
  Math.ceil(overlapDays(stand.window.female, rival.window.male) / every);

function againstRival(task: Task, rival: SceneStand): Draft[] {
  const { stand } = task;
  const drafts: Draft[] = [];
  const moved = rival.school === stand.school || rival.sowing.sown >= task.scene.today ? shift(task, rival) : null;
  if (moved?.feasible) drafts.push(moved);
  const walks = WALKS.find((n) => left(task, [{ kind: "remove", standId: rival.id, every: n }]) <= stand.limit) ?? 1;
  const missed = Math.round(missedBetweenWalks(walks) * 100);
  drafts.push({
    key: `remove ${rival.id}`,
    title: `Take the flowers off ${rival.name} every ${walks === 1 ? "day" : `${walks} days`}`,
    cost: { plants: 0, days: 0, visits: visitsIn(stand, rival, walks) },
    note: `no seed from it; about ${missed} flowers in 100 are missed between walks`,
    feasible: true,
    why: "",
    changes: [{ kind: "remove", standId: rival.id, every: walks }],
  });
  const lasts = rival.seedLasts;
  drafts.push({
    key: `year ${rival.id}`,
    title: `Grow ${rival.name} for seed another year`,
    cost: { plants: rival.plants, days: A_YEAR, visits: 0 },
    note: lasts ? `its kept seed should live ${lasts} more ${lasts === 1 ? "year" : "years"}` : "",
    feasible: (lasts ?? 0) >= 1,
    why: lasts === null ? "no seed of it is kept" : "its kept seed will not live until then",
    changes: [{ kind: "not-this-year", standId: rival.id }],
  });
  if (rival.seedWanted && rival.flowers === "open" && !rival.bed.outside)
    drafts.push({
      key: `alternate ${rival.id}`,
      title: `Cage both it and ${rival.name}, opened on alternate days`,
      cost: { plants: 0, days: 0, visits: bloom(stand) },
      note: "insects serve each in turn; go every day",
      feasible: stand.species.vector !== "wind",
      why: "wind serves no cage",
      changes: [
        { kind: "cover", standId: stand.id, cover: "alternate-cages" },
        { kind: "cover", standId: rival.id, cover: "alternate-cages" },
      ],
    });
  return drafts;
}

function againstSource(scene: Scene, source: SourceShare): Draft[] {
  const known = scene.sources.find((s) => s.id === source.id);
  if (!known || known.agreed || known.kind === "wild") return [];
  return [
    {
      key: `agree ${known.id}`,
      title: `Talk to the neighbour about ${known.name}`,
      cost: { plants: 0, days: 0, visits: 1 },
      note: "another variety, another year, or flowers taken off; count on less than all of it",
      feasible: true,
      why: "",
      changes: [{ kind: "agree", sourceId: known.id }],
    },
  ];
}

/** Labour first, then ground and time: what remedies are ordered by among those that are enough. */
const burden = ({ plants, days, visits }: Cost): number => visits + plants / 10 + days / 7;

function tried({ scene, stand, ways }: Task, draft: Draft): Remedy {
  const next = applied(scene, draft.changes);
  const then = next.stands.find((s) => s.id === stand.id)!;
  const { low, likely, high } = arrivalAt(next, then, airOver(next), ways);
  return {
    curve: null,
    ...draft,
    why: draft.feasible ? "" : draft.why,
    after: { low, likely, high },
    enough: draft.feasible && likely <= stand.limit,
  };
}

/** Two remedies that fall short alone but are enough together, lightest first. */
function pairs(task: Task, short: Remedy[]): Remedy[] {
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

/**
 * The ways out for a stand whose seed is at risk, each computed by running the engine on the changed plan: what remains,
 * what it costs, whether it can be done. Sources that add less than a twentieth of the share are not fought one by one.
 * @returns those that are enough first, the lightest first; then those that help; then those that can't be done
 */
export function remediesFor(scene: Scene, stand: SceneStand, arrival: Arrival, ways: Ways = new Map()): Remedy[] {
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
      note: stand.seedLasts ? `kept seed should live ${stand.seedLasts} more years` : "",
      feasible: (stand.seedLasts ?? 0) >= 1,
      why: stand.seedLasts === null ? "no seed of it is kept" : "kept seed will not live until next year",
      changes: [{ kind: "not-this-year", standId: stand.id }],
    } satisfies Draft,
  ].filter((d) => d !== null);
  const all = drafts
    .map((draft) => tried(task, draft))
    .map((r) => (r.key === "wait" ? { ...r, after: { low: 0, likely: 0, high: 0 }, enough: r.feasible } : r))
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
