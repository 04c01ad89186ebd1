import type { Protocol } from "@/core/pollination/steps";
import { largeSeparateSex } from "./protocols/largeSeparateSex";
import { perfectEmasculated } from "./protocols/perfectEmasculated";
import { speciesSchema } from "./schema";
import { carrot } from "./species/carrot";
import { leek } from "./species/leek";
import { melon } from "./species/melon";
import { orach } from "./species/orach";
import { pepoSquash } from "./species/pepoSquash";
import { pepper } from "./species/pepper";
import { runnerBean } from "./species/runnerBean";
import { tomato } from "./species/tomato";
import type { Species } from "./types";

const PROTOCOLS = new Map([largeSeparateSex, perfectEmasculated].map((p) => [p.id, p]));

/** Every species, by name. Checked as the module loads: a figure without a range or a source stops the program. */
export const SPECIES: Species[] = [carrot, leek, melon, orach, pepoSquash, pepper, runnerBean, tomato]
  .map((species): Species => {
    const { value, error } = speciesSchema.validate(species, { convert: false });
    if (error) throw new Error(`Catalogue, ${species.id}: ${error.message}`);
    return value;
  })
  .sort((a, b) => a.name.localeCompare(b.name));

const BY_ID = new Map(SPECIES.map((s) => [s.id, s]));

/** A species by its id. @throws Error for an id that the catalogue does not hold: records check it when written */
export function speciesById(id: string): Species {
  const species = BY_ID.get(id);
  if (!species) throw new Error(`The catalogue has no species "${id}".`);
  return species;
}

/** The hand-pollination protocol of a species; null where none is laid out yet. */
export function protocolOf(species: Species): Protocol | null {
  return species.protocol ? (PROTOCOLS.get(species.protocol) ?? null) : null;
}
