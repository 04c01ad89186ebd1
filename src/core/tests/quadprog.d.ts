/** The part of quadprog that is used here; it ships without types. Its arrays begin at 1. */
declare module "quadprog" {
  export function solveQP(
    Dmat: number[][],
    dvec: number[],
    Amat: number[][],
    bvec: number[],
    meq: number,
  ): { solution: number[]; message: string };
}
