import Joi from "joi";
import { seasonOf } from "@/core/climate/season";
import { nextGeneration } from "@/core/custody/generation";
import { refuse } from "@/db/journal";
import { command, nextCode } from "../command";
import { count, day, id, note, seedAmount } from "../fields";
import { lineById } from "../line/queries";
import { plantById } from "../plant/queries";
import { existingStand } from "../stand/commands";

const AMOUNT_NEEDED = "Count the seeds or weigh them.";

type ReceiveLot = {
  lineId: number;
  gathered: string;
  generation?: number;
  seeds?: number;
  mass?: number;
  note: string;
};

const receiveLot = command<ReceiveLot>({
  name: "lot.receive",
  schema: Joi.object<ReceiveLot>({
    lineId: id().required().label("Line"),
    gathered: day("Gathered on").required(),
    generation: count("Generation", 40),
    ...seedAmount,
    note: note("Note"),
  }),
  run({ db, write, today, garden }, input) {
    const line = lineById(db, input.lineId) ?? refuse("lineId", "That line does not exist.");
    if (input.gathered > today) refuse("gathered", "That day is still to come.");
    if (!input.seeds && !input.mass) refuse("seeds", AMOUNT_NEEDED);
    const code = nextCode(db, "lot", seasonOf(input.gathered, garden.latitude));
    const made = write.insert("lot", { code, kind: "received", ...input });
    return { message: `Lot ${code} of ${line.name} put in the drawer`, id: made };
  },
});

type SaveLot = {
  standId: number;
  plantIds: number[];
  kind: "self" | "open";
  gathered: string;
  seeds?: number;
  mass?: number;
  note: string;
};

/** Seed saved from a stand as a whole, or from chosen plants with a lot for each. */
const saveLot = command<SaveLot>({
  name: "lot.save",
  schema: Joi.object<SaveLot>({
    standId: id().required().label("Stand"),
    plantIds: Joi.array().items(id()).max(500).unique().default([]).label("Plants"),
    kind: Joi.string().valid("self", "open").required().label("Pollen"),
    gathered: day("Gathered on").required(),
    ...seedAmount,
    note: note("Note"),
  }),
  run(context, { standId, plantIds, kind, gathered, ...input }) {
    const { db, write, today, garden } = context;
    const stand = existingStand(context, standId, "standId");
    if (gathered > today) refuse("gathered", "That day is still to come.");
    if (gathered <= (stand.firstFlower ?? stand.sown))
      refuse("gathered", "Seed can't be gathered before the stand has flowered.");
    if (!input.seeds && !input.mass) refuse("seeds", AMOUNT_NEEDED);
    const generation = nextGeneration(kind, stand.generation, stand.generation);
    const mothers: (number | null)[] = plantIds.length ? plantIds : [null];
    const ids = mothers.map((plantId) => {
      const plant =
        plantId === null ? null : (plantById(db, plantId) ?? refuse("plantIds", "That plant does not exist."));
      if (plant && plant.standId !== standId) refuse("plantIds", "That plant stands elsewhere.");
      if (plant?.removedOn && plant.removedOn < gathered)
        refuse(
          "plantIds",
          `Plant ${plant.number} was taken out on ${plant.removedOn}; no seed of it can be gathered after.`,
        );
      const code = nextCode(db, "lot", seasonOf(gathered, garden.latitude));
      return write.insert("lot", {
        code,
        lineId: stand.lineId,
        kind,
        generation,
        motherStandId: standId,
        motherPlantId: plantId,
        gathered,
        ...input,
      });
    });
    const hybrid = stand.status === "f1-hybrid" && stand.school === "keep-pure";
    return {
      message: `${ids.length === 1 ? "A lot" : `${ids.length} lots`} saved from ${stand.code} ${stand.lineName}`,
      ids,
      id: ids[0],
      warnings: hybrid
        ? [
            "Seed of a bought F1 hybrid does not come true; this lot is kept as an F2. Choose the school cross and fix to undo it.",
          ]
        : [],
    };
  },
});

export const lotCommands = [receiveLot, saveLot];
