import { refuse } from "@/db/ops";
import { command } from "../command";
import { lotById } from "../lot/queries";
import { offtype } from "../offtype/offtype";
import { plantById } from "../plant/queries";
import { ref, seen } from "../record";
import { standById } from "../stand/queries";
import { surpriseOf } from "./queries";
import { surprise } from "./surprise";

/** Keeps what made a plant odd. Strange pollen in open seed counts for how far pollen reaches here. */
const decide = command(
  "surprise.decide",
  surprise.adding("plantId", "cause", "sourceName", "plants", "odd", "words"),
  ({ db, write, today }, input) => {
    const plant = plantById(db, input.plantId) ?? refuse("plantId", "That plant does not exist.");
    const before = surpriseOf(db, plant.id);
    if (before) refuse("plantId", "It was decided already; strike that out first.");
    const id = write.insert(surprise, { ...input, decidedOn: today });
    const { lotId } = standById(db, plant.standId)!;
    const lot = lotId ? lotById(db, lotId) : undefined;
    const teaches = lot?.kind === "open" && (input.cause === "pollen" || input.cause === "stranger");
    if (teaches) write.insert(offtype, { lotId: lot.id, on: today, plants: input.plants, strange: input.odd });
    return {
      message: teaches
        ? `Decided; lot ${lot.code} counts ${input.odd} of ${input.plants} for how far pollen reaches here`
        : "Decided",
      id,
    };
  },
);

/** Takes a decision back; a count that came of it is struck out on its lot. */
const drop = command(
  "surprise.drop",
  { id: ref("surprise", "Decision"), version: seen() },
  ({ write }, { id, version }) => {
    if (!write.read(surprise, id)) refuse("id", "That is not there any more.");
    write.remove(surprise, id, version);
    return { message: "Struck out; a count that came of it stays on its lot" };
  },
);

export const surpriseCommands = [decide, drop] as const;
