import type { Id } from "@/core/custody/id";
import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { command } from "../command";
import { plantList } from "../plant/commands";
import { plant } from "../plant/plant";
import { plantsOfStand } from "../plant/queries";
import { day, ref, seen } from "../record";
import { changeStand, existingStand } from "../stand/commands";
import { trial } from "./trial";

/** What it came through, and who did not: numbered plants are taken out with it, others counted off. */
const addTrial = command(
  "trial.add",
  {
    ...trial.adding("standId", "what", "lost", "words"),
    lostIds: plantList("Lost to it", 2000).or([]),
    endedOn: day("Day").optional(),
  },
  (context, { standId, lostIds, endedOn, ...input }) => {
    const { db, write } = context;
    const stand = existingStand(context, standId, "standId");
    const on = endedOn ?? context.today;
    const plants = plantsOfStand(db, standId);
    const standing = plants.filter(({ removedOn }) => removedOn === null || removedOn > on);
    const stood = plants.length > 0 ? standing.length : (stand.plants ?? 0);
    if (stood === 0) refuse("standId", "Nothing stands there that could come through.");
    if (plants.length > 0 && input.lost > 0) refuse("lost", "Say which of its numbered plants were lost.");
    const lost = plants.length > 0 ? lostIds.length : input.lost;
    const id = write.insertHeld(trial, { standId, ...input, lost, stood, endedOn: on });
    const known = new Map(standing.map((one): [Id, typeof one] => [one.id, one]));
    for (const lostId of lostIds) {
      if (!known.has(lostId)) refuse("lostIds", "One of these does not stand there any more.");
      write.update(plant, lostId, { mark: "out", reason: `lost to ${input.what}`, removedOn: on });
    }
    if (plants.length === 0 && lost > 0) changeStand(context, stand, { plants: stood - lost });
    return { message: `${stand.code}: ${stood - lost} of ${plural(stood, "plant")} came through ${input.what}`, id };
  },
);

/** A trial that was none; who was taken out with it stays out. */
const dropTrial = command(
  "trial.drop",
  { id: ref("trial", "Trial"), version: seen() },
  ({ write }, { id, version }) => {
    if (!write.read(trial, id)) refuse("id", "That is not there any more.");
    write.remove(trial, id, version);
    return { message: "Struck out; plants that went out with it stay out" };
  },
);

export const trialCommands = [addTrial, dropTrial] as const;
