import type { Individual } from "@/core/pedigree/pedigree";
import type { Db } from "@/db/open";
import { forebears, individualOf, type OpenPollen, type ParentId } from "@/records/line/pedigree";
import { foreseenOf } from "./foreseen";
import { outlook } from "./outlook";

/** Open pollen as it was foreseen: so much from strangers, the rest from the stand. */
const foreseen = (db: Db): OpenPollen => ({
  strangers: (motherStandId) => foreseenOf(outlook(db), { motherStandId })?.likely ?? 0,
});

/**
 * The forebears of some plants, each before its children, and where each of the plants stands among them.
 * @param open what is said of pollen that nobody chose: as it was foreseen, unless told otherwise
 */
export function kinOf(
  db: Db,
  plants: ParentId[],
  open: OpenPollen = foreseen(db),
): { tree: Individual[]; at: (plant: ParentId) => number } {
  const tree = plants.length > 0 ? forebears(db, plants, open) : [];
  const places = new Map(tree.map(({ id }, i) => [id, i]));
  return { tree, at: (plant) => places.get(individualOf(plant))! };
}
