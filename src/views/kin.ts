import type { Individual } from "@/core/pedigree/pedigree";
import type { Db } from "@/db/open";
import { forebears, individualOf, type OpenPollen, type ParentId } from "@/records/line/pedigree";
import { type Outlook, outlookKept } from "./outlook";
import { fathersOf } from "./scene";

/**
 * The forebears of some plants, each before its children, and where each of the plants stands among them.
 * @param from what open pollen was foreseen from, the garden's own day unless told; or it is left unknown
 */
export function kinOf(
  db: Db,
  plants: ParentId[],
  from: Outlook | "left" | null = null,
): { tree: Individual[]; at: (plant: ParentId) => number } {
  const sky = from === "left" ? null : (from ?? outlookKept(db));
  const open: OpenPollen = sky ? { fathers: (mothers) => fathersOf(sky, mothers) } : "left";
  const tree = plants.length > 0 ? forebears(db, plants, open) : [];
  const places = new Map(tree.map(({ id }, i) => [id, i]));
  return { tree, at: (plant) => places.get(individualOf(plant))! };
}
