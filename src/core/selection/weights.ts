/** Of two things, by position, how many times as much the first counts as the second. */
export type PairAnswer = { one: number; other: number; times: number };

export type Weights = {
  /** In the order of the things; their mean is 2, none above 10. */
  weights: number[];
  /** The answer that fits the others worst, by position, where it can't stand with them. */
  contradicts: number | null;
};

/** An answer that is off by more than this factor, against what the others say, contradicts them. Working value. */
const OFF = Math.log(1.6);

/**
 * Weights that fit comparisons of pairs best, by least squares on their logarithms; and the answer that contradicts the
 * others, if one does. What nobody compared counts as much as the mean.
 *
 * Source: logarithmic least squares (Crawford and Williams 1985).
 * @param things how many there are
 * @param answers pairs of different things, `times` above 0
 * @example weightsFrom(3, [{ one: 0, other: 1, times: 2 }, { one: 1, other: 2, times: 2 }]) // { weights: [3.4, 1.7, 0.9], contradicts: null }
 */
export function weightsFrom(things: number, answers: PairAnswer[]): Weights {
  const logs = fitted(things, answers);
  const raw = logs.map(Math.exp);
  const mean = raw.reduce((a, b) => a + b, 0) / things;
  const off = answers.map(({ one, other, times }) => Math.abs(logs[one]! - logs[other]! - Math.log(times)));
  const worst = off.reduce((at, value, i) => (value > (off[at] ?? -1) ? i : at), 0);
  return {
    weights: raw.map((weight) => Math.min(10, Math.max(0.1, Math.round((weight / mean) * 20) / 10))),
    contradicts: off.length > 0 && off[worst]! > OFF / 2 ? worst : null,
  };
}

/** The logarithms that fit best, their sum 0, by turns: each is set to what its neighbours say of it. */
function fitted(things: number, answers: PairAnswer[]): number[] {
  const logs = new Array<number>(things).fill(0);
  for (let round = 0; round < 2_000; round++) {
    let moved = 0;
    for (let i = 0; i < things; i++) {
      const said = answers.flatMap(({ one, other, times }) => {
        if (one === i) return [logs[other]! + Math.log(times)];
        return other === i ? [logs[one]! - Math.log(times)] : [];
      });
      if (said.length === 0) continue;
      const next = said.reduce((a, b) => a + b, 0) / said.length;
      moved = Math.max(moved, Math.abs(next - logs[i]!));
      logs[i] = next;
    }
    if (moved < 1e-10) break;
  }
  const mean = logs.reduce((a, b) => a + b, 0) / things;
  return logs.map((log) => log - mean);
}

/**
 * Which pairs are asked: each with the next, and the ring closed, so that answers can contradict each other.
 * @example pairsToAsk(3) // [[0, 1], [1, 2], [2, 0]]
 */
export const pairsToAsk = (things: number): [number, number][] =>
  things < 2
    ? []
    : things === 2
      ? [[0, 1]]
      : Array.from({ length: things }, (_, i): [number, number] => [i, (i + 1) % things]);
