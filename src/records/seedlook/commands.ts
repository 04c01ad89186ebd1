import Joi from "joi";
import { refuse } from "@/db/ops";
import { command } from "../command";
import { lotById } from "../lot/queries";
import { given } from "../record";
import { seedlooksOf } from "./queries";
import { seedlook } from "./seedlook";

type Count = { word: string; seeds: number };

const counts = given<Count[]>(
  "Counts",
  Joi.array()
    .items(
      Joi.object({
        word: Joi.string().trim().min(1).max(60).required(),
        seeds: Joi.number().integer().min(0).max(1_000_000).required().label("Seeds"),
      }),
    )
    .unique("word")
    .min(1)
    .max(60),
);

/** How many of a lot's seeds show which word; what was counted on the yardstick before is replaced. */
const countSeeds = command(
  "seedlook.count",
  { ...seedlook.adding("lotId", "yardstickId"), counts },
  ({ db, write }, { lotId, yardstickId, counts: told }) => {
    const { code } = lotById(db, lotId) ?? refuse("lotId", "That lot does not exist.");
    for (const before of seedlooksOf(db, lotId).filter((one) => one.yardstickId === yardstickId))
      write.remove(seedlook, before.id);
    const seen = told.filter(({ seeds }) => seeds > 0);
    for (const { word, seeds } of seen) write.insert(seedlook, { lotId, yardstickId, word, seeds });
    const said = seen.map(({ word, seeds }) => `${seeds} ${word}`).join(", ");
    return { message: said ? `Seeds of lot ${code}: ${said}` : `Counts of lot ${code}’s seeds struck out` };
  },
);

export const seedlookCommands = [countSeeds] as const;
