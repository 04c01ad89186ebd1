import { speciesById } from "@/catalogue/catalogue";
import type { Id } from "@/core/custody/id";
import { bedInWords } from "@/core/ground/bedInWords";
import { type Stood, tooSoon } from "@/core/ground/rotation";
import type { Db } from "@/db/open";
import { bedCrops, type StandRow } from "./queries";

/** What stood in beds, by botanical family; one stand may be left out. */
export const stoodInBeds = (db: Db, but: Id | null = null): Stood[] =>
  bedCrops(db)
    .filter(({ id }) => id !== but)
    .map(({ bedId, season, species, lineName }) => ({
      bedId,
      season,
      family: speciesById(species).family,
      name: lineName,
    }));

type Next = Pick<StandRow, "bedId" | "bedName" | "species" | "season">;

/** The sentence that warns where a family comes back to a bed too soon; null where it does not. */
export function rotationWarning(stood: Stood[], { bedId, bedName, species, season }: Next): string | null {
  if (!bedId) return null;
  const { family, rotation, name } = speciesById(species);
  const before = tooSoon(stood, { bedId, family, season }, rotation.low);
  if (!before) return null;
  return `${before.name} stood in ${bedInWords(bedName!)} in ${before.season}: ${name.toLowerCase()} is of the same family (${family}) and better waits ${rotation.low} to ${rotation.high} years, a rule of thumb.`;
}
