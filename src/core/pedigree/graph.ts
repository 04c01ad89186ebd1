import { groupBy } from "../lists/groupBy";

/** Something that has parents, or is one: in a row of those that are alike. */
export type Kinsman = {
  id: string;
  /** Those of one level are folded together: families of one generation in one season. */
  level: string;
  /** It is what was asked for: never folded. */
  asked: boolean;
};

/** How a parent is known: for sure, as one of several, or as pollen that nobody chose. */
export type Descends = {
  parent: string;
  child: string;
  role: "mother" | "father" | "both";
  how: "sure" | "maybe" | "open";
  label: string;
};

export type Folded = {
  nodes: { id: string /** Those that are drawn as this one; itself alone where none are folded. */; of: string[] }[];
  links: Descends[];
};

/** So many of a level that nothing comes from are drawn each by itself. */
const DRAWN = 3;
/** A row of so many, one from the other, is drawn as its ends and one between. */
const CHAIN = 4;

/**
 * A pedigree folded so that it can be read: of each level those that nothing comes from are one where they are more than three,
 * and a chain of generations that had one parent and one child each is one between its ends.
 * @param all everyone, in any order
 * @param links from parents to children, each between two of them
 * @example foldPedigree([{ id: "A", level: "1", asked: true }], []).nodes // [{ id: "A", of: ["A"] }]
 */
export function foldPedigree(all: Kinsman[], links: Descends[]): Folded {
  const children = groupBy(links, ({ parent }) => parent);
  const parents = groupBy(links, ({ child }) => child);
  const into = new Map<string, string>();
  const leaves = all.filter(({ id, asked }) => !asked && !children.has(id));
  for (const level of groupBy(leaves, (one) => one.level).values())
    if (level.length > DRAWN) for (const { id } of level) into.set(id, `folded ${level[0]!.id}`);
  // Whoever has one parent, and one child of one parent, goes into the chain that begins after that parent.
  const only = (list: Descends[] | undefined, of: "parent" | "child") => {
    const ids = new Set(list?.map((link) => link[of]));
    return ids.size === 1 ? [...ids][0]! : null;
  };
  const askedFor = new Set(all.flatMap(({ id, asked }) => (asked ? [id] : [])));
  const between = (id: string) => {
    const child = only(children.get(id), "child");
    return (
      !askedFor.has(id) &&
      !into.has(id) &&
      only(parents.get(id), "parent") !== null &&
      child !== null &&
      !into.has(child) &&
      only(parents.get(child), "parent") !== null
    );
  };
  for (const { id } of all) {
    if (!between(id) || between(only(parents.get(id), "parent")!)) continue;
    const chain = [id];
    for (let next = only(children.get(id), "child")!; between(next); next = only(children.get(next), "child")!)
      chain.push(next);
    if (chain.length >= CHAIN) for (const one of chain) into.set(one, `folded ${id}`);
  }
  const drawn = (id: string) => into.get(id) ?? id;
  const nodes = groupBy(all, ({ id }) => drawn(id));
  const seen = new Map<string, Descends>();
  for (const link of links) {
    const [parent, child] = [drawn(link.parent), drawn(link.child)];
    if (parent === child) continue;
    const folded = parent !== link.parent || child !== link.child;
    const key = `${parent} ${child} ${folded ? "" : link.role}`;
    // What several folded ones have of one parent is one line, sure only where all are.
    const known = seen.get(key);
    const how = known && known.how !== link.how ? "maybe" : link.how;
    seen.set(key, { ...link, parent, child, how, label: folded ? "" : link.label });
  }
  return { nodes: [...nodes].map(([id, of]) => ({ id, of: of.map((one) => one.id) })), links: [...seen.values()] };
}
