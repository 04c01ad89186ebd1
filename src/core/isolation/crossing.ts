export type Degree = "freely" | "sometimes" | "with difficulty" | "sterile offspring";

/** What crossing needs to know of a species. */
export type CrossingFacts = {
  id: string;
  name: string;
  crossingGroup: string;
  /** Species of other crossing groups with which it sets seed now and then, as the mother; `other` where they are. */
  crosses: { with: string; degree: Degree; other?: Degree }[];
  /** What grows wild and crosses with it, by name. */
  wild: { name: string; degree: Degree }[];
  /** It is no crop but this wild kin of one. */
  kin?: string;
};

/** How much of the pollen of a relative counts, by how readily it crosses. Working values. */
export const DEGREES: Record<Degree, number> = {
  freely: 1,
  sometimes: 0.2,
  "with difficulty": 0.02,
  "sterile offspring": 0.02,
};

/**
 * How readily two species set seed with each other; null where they do not. It is told from either side, and may differ
 * by which is the mother; of wild kin
 * the mother's species tells.
 * @example degreeOf({ id: "a", crossingGroup: "x", crosses: [], wild: [] }, { id: "b", crossingGroup: "y", crosses: [{ with: "a",
 *   degree: "sometimes" }] }) // "sometimes"
 */
export function degreeOf(mother: CrossingFacts, father: CrossingFacts): Degree | null {
  if (father.kin) return mother.wild.find(({ name }) => name === father.kin)?.degree ?? null;
  if (mother.crossingGroup === father.crossingGroup) return "freely";
  const own = mother.crosses.find((c) => c.with === father.id);
  if (own) return own.degree;
  const told = father.crosses.find((c) => c.with === mother.id);
  return told ? (told.other ?? told.degree) : null;
}

type Kind = { species: string; wild: string };

/**
 * A crop, or a wild kin of one, as one choice of a list.
 * @example kindAsChoice({ species: "quinoa", wild: "Fat hen" }) // "quinoa|Fat hen"
 */
export const kindAsChoice = ({ species, wild }: Kind): string => (wild ? `${species}|${wild}` : species);

/** And back. @example kindOfChoice("quinoa|Fat hen") // { species: "quinoa", wild: "Fat hen" } */
export function kindOfChoice(choice: string): Kind {
  const [species, wild] = choice.split("|");
  return { species: species!, wild: wild ?? "" };
}

export type CanCross = { can: true; degree: Degree } | { can: false; why: string };

/**
 * Whether two species set seed together: those of one crossing group freely, some of others to a degree.
 * @example canCross(
 *   { id: "melon", name: "Melon", crossingGroup: "melon", crosses: [] },
 *   { id: "pepper", name: "Pepper", crossingGroup: "pepper", crosses: [] },
 * ) // { can: false, why: "Melon and pepper do not cross: …" }
 */
export function canCross(mother: CrossingFacts, father: CrossingFacts): CanCross {
  const degree = degreeOf(mother, father);
  if (degree) return { can: true, degree };
  return {
    can: false,
    why: `${mother.name} and ${father.name.toLowerCase()} do not cross: they belong to different crossing groups (${mother.crossingGroup}, ${father.crossingGroup}). Choose a father of the group ${mother.crossingGroup}.`,
  };
}
