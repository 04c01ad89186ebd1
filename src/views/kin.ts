import type { Individual } from "@/core/pedigree/pedigree";
import type { Db } from "@/db/open";
import { forebears, individualOf, type ParentId } from "@/records/line/pedigree";

/** The forebears of some plants, each before its children, and where each of the plants stands among them. */
export function kinOf(db: Db, plants: ParentId[]): { tree: Individual[]; at: (plant: ParentId) => number } {
  const tree = plants.length > 0 ? forebears(db, plants) : [];
  const places = new Map(tree.map(({ id }, i) => [id, i]));
  return { tree, at: (plant) => places.get(individualOf(plant))! };
}
