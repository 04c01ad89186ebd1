import { distance, type Point } from "./shape";

const lengthOf = (way: Point[]): number => way.slice(1).reduce((sum, p, i) => sum + distance(way[i]!, p), 0);

/** From one place on to the nearest not yet visited, each time. */
function nearestFirst(places: Point[], first: number): number[] {
  const left = new Set(places.keys());
  const order: number[] = [];
  for (let at = first; ; ) {
    order.push(at);
    left.delete(at);
    if (left.size === 0) return order;
    const here = places[at]!;
    at = [...left].reduce((best, i) => (distance(here, places[i]!) < distance(here, places[best]!) ? i : best));
  }
}

/** Turns stretches of the way round while that shortens it (2-opt on an open way). */
function uncrossed(places: Point[], order: number[]): number[] {
  const gap = (i: number, j: number) =>
    i < 0 || j >= order.length ? 0 : distance(places[order[i]!]!, places[order[j]!]!);
  for (let better = true; better; ) {
    better = false;
    for (let i = 0; i < order.length - 1; i++)
      for (let j = i + 1; j < order.length; j++) {
        const now = gap(i - 1, i) + gap(j, j + 1);
        const turned = (i > 0 ? gap(i - 1, j) : 0) + (j + 1 < order.length ? gap(i, j + 1) : 0);
        if (now - turned <= 1e-9) continue;
        order.splice(i, j - i + 1, ...order.slice(i, j + 1).reverse());
        better = true;
      }
  }
  return order;
}

/** Beyond this many places not every one is tried as the first: the way stays short, the reckoning too. */
const TRY_ALL = 40;

/**
 * The order in which to visit places so that the way is short, beginning anywhere: from each place on to the nearest not
 * yet visited, stretches turned round while that shortens the way, the best of all beginnings. It is the shortest way or
 * close to it for a garden's beds.
 * @returns the places' indices in walking order, and the way's length in the points' unit
 * @example walkThrough([{ x: 10, y: 0 }, { x: 0, y: 0 }, { x: 2, y: 0 }]) // { order: [0, 2, 1], length: 10 }
 */
export function walkThrough(places: Point[]): { order: number[]; length: number } {
  let best = { order: [...places.keys()], length: lengthOf(places) };
  for (let first = 0; first < Math.min(places.length, TRY_ALL); first++) {
    const order = uncrossed(places, nearestFirst(places, first));
    const length = lengthOf(order.map((i) => places[i]!));
    if (length < best.length - 1e-9) best = { order, length };
  }
  return best;
}
