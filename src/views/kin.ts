import type { Individual } from "@/core/pedigree/pedigree";
import type { Db } from "@/db/open";
import { forebears, individualOf, type OpenPollen, type ParentId } from "@/records/line/pedigree";
import { foreseenOf } from "./foreseen";
import { type Outlook, outlook } from "./outlook";

/** Open pollen as it was foreseen: so much from strangers, the rest from the stand. */
export const asForeseen = (sky: () => Outlook): OpenPollen => ({
  strangers: (motherStandId) => foreseenOf(sky(), { motherStandId })?.likely ?? 0,
});

/** Looked out on only where some pollen was open. */
function lookingOut(db: Db): () => Outlook {
  let sky: Outlook | null = null;
  return () => (sky ??= outlook(db));
}

/**
 * The forebears of some plants, each before its children, and where each of the plants stands among them.
 * @param open what is said of pollen that nobody chose: as it was foreseen, unless told otherwise
 */
export function kinOf(
  db: Db,
  plants: ParentId[],
  open: OpenPollen = asForeseen(lookingOut(db)),
): { tree: Individual[]; at: (plant: ParentId) => number } {
  const tree = plants.length > 0 ? forebears(db, plants, open) : [];
  const places = new Map(tree.map(({ id }, i) => [id, i]));
  return { tree, at: (plant) => places.get(individualOf(plant))! };
}
