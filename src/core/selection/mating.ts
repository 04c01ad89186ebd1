/** Who is crossed with whom, as positions among the parents. */
export type Pair = [number, number];

export type MatingPlan = {
  pairs: Pair[];
  /** Mean kinship of the two of a pair: the inbreeding of the seed. */
  inbreeding: number;
};

/**
 * How often each parent is used where so many crosses are made and each is to have its share: largest remainders, everyone
 * with a share at least once while that can be, and nobody in more than half of all places, as its pairs would be selfs.
 * @param shares of the next generation, together 1
 * @param crosses from 1
 * @returns times as mother or father, together twice the crosses
 * @example usesOf([0.5, 0.3, 0.2], 4) // [4, 2, 2]
 * @example usesOf([0.9, 0.1], 2) // [2, 2]
 */
export function usesOf(shares: number[], crosses: number): number[] {
  const places = 2 * crosses;
  const sharing = shares.filter((share) => share > 0).length;
  const least = sharing <= places ? 1 : 0;
  const most = sharing > 1 ? crosses : places;
  const wanted = shares.map((share) => share * places);
  const uses = shares.map((share, i) => (share > 0 ? Math.min(most, Math.max(least, Math.floor(wanted[i]!))) : 0));
  const change = (by: 1 | -1, may: (i: number) => boolean) => {
    const open = uses.flatMap((_, i) => (shares[i]! > 0 && may(i) ? [i] : []));
    if (open.length === 0) return false;
    open.sort((a, b) => by * (wanted[b]! - uses[b]! - (wanted[a]! - uses[a]!)) || a - b);
    uses[open[0]!]! += by;
    return true;
  };
  const sum = () => uses.reduce((a, b) => a + b, 0);
  while (sum() < places && change(1, (i) => uses[i]! < most));
  while (sum() > places && change(-1, (i) => uses[i]! > least));
  return uses;
}

/** Too small to matter beside kinship: pairs made already are the last of those that are equally kin. */
const AGAIN = 1e-7;
/** So many beginnings, each turned by one place. */
const BEGINNINGS = 24;

/**
 * The pairs of parents whose seed is least inbred, each parent used as often as it is to be. A parent is crossed with itself
 * only where nobody else is left for it.
 *
 * From several beginnings, two pairs at a time change partners while that lowers the sum of kinship.
 * @param uses how often each parent is used, together an even number
 * @param kinship of every two parents, with themselves on the diagonal
 * @example matingPlan([1, 1, 1, 1], [[0.5, 0.25, 0, 0], [0.25, 0.5, 0, 0], [0, 0, 0.5, 0.25], [0, 0, 0.25, 0.5]]).inbreeding // 0
 */
export function matingPlan(uses: number[], kinship: number[][]): MatingPlan {
  const places = uses.flatMap((times, i) => new Array<number>(times).fill(i));
  if (places.length < 2) return { pairs: [], inbreeding: 0 };
  let best: { pairs: Pair[]; cost: number } | null = null;
  for (let turn = 0; turn < Math.min(BEGINNINGS, places.length); turn++) {
    const pairs = settled(begun(places, turn), kinship);
    const cost = costOf(pairs, kinship);
    if (!best || cost < best.cost - 1e-12) best = { pairs, cost };
  }
  const { pairs } = best!;
  return { pairs: directed(pairs), inbreeding: pairs.reduce((sum, [a, b]) => sum + kinship[a]![b]!, 0) / pairs.length };
}

/** The places in two halves, one turned against the other, so that nobody begins beside itself where that can be. */
function begun(places: number[], turn: number): Pair[] {
  const half = places.length / 2;
  const turned = [...places.slice(turn), ...places.slice(0, turn)];
  return turned.slice(0, half).map((one, i): Pair => [one, turned[half + i]!]);
}

const named = ([a, b]: Pair): string => (a < b ? `${a} ${b}` : `${b} ${a}`);

function costOf(pairs: Pair[], kinship: number[][]): number {
  const made = new Map<string, number>();
  return pairs.reduce((sum, pair) => {
    const before = made.get(named(pair)) ?? 0;
    made.set(named(pair), before + 1);
    return sum + kinship[pair[0]]![pair[1]]! + AGAIN * before;
  }, 0);
}

function settled(pairs: Pair[], kinship: number[][]): Pair[] {
  let cost = costOf(pairs, kinship);
  for (let better = true; better; ) {
    better = false;
    for (let i = 0; i < pairs.length; i++)
      for (let j = i + 1; j < pairs.length; j++) {
        const [[a, b], [c, d]] = [pairs[i]!, pairs[j]!];
        for (const [one, two] of [
          [
            [a, c],
            [b, d],
          ],
          [
            [a, d],
            [b, c],
          ],
        ] as [Pair, Pair][]) {
          const tried = pairs.map((pair, k) => (k === i ? one : k === j ? two : pair));
          const now = costOf(tried, kinship);
          if (now >= cost - 1e-12) continue;
          [pairs, cost, better] = [tried, now, true];
          break;
        }
      }
  }
  return pairs;
}

/** Everyone is mother about as often as father. */
function directed(pairs: Pair[]): Pair[] {
  const more = new Map<number, number>();
  return pairs.map(([a, b]) => {
    const mother = (more.get(a) ?? 0) <= (more.get(b) ?? 0) ? a : b;
    const father = mother === a ? b : a;
    more.set(mother, (more.get(mother) ?? 0) + 1);
    more.set(father, (more.get(father) ?? 0) - 1);
    return [mother, father];
  });
}
