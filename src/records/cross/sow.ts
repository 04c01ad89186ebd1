import Joi from "joi";
import { speciesById } from "@/catalogue/catalogue";
import { dayInWords } from "@/core/calendar/day";
import { refuse } from "@/db/journal";
import { type Context, command, nextCode } from "../command";
import { day, id } from "../fields";
import { existingStand, floweringSeason } from "../stand/commands";
import type { StandRow } from "../stand/queries";
import { openCross } from "./flowers";
import type { CrossRow } from "./queries";

type ParentRole = { parent: "mother" | "father" };

const parentStand = (context: Context, cross: CrossRow, parent: ParentRole["parent"]): StandRow =>
  existingStand(context, parent === "mother" ? cross.motherStandId : cross.fatherStandId, "parent");

type SowOn = ParentRole & { crossId: number; sown: string };

/** Moves the sowing of a parent that is not sown yet, so that the two meet in flower. */
export const sowOn = command<SowOn>({
  name: "cross.sow-on",
  schema: Joi.object<SowOn>({
    crossId: id().required(),
    parent: Joi.string().valid("mother", "father").required().label("Parent"),
    sown: day("Sown on").required(),
  }),
  run(context, { crossId, parent, sown }) {
    const { write, today } = context;
    const cross = openCross(context, crossId);
    const stand = parentStand(context, cross, parent);
    if (stand.sown <= today) refuse("sown", `${stand.code} was sown on ${stand.sown}; sow a second time instead.`);
    if (sown < today) refuse("sown", "That day is past.");
    const season = floweringSeason(context, { ...stand, sown });
    write.update("stand", stand.id, { sown, season });
    if (parent === "mother") write.update("cross", crossId, { season });
    return { message: `${stand.code} ${stand.lineName} is to be sown on ${dayInWords(sown)}`, id: stand.id };
  },
});

type CutBack = ParentRole & { crossId: number; on: string };

/** Cuts a parent back on a day, so that its new flowers meet the other's; its forecast begins anew from there. */
export const cutBack = command<CutBack>({
  name: "cross.cut-back",
  schema: Joi.object<CutBack>({
    crossId: id().required(),
    parent: Joi.string().valid("mother", "father").required().label("Parent"),
    on: day("Cut back on").required(),
  }),
  run(context, { crossId, parent, on }) {
    const cross = openCross(context, crossId);
    const stand = parentStand(context, cross, parent);
    const { name, cutBack: days } = speciesById(stand.species);
    if (!days) refuse("parent", `${name} does not flower again when it is cut back.`);
    if (on <= stand.sown) refuse("on", `${stand.code} was sown on ${stand.sown}.`);
    context.write.update("stand", stand.id, { cutBack: on });
    return {
      message: `${stand.code} ${stand.lineName} to be cut back on ${dayInWords(on)}; it flowers again ${days!.low} to ${days!.high} days later`,
      id: stand.id,
    };
  },
});

type SowAgain = { crossId: number; sown: string };

/** Plans a second sowing of the father, from the same lot into the same bed, and takes its pollen for the cross. */
export const sowAgain = command<SowAgain>({
  name: "cross.sow-again",
  schema: Joi.object<SowAgain>({ crossId: id().required(), sown: day("Sown on").required() }),
  run(context, { crossId, sown }) {
    const { db, write, today } = context;
    const cross = openCross(context, crossId);
    if (sown < today) refuse("sown", "That day is past.");
    const father = existingStand(context, cross.fatherStandId, "crossId");
    const season = floweringSeason(context, { ...father, sown });
    const code = nextCode(db, "stand", season);
    const made = write.insert("stand", {
      code,
      lineId: father.lineId,
      lotId: father.lotId,
      bedId: father.bedId,
      season,
      generation: father.generation,
      sown,
      plants: father.plants,
      seedWanted: 0,
    });
    write.update("cross", crossId, { fatherStandId: made, fatherPlantId: null });
    return {
      message: `${code}: ${father.lineName} to be sown a second time on ${dayInWords(sown)}, as father of ${cross.code}`,
      id: made,
    };
  },
});
