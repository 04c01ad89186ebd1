import { seasonOf } from "@/core/climate/season";
import { nextGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { refuse } from "@/db/ops";
import { nextCode } from "../code";
import { command } from "../command";
import { lineById } from "../line/queries";
import { plantList } from "../plant/commands";
import { plantById } from "../plant/queries";
import { choice, day, ref, seen } from "../record";
import { existingStand } from "../stand/commands";
import { lot } from "./lot";
import { lotById } from "./queries";

const receiveLot = command(
  "lot.receive",
  lot.adding("lineId", "gathered", "generation", "fruits", "seeds", "mass", "note"),
  (context, input) => {
    const { db, write, garden } = context;
    const line = lineById(db, input.lineId) ?? refuse("lineId", "That line does not exist.");
    const code = nextCode(context, "lot", seasonOf(input.gathered, garden.latitude));
    // Fruit whose seed is still in it goes to the table.
    const onTable = input.fruits !== null && input.seeds === null && input.mass === null ? 1 : 0;
    const id = write.insert(lot, { code, kind: "received", onTable, ...input });
    return { message: `Lot ${code} of ${line.name} ${onTable ? "is on the table" : "put in the drawer"}`, id, code };
  },
);

/** Seed saved from a stand as a whole, or from chosen plants with a lot for each. */
const saveLot = command(
  "lot.save",
  {
    standId: ref("stand", "Stand"),
    plantIds: plantList("Plants", 500).or([]),
    kind: choice("Pollen", ["self", "open"]),
    ...lot.adding("gathered", "seeds", "mass", "note"),
  },
  (context, { standId, plantIds, kind, ...input }) => {
    const { db, write, garden } = context;
    const stand = existingStand(context, standId, "standId");
    const generation = nextGeneration(kind, stand.generation, stand.generation);
    // What is neither counted nor weighed yet is on its way: it stands on the table.
    const onTable = input.seeds === null && input.mass === null ? 1 : 0;
    const mothers: (Id | null)[] = plantIds.length ? plantIds : [null];
    const made = mothers.map((plantId) => {
      const plant = plantId ? (plantById(db, plantId) ?? refuse("plantIds", "That plant does not exist.")) : null;
      if (plant && plant.standId !== standId) refuse("plantIds", "That plant stands elsewhere.");
      if (plant?.removedOn && plant.removedOn < input.gathered)
        refuse(
          "plantIds",
          `Plant ${plant.number} was taken out on ${plant.removedOn}; no seed of it can be gathered after.`,
        );
      const code = nextCode(context, "lot", seasonOf(input.gathered, garden.latitude));
      const from = { lineId: stand.lineId, motherStandId: standId, motherPlantId: plantId };
      return { code, id: write.insert(lot, { code, kind, generation, onTable, ...from, ...input }) };
    });
    const hybrid = stand.status === "f1-hybrid" && stand.school === "keep-pure";
    const ids = made.map(({ id }) => id);
    return {
      message: `${ids.length === 1 ? "A lot" : `${ids.length} lots`} saved from ${stand.code} ${stand.lineName}`,
      ids,
      id: ids[0],
      code: made[0]!.code,
      warnings: hybrid
        ? [
            "Seed of a bought F1 hybrid does not come true; this lot is kept as an F2. Choose the school cross and fix to undo it.",
          ]
        : [],
    };
  },
);

/** Seed counted or weighed later, counted again, or a note put right. */
const changeLot = command(
  "lot.change",
  { id: ref("lot", "Lot"), version: seen(), ...lot.patching("seeds", "mass", "note", "reserve") },
  ({ db, write }, { id, version, ...patch }) => {
    const { code, way, vesselId } = lotById(db, id) ?? refuse("id", "That lot does not exist.");
    // Fruit whose seed is counted was cleaned away from the table: it lies in the drawer.
    const drawn = !way && !vesselId && (patch.seeds || patch.mass) ? { onTable: 0 as const } : {};
    write.update(lot, id, { ...patch, ...drawn }, version);
    return { message: `Lot ${code} set right`, id, code };
  },
);

/** A lot that is no more: used up, dead, lost. It stays in every record. */
const endLot = command(
  "lot.end",
  { id: ref("lot", "Lot"), version: seen(), ending: lot.columns.ending.needed(), on: day("Ended on").optional() },
  ({ db, write, today }, { id, version, ending, on }) => {
    const { code } = lotById(db, id) ?? refuse("id", "That lot does not exist.");
    write.update(lot, id, { ending, endedOn: on ?? today, vesselId: null, onTable: 0 }, version);
    return { message: `Lot ${code}: ${ending.replace("-", " ")}`, id, code };
  },
);

const bringBackLot = command(
  "lot.bring-back",
  { id: ref("lot", "Lot"), version: seen() },
  ({ db, write }, { id, version }) => {
    const { code, endedOn } = lotById(db, id) ?? refuse("id", "That lot does not exist.");
    if (!endedOn) refuse("id", `Lot ${code} has not ended.`);
    write.update(lot, id, { ending: null, endedOn: null }, version);
    return { message: `Lot ${code} is in the drawer again`, id, code };
  },
);

export const lotCommands = [receiveLot, saveLot, changeLot, endLot, bringBackLot] as const;
