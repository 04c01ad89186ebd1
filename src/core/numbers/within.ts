import { mean } from "simple-statistics";

/**
 * How far values lie from the mean of their own group: the sum of squares over all groups, and its degrees of freedom. Their
 * ratio is the variance within groups.
 * @param groups each of one value at least
 * @example withinGroups([[1, 3], [10, 10, 13]]) // { squares: 8, freedom: 3 }
 */
export function withinGroups(groups: number[][]): { squares: number; freedom: number } {
  let [squares, freedom] = [0, 0];
  for (const group of groups) {
    const middle = mean(group);
    squares += group.reduce((sum, value) => sum + (value - middle) ** 2, 0);
    freedom += group.length - 1;
  }
  return { squares, freedom };
}

/**
 * The variance of a mark that is read to steps: what is between them can't be seen.
 * @example varianceWithin({ squares: 8, freedom: 4 }, 0) // 2
 * @example varianceWithin({ squares: 0, freedom: 4 }, 1) // 0.0833
 */
export const varianceWithin = ({ squares, freedom }: { squares: number; freedom: number }, step: number): number =>
  (freedom > 0 ? squares / freedom : 0) + step ** 2 / 12;
