import { speciesById } from "@/catalogue/catalogue";
import { countByWeight } from "@/core/seed/seedCount";
import { fixed } from "@/core/writing/numbers";
import { refuse } from "@/db/ops";
import { command } from "../command";
import { lot } from "../lot/lot";
import { lotById } from "../lot/queries";
import { ref, seen } from "../record";
import { sample } from "./handling";
import { samplesOf } from "./queries";

/** Counted seeds, weighed; the whole lot's mass may come with them. */
const addSample = command(
  "sample.add",
  { ...sample.adding("lotId", "seeds", "mass"), whole: lot.columns.mass.as("Mass of the whole lot") },
  (context, { lotId, seeds, mass, whole }) => {
    const { db, write } = context;
    const found = lotById(db, lotId) ?? refuse("lotId", "That lot does not exist.");
    if (whole !== null && whole < mass) refuse("whole", "The whole lot can't weigh less than a sample of it.");
    const id = write.insert(sample, { lotId, seeds, mass });
    const of = whole ?? found.mass;
    if (whole !== null) write.update(lot, lotId, { mass: whole });
    const { seedsPerGram } = speciesById(found.species);
    const { perGram, seeds: total } = countByWeight(samplesOf(db, lotId), of ?? mass);
    const odd = perGram.likely < seedsPerGram.low / 2 || perGram.likely > seedsPerGram.high * 2;
    return {
      message: `Lot ${found.code}: ${fixed(perGram.likely, 1)} seeds a gram${of ? `, about ${total.likely} (${total.low}–${total.high})` : ""}`,
      id,
      code: found.code,
      warnings: odd
        ? [`Its kind has ${seedsPerGram.low} to ${seedsPerGram.high} seeds a gram, by the catalogue. Count once more.`]
        : [],
    };
  },
);

const dropSample = command(
  "sample.drop",
  { id: ref("sample", "Sample"), version: seen() },
  (context, { id, version }) => {
    if (!context.write.read(sample, id)) refuse("id", "That sample does not exist.");
    context.write.remove(sample, id, version);
    return { message: "Sample struck out" };
  },
);

export const sampleCommands = [addSample, dropSample] as const;
