import type { Individual } from "./pedigree";

/**
 * Plants by themselves: what is one of several, or the mean of many, has parents that nobody knows.
 * @param tree parents first
 * @example singles([{ id: "stand", plants: 9 }, { id: "p", mother: "stand" }]) // [{ id: "p", mother: null, father: null }]
 */
export function singles(tree: Individual[]): Individual[] {
  const many = new Set(tree.flatMap(({ id, plants }) => (plants ? [id] : [])));
  const known = (parent: string | null | undefined) => (parent && !many.has(parent) ? parent : null);
  return tree
    .filter(({ id }) => !many.has(id))
    .map(({ among, shares: _, ...one }) => ({
      ...one,
      mother: among ? null : known(one.mother),
      father: among ? null : known(one.father),
    }));
}
