import { nameWithGeneration } from "@/core/custody/generation";
import type { Db } from "@/db/open";
import { linePedigree } from "@/records/line/pedigree";
import { lineByCode } from "@/records/line/queries";
import { lotByCode } from "@/records/lot/queries";
import { standByCode } from "@/records/stand/queries";
import { type Band, band } from "./band";
import type { Outlook } from "./outlook";
import { type PedigreeView, pedigreeView } from "./pedigree";

/** What a code names: a line, a stand's plants or a lot of seed. */
export function coded(db: Db, code: string) {
  const stand = standByCode(db, code);
  if (stand) return { of: { standId: stand.id }, ...stand };
  const lot = lotByCode(db, code);
  if (lot) return { of: { lotId: lot.id }, ...lot };
  const line = lineByCode(db, code);
  return line
    ? { of: { lineId: line.id }, lineId: line.id, lineName: line.name, generation: null, backcrosses: 0 }
    : null;
}

/** What is told of where something with a tag comes from, on a page of its own. */
export type Descended = { band: Band; name: string; code: string; notation: string; pedigree: PedigreeView };

/** Where the plants of a stand, a lot of seed or a line come from, by the code that hangs on it. */
export function descendedView(sky: Outlook, code: string, whole: boolean): Descended | null {
  const { db, season } = sky;
  const found = coded(db, code);
  if (!found) return null;
  const { of, lineId } = found;
  return {
    band: band(
      sky,
      season,
      sky.standsOf(season).filter((one) => one.lineId === lineId),
    ),
    name: nameWithGeneration(found),
    code,
    notation: linePedigree(db)(lineId),
    pedigree: pedigreeView(sky, of, whole),
  };
}
