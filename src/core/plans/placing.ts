import type { Id } from "../custody/id";
import { distance, type Point } from "../ground/shape";

/** A bed as a sowing may take it: where it lies, and the ground that nothing takes yet, square metres. */
export type FreeBed = { id: Id; at: Point; free: number };

/** What flowers somewhere in that season, and what crosses with what. */
export type Flowers = { lineId: Id; name: string; group: string; at: Point };

/** A sowing that wants ground. */
export type WantsGround = {
  lineId: Id;
  name: string;
  plants: number;
  /** Square metres that a plant takes. */
  each: number;
  /** Beds in which its family stood too lately. */
  tired: ReadonlySet<Id>;
  /** What it crosses with is of this group. */
  group: string;
  /** Metres that it stands apart from that; 0 where its flowers are kept by hand. */
  apart: number;
};

/** The nearest that would cross with it, and how far off. */
export type Near = { name: string; metres: number };

/** The bed that a sowing gets, with how many of its plants fit; what flowers too near to it, and whether its family stood there too lately. */
export type Placed = { bedId: Id | null; fits: number; near: Near | null; tired: boolean };

/** A bed is taken for fewer plants than are wanted where this share of them fits. Working value. */
const PART = 0.5;

/**
 * The nearest of what would cross with a line at a place; null where nothing does.
 * @example nearest({ lineId: "1", group: "melo", apart: 400 }, { x: 0, y: 0 }, [{ lineId: "2", name: "Ember", group: "melo", at: { x: 3, y: 4 } }]) // { name: "Ember", metres: 5 }
 */
export function nearest(
  { lineId, group, apart }: Pick<WantsGround, "lineId" | "group" | "apart">,
  at: Point,
  flowers: Flowers[],
): Near | null {
  let found: Near | null = null;
  for (const one of flowers) {
    if (one.group !== group || one.lineId === lineId) continue;
    const metres = distance(at, one.at);
    if (metres < apart && (found === null || metres < found.metres)) found = { name: one.name, metres };
  }
  return found;
}

/** The bed for one sowing: where all of it fits, else where most does; far from what crosses with it, then as little left over as may be. */
function bedFor(want: WantsGround, beds: FreeBed[], flowers: Flowers[]): Placed {
  const { plants, each, tired } = want;
  const able = beds
    .map((bed) => ({
      bed,
      fits: Math.min(plants, Math.floor(bed.free / each + 1e-9)),
      near: nearest(want, bed.at, flowers),
      tired: tired.has(bed.id),
    }))
    .filter(({ fits }) => fits > 0 && fits >= plants * PART);
  const metres = (one: { near: Near | null }) => one.near?.metres ?? Number.POSITIVE_INFINITY;
  const [best] = able.sort(
    (a, b) =>
      Number(a.tired) - Number(b.tired) ||
      b.fits - a.fits ||
      (metres(a) === metres(b) ? a.bed.free - b.bed.free : metres(b) - metres(a)),
  );
  if (!best) return { bedId: null, fits: 0, near: null, tired: false };
  return { bedId: best.bed.id, fits: best.fits, near: best.near, tired: best.tired };
}

/**
 * Beds for the sowings of a season, one after the other, so that what stands first is served first: where its family may
 * stand again before where it may not, with room for all of it or for half at least, as far as can be from what it would cross with.
 *
 * Source: rotation and distance as `tooSoon` and the species say; half is a working value.
 * @param wants in the order of what is at stake
 * @param beds with what is free of each
 * @param flowers what stands or grows in that season already
 * @returns one for each of the sowings; a bed of null where none has room
 * @example placeAll([{ lineId: "1", name: "Lantern", plants: 6, each: 1, tired: new Set(), group: "melo", apart: 0 }], [{ id: "A", at: { x: 0, y: 0 }, free: 4 }], []) // [{ bedId: "A", fits: 4, near: null, tired: false }]
 */
export function placeAll(wants: WantsGround[], beds: FreeBed[], flowers: Flowers[]): Placed[] {
  const left = beds.map((bed) => ({ ...bed }));
  const standing = [...flowers];
  return wants.map((want) => {
    const placed = bedFor(want, left, standing);
    const bed = left.find(({ id }) => id === placed.bedId);
    if (bed) {
      bed.free -= placed.fits * want.each;
      // What is kept by hand sheds its pollen all the same.
      standing.push({ lineId: want.lineId, name: want.name, group: want.group, at: bed.at });
    }
    return placed;
  });
}
