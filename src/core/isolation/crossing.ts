/** What crossing needs to know of a species. */
export type CrossingFacts = { id: string; name: string; crossingGroup: string };

export type CanCross = { can: true } | { can: false; why: string };

/**
 * Whether two species set seed together. Species of one crossing group do; others are taken not to.
 * @example canCross(melon, pepper) // { can: false, why: "Melon and pepper do not cross: …" }
 */
export function canCross(mother: CrossingFacts, father: CrossingFacts): CanCross {
  if (mother.crossingGroup === father.crossingGroup) return { can: true };
  return {
    can: false,
    why: `${mother.name} and ${father.name.toLowerCase()} do not cross: they belong to different crossing groups (${mother.crossingGroup}, ${father.crossingGroup}). Choose a father of the group ${mother.crossingGroup}.`,
  };
}
