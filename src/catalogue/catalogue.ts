import type { SceneSpecies } from "@/core/isolation/scene";
import type { Protocol } from "@/core/pollination/protocol";
import heads from "./protocols/heads.json";
import perfectFlowers from "./protocols/perfectFlowers.json";
import selfing from "./protocols/selfing.json";
import separateFlowers from "./protocols/separateFlowers.json";
import separatePlants from "./protocols/separatePlants.json";
import windEars from "./protocols/windEars.json";
import { protocolSchema, speciesSchema } from "./schema";
import alliums from "./species/alliums.json";
import beets from "./species/beets.json";
import brassicas from "./species/brassicas.json";
import carrots from "./species/carrots.json";
import cucurbits from "./species/cucurbits.json";
import daisies from "./species/daisies.json";
import grasses from "./species/grasses.json";
import legumes from "./species/legumes.json";
import lore from "./species/lore.json";
import nightshades from "./species/nightshades.json";
import others from "./species/others.json";
import type { Species } from "./types";

/** A protocol of the catalogue, checked. @throws Error naming protocol and field */
export function protocolFrom(written: { id: string }): Protocol {
  const { value, error } = protocolSchema.validate(written);
  if (error) throw new Error(`Catalogue, protocol ${written.id}: ${error.message}`);
  return value;
}

/** Every way of pollinating by hand. Checked as the module loads. */
export const PROTOCOLS: Protocol[] = [
  ...separateFlowers,
  ...perfectFlowers,
  ...selfing,
  ...windEars,
  ...separatePlants,
  ...heads,
].map(protocolFrom);

const PROTOCOL_BY_ID = new Map(PROTOCOLS.map((p) => [p.id, p]));

/** A protocol by its id. @throws Error for an id the catalogue does not hold: records check it when written */
export function protocolById(id: string): Protocol {
  const protocol = PROTOCOL_BY_ID.get(id);
  if (!protocol) throw new Error(`The catalogue has no protocol "${id}".`);
  return protocol;
}

/** A file of the catalogue: a family, what most of its species share, and each species with what is its own. */
export type SpeciesFile = { family: string; defaults: object; species: ({ id: string } & object)[] };

/** What is known of species beside figures: names, kinds, what is said of them, by id. */
const LORE: Record<string, object> = lore;

/** The species of a file, checked. @throws Error naming species and field: a figure without range or source stops the program */
export function speciesOf({ family, defaults, species }: SpeciesFile): Species[] {
  return species.map((own): Species => {
    const { value, error } = speciesSchema.validate({ family, ...defaults, ...own, ...LORE[own.id] });
    if (error) throw new Error(`Catalogue, ${own.id}: ${error.message}`);
    return value;
  });
}

/** Every species, by name. Checked as the module loads. */
export const SPECIES: Species[] = [
  alliums,
  beets,
  brassicas,
  carrots,
  cucurbits,
  daisies,
  grasses,
  legumes,
  nightshades,
  others,
]
  .flatMap((file) => speciesOf(file))
  .sort((a, b) => a.name.localeCompare(b.name));

const BY_ID = new Map(SPECIES.map((s) => [s.id, s]));

/** A species by its id. @throws Error for an id that the catalogue does not hold: records check it when written */
export function speciesById(id: string): Species {
  const species = BY_ID.get(id);
  if (!species) throw new Error(`The catalogue has no species "${id}".`);
  return species;
}

/** The protocol a record names; those of before there was a choice were done in their species' usual way. */
export const protocolKept = (species: string, method: string | null): Protocol =>
  protocolById(method ?? speciesById(species).methods[0]!);

const WITH_ANTHERS = "separate-sex-emasculated";
const WITHOUT_ANTHERS = "separate-sex";
const BY_ITS_OWN = "separate-sex-selfed";

/** Whether a line's fruiting flowers carry anthers: as its species does, or as was seen on the line itself. */
export type Anthers = "as-species" | "yes" | "no";

/**
 * The ways a species can be pollinated by hand, the usual one first: those for its own pollen or for another's. Where
 * fruiting flowers may carry anthers, what was seen on the line decides which comes first.
 */
export function methodsOf(species: Species, self: boolean, anthers: Anthers = "as-species"): Protocol[] {
  const ways = species.methods.map(protocolById).filter((p) => p.serves.includes(self ? "self" : "cross"));
  // What is made for selfing comes first where mother and father are one.
  if (self) ways.sort((a, b) => a.serves.length - b.serves.length);
  if (!species.methods.includes(WITHOUT_ANTHERS)) return ways;
  const carries = anthers === "as-species" ? species.methods[0] === WITH_ANTHERS : anthers === "yes";
  const first = carries ? (self ? BY_ITS_OWN : WITH_ANTHERS) : WITHOUT_ANTHERS;
  return [protocolById(first), ...ways.filter((p) => p.id !== first)];
}

const kept = new Map<string, SceneSpecies>();

/** What the isolation engine needs of a species, as plain data that can go to a worker; one object for each species. */
export function sceneSpecies(species: Species): SceneSpecies {
  const made = kept.get(species.id) ?? forScene(species);
  kept.set(species.id, made);
  return made;
}

/** Wild kin of a crop: it crosses as what it is, and flowers about as the crop does. The crop itself where none is named. */
export const sceneKin = (crop: string, wild: string): SceneSpecies => {
  const species = sceneSpecies(speciesById(crop));
  return wild ? { ...species, kin: wild } : species;
};

function forScene(species: Species): SceneSpecies {
  const { id, name, crossingGroup, crosses, outcrossing, vector, breeding, flowerType } = species;
  const { daysToFlower, flowerDays, daysToRipe, femaleLag, heat, tender, light, cold, kills, cutBack, raise } = species;
  return {
    id,
    name,
    crossingGroup,
    crosses,
    wild: species.wild.map(({ name, degree }) => ({ name, degree })),
    outcrossing,
    vector,
    refuses: species.ownPollen === "refused" || flowerType === "separate-sex plants",
    selfs: breeding === "selfing" || (breeding === "mixed" && species.methods.includes("nightshade-bud")),
    // Heads of many flowers, and tiny ones, are not worked one by one; ears of maize are.
    byHand: flowerType === "large separate-sex flowers" || flowerType === "perfect flowers" || id === "maize",
    daysToFlower,
    flowerDays,
    daysToRipe,
    femaleLag,
    heat,
    tender,
    raised: raise.plantOut,
    light,
    cold,
    kills,
    livesOn: species.lifeCycle === "perennial grown as annual",
    cutBack,
  };
}
