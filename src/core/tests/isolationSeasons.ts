import { dayNumber } from "../calendar/day";
import { block } from "../ground/planting";
import { cornersOf, middleOf, type Point } from "../ground/shape";
import { arrivalAt } from "../isolation/arrival";
import { applied } from "../isolation/change";
import { remediesFor } from "../isolation/remedies/remedies";
import type { Scene, SceneSource, SceneStand } from "../isolation/scene";
import { normalFrom, seeded } from "../numbers/chance";
import { bed, SPECIES, scene, source, stand } from "./place";

type Luck = () => number;

/** How a garden's year came out: what the ranges are drawn from, drawn once more and reckoned plant by plant. */
function truth(of: Scene, one: SceneStand, luck: Luck): number {
  const kernel = of.kernels[one.species.vector];
  const normal = () => normalFrom(luck(), luck());
  const deviations = normal() / 1.6449;
  const scale = kernel.scale * (deviations > 0 ? kernel.high / kernel.scale : kernel.scale / kernel.low) ** deviations;
  const over = (a: Point, b: Point) => (1 + ((a.x - b.x) ** 2 + (a.y - b.y) ** 2) / scale ** 2) ** -kernel.shape;
  const { low, high } = one.species.outcrossing;
  const crosses = low + luck() * (high - low);
  const plants = plantsOf(one);
  const days = (window: { start: string; end: string; earliest: string; latest: string }, by: number) => {
    const [start, end] = [dayNumber(window.start), dayNumber(window.end)];
    const doubt = (start - dayNumber(window.earliest) + dayNumber(window.latest) - end) / 2;
    const moved = Math.round((doubt * by) / 1.6449);
    return { start: start + moved, length: end - start + 1 };
  };
  const ownBy = normal();
  const female = days(one.window.female, ownBy);
  const male = days(one.window.male, ownBy);
  const hump = ({ start, length }: { start: number; length: number }, day: number) => {
    const u = (day - start + 0.5) / length;
    return u <= 0 || u >= 1 ? 0 : (u * (1 - u)) / length;
  };
  const others = [
    ...of.stands
      .filter((s) => s.id !== one.id)
      .map((s) => ({ window: days(s.window.male, normal()), shed: s.plants, spots: plantsOf(s) })),
    ...of.sources.map((s) => ({
      window: days(s.male, normal()),
      shed: luck() < s.presence ? s.plants : 0,
      spots: spotsIn(s, luck),
    })),
  ];
  const mean = (from: Point[]) =>
    plants.reduce((sum, p) => sum + from.reduce((all, q) => all + over(p, q), 0) / from.length, 0) / plants.length;
  const own = mean(plants) * plants.length;
  const strange = others.map(({ spots, shed }) => (shed === 0 ? 0 : mean(spots) * shed));
  let [foreign, pollinated] = [0, 0];
  for (let day = female.start; day < female.start + female.length; day++) {
    const comes = others.reduce((sum, { window }, i) => sum + strange[i]! * hump(window, day), 0);
    const all = comes + own * hump(male, day);
    if (all <= 0) continue;
    pollinated += hump(female, day);
    foreign += (hump(female, day) * comes) / all;
  }
  return pollinated === 0 ? 0 : (crosses * foreign) / pollinated;
}

function plantsOf({ plants, spacing, bed: plot }: SceneStand): Point[] {
  const { perRow } = block(plants, spacing, plot);
  const middle = middleOf(cornersOf(plot));
  const rows = Math.ceil(plants / perRow);
  return Array.from({ length: plants }, (_, i) => ({
    x: middle.x + ((i % perRow) - (perRow - 1) / 2) * spacing,
    y: middle.y + (Math.floor(i / perRow) - (rows - 1) / 2) * spacing,
  }));
}

function spotsIn({ outline }: SceneSource, luck: Luck): Point[] {
  if (outline.length < 3) return outline;
  const [a, b, , d] = outline as [Point, Point, Point, Point];
  return Array.from({ length: 60 }, () => {
    const [u, v] = [luck(), luck()];
    return { x: a.x + u * (b.x - a.x) + v * (d.x - a.x), y: a.y + u * (b.y - a.y) + v * (d.y - a.y) };
  });
}

/** A garden by chance: a stand, perhaps a second, and sources beyond the fence that may not be there. */
function anyGarden(luck: Luck): Scene {
  const whole = (low: number, high: number) => low + Math.floor(luck() * (high - low + 1));
  const vector = (["insects", "wind"] as const)[whole(0, 1)]!;
  const [low, wide] = [luck(), luck()];
  const species = { ...SPECIES, vector, outcrossing: { low: low * 0.8, high: Math.min(1, low * 0.8 + wide * 0.3) } };
  const sown = () => `2027-0${whole(4, 5)}-${String(whole(10, 28))}`;
  const limit = [0.002, 0.01, 0.05][whole(0, 2)]!;
  const stands = Array.from({ length: whole(1, 2) }, (_, i) =>
    stand(i + 1, {
      species,
      limit,
      plants: whole(8, 60),
      spacing: 0.3 + 0.4 * luck(),
      sowing: { sown: sown() },
      bed: bed(i + 1, i * whole(10, 80)),
    }),
  );
  const sources = Array.from({ length: whole(1, 3) }, (_, i) => {
    const far = 20 * 60 ** luck();
    const doubt = whole(2, 12);
    const day = (n: number) => `2027-0${n > 30 ? 7 : 6}-${String(n > 30 ? n - 30 : n).padStart(2, "0")}`;
    const start = whole(13, 35);
    const end = start + whole(8, 20);
    const side = whole(2, 60);
    return source(i + 1, 0, {
      species,
      outline:
        luck() < 0.3 ? [{ x: far, y: 0 }] : cornersOf({ x: -far - side, y: 0, width: side, length: side, turn: 0 }),
      plants: whole(1, 8) * 10 ** whole(0, 3),
      presence: [1, 1, 0.9, 0.6, 0.3][whole(0, 4)]!,
      male: { start: day(start), end: day(end), earliest: day(start - doubt), latest: day(end + doubt) },
    });
  });
  return scene(stands, { sources });
}

export type Held = {
  /** Seasons whose share lay in the range of nine tenths, of those with a range at all. */
  inRange: number;
  seasons: number;
  /** Of the verdicts "within", how many were wrong; of the ways out called enough, how many kept the limit. */
  within: number;
  wrong: number;
  enough: number;
  kept: number;
};

/** So many seasons by chance, each forecast, then lived. */
export function seasonsLived(seasons: number, seed: number, withWaysOut: boolean): Held {
  const luck = seeded(seed);
  const held: Held = { inRange: 0, seasons: 0, within: 0, wrong: 0, enough: 0, kept: 0 };
  for (let i = 0; i < seasons; i++) {
    const of = anyGarden(luck);
    const one = of.stands[0]!;
    const told = arrivalAt(of, one);
    const was = truth(of, one, luck);
    held.seasons++;
    // A thousandth of a thousandth off the end is the same figure.
    if (was >= told.low * 0.999 - 1e-9 && was <= told.high * 1.001 + 1e-9) held.inRange++;
    if (told.chanceOver <= 0.1) {
      held.within++;
      if (was > one.limit) held.wrong++;
    }
    if (!withWaysOut || told.bySource.length === 0) continue;
    const ways = remediesFor(of, one, told).filter(
      ({ enough, changes }) =>
        enough && changes.every(({ kind }) => kind === "resow" || kind === "move" || kind === "thicken"),
    );
    for (const { changes } of ways) {
      const next = applied(of, changes);
      held.enough++;
      if (truth(next, next.stands[0]!, luck) <= one.limit) held.kept++;
    }
  }
  return held;
}
