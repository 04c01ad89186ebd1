import { speciesById } from "@/catalogue/catalogue";
import { dayInWords } from "@/core/calendar/day";
import { refuse } from "@/db/ops";
import { writeCandidates } from "../candidate/commands";
import { candidatesOf } from "../candidate/queries";
import { type Context, command } from "../command";
import { openCross } from "../flower/commands";
import { anyPollinated } from "../flower/queries";
import { choice, day, ref, seen } from "../record";
import { changeStand, existingStand, moveSowing, sowSecond } from "../stand/commands";
import type { StandRow } from "../stand/queries";
import { cross } from "./cross";
import type { CrossRow } from "./queries";

const parent = choice("Parent", ["mother", "father"]);

const parentStand = (context: Context, of: CrossRow, which: "mother" | "father"): StandRow =>
  existingStand(context, which === "mother" ? of.motherStandId : of.fatherStandId, "parent");

/** Moves the sowing of a parent that is not sown yet, so that the two meet in flower. */
export const sowOn = command(
  "cross.sow-on",
  { crossId: ref("cross", "Cross"), parent, sown: day("Sown on"), version: seen().optional() },
  (context, { crossId, parent: which, sown, version }) => {
    const of = parentStand(context, openCross(context, crossId), which);
    if (of.sown <= context.today) refuse("sown", `${of.code} was sown on ${of.sown}; sow a second time instead.`);
    if (sown < context.today) refuse("sown", "That day is past.");
    moveSowing(context, of, sown, version);
    return { message: `${of.code} ${of.lineName} is to be sown on ${dayInWords(sown)}`, id: of.id };
  },
);

/** Cuts a parent back on a day, so that its new flowers meet the other's; its forecast begins anew from there. */
export const cutBack = command(
  "cross.cut-back",
  { crossId: ref("cross", "Cross"), parent, on: day("Cut back on"), version: seen().optional() },
  (context, { crossId, parent: which, on, version }) => {
    const of = parentStand(context, openCross(context, crossId), which);
    const { name, cutBack: days } = speciesById(of.species);
    if (!days) return refuse("parent", `${name} does not flower again when it is cut back.`);
    if (on <= of.sown) refuse("on", `${of.code} was sown on ${of.sown}.`);
    changeStand(context, of, { cutBack: on }, version);
    return {
      message: `${of.code} ${of.lineName} to be cut back on ${dayInWords(on)}; it flowers again ${days.low} to ${days.high} days later`,
      id: of.id,
    };
  },
);

/** Plans a second sowing of the father, from the same lot into the same bed, and takes its pollen for the cross. */
export const sowAgain = command(
  "cross.sow-again",
  { crossId: ref("cross", "Cross"), sown: day("Sown on"), version: seen().optional() },
  (context, { crossId, sown, version }) => {
    const { db, write, today } = context;
    const of = openCross(context, crossId);
    if (sown < today) refuse("sown", "That day is past.");
    if (of.kind === "self")
      refuse("crossId", "A plant that is selfed is its own father; a second sowing is another plant.");
    if (anyPollinated(db, crossId))
      refuse("crossId", "Flowers got this father's pollen already; plan a cross of its own with the second sowing.");
    const father = existingStand(context, of.fatherStandId, "crossId");
    const { id: made, code } = sowSecond(context, father, sown, { seedWanted: 0 });
    write.update(cross, crossId, { fatherStandId: made, fatherPlantId: null }, version);
    const mixed = candidatesOf(db, "cross", crossId).filter((c) => c.role === "father");
    if (mixed.length > 0)
      writeCandidates(
        context,
        "cross",
        crossId,
        "father",
        mixed.map(({ standId, plantId, share }) =>
          standId === father.id ? { standId: made, plantId: null, share } : { standId, plantId, share },
        ),
      );
    return {
      message: `${code}: ${father.lineName} to be sown a second time on ${dayInWords(sown)}, as father of ${of.code}`,
      id: made,
      code,
    };
  },
);
