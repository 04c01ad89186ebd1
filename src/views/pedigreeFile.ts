import type { Id } from "@/core/custody/id";
import { sampledPedigree } from "@/core/pedigree/pedigree";
import { toCsv } from "@/records/csvFile";
import { plantsBehind } from "@/records/line/descent";
import { coded } from "./descended";
import { kinOf } from "./kin";
import { type Naming, wordsOf } from "./kinship";
import type { Outlook } from "./outlook";

const COLUMNS = ["individual", "mother", "father", "inbreeding"] as const;

/** By what hangs on it. */
const BY_CODE: Naming = { stand: ({ code }) => code, line: ({ lineCode }) => lineCode };

/**
 * Everyone that a line, a stand or a lot comes from as far as the records know, parents before their children: who it is, its
 * mother and father, and how inbred it is. Null where nothing has the code.
 */
export function pedigreeFile(sky: Outlook, code: string): string | null {
  const { db } = sky;
  const found = coded(db, code);
  if (!found) return null;
  const behind = plantsBehind(db, found.of, sky.today);
  // Told are plants, not the pollen that is reckoned with.
  const { tree } = kinOf(db, behind, "left");
  const stands = tree.flatMap(({ id }) => /^stand (\S+)$/.exec(id)?.[1] ?? []);
  const reckoned = kinOf(db, [...behind, ...stands.map((standId) => ({ standId: standId as Id, plantId: null }))]).tree;
  const { inbreeding } = sampledPedigree(reckoned);
  const inbred = new Map(reckoned.map(({ id }, i) => [id, inbreeding[i]!]));
  const name = wordsOf(
    db,
    tree.map(({ id }) => id),
    BY_CODE,
  );
  return toCsv(
    tree.map(({ id, mother, father, plants, among }) => ({
      individual: name(id),
      // A plant of one lot or another is no offspring of both.
      mother: mother && (plants || !among) ? name(mother) : null,
      father: father && (plants || !among) ? name(father) : null,
      // The mean of several is no plant.
      inbreeding: plants ? null : Number(inbred.get(id)!.toFixed(6)),
    })),
    COLUMNS,
  );
}
