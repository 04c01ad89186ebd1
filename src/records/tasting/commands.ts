import type { Id } from "@/core/custody/id";
import { seeded } from "@/core/numbers/chance";
import { blindCodes, tasted } from "@/core/selection/tasting";
import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { type Context, command } from "../command";
import { plantList } from "../plant/commands";
import { plantById } from "../plant/queries";
import { day, ref, seen, text, yesNo } from "../record";
import { lastScore } from "../score/queries";
import { score } from "../score/score";
import { existingStand } from "../stand/commands";
import { biteOf, bitesOf, servingByCode, servingsOf, tastingById } from "./queries";
import { bite, serving, type Tasting, tasting } from "./tasting";

/** More than this nobody can taste at one sitting. */
const MOST = 24;

/** Chance that is the same for one press wherever it is carried out. */
const chanceOf = (id: Id) => seeded(Number.parseInt(id.slice(-8), 16));

const addTasting = command(
  "tasting.add",
  {
    ...tasting.adding("standId", "yardstickId", "tasters", "note"),
    heldOn: day("Day").optional(),
    plantIds: plantList("Plants", MOST),
  },
  (context, { plantIds, heldOn, ...input }) => {
    const stand = existingStand(context, input.standId, "standId");
    if (plantIds.length < 2) refuse("plantIds", "Choose two at least: one alone is compared with nothing.");
    const id = context.write.insert(tasting, { ...input, heldOn: heldOn ?? context.today });
    const codes = blindCodes(plantIds.length, chanceOf(id));
    for (const [i, plantId] of plantIds.entries()) {
      const plant = plantById(context.db, plantId) ?? refuse("plantIds", "That plant does not exist.");
      if (existingStand(context, plant.standId, "plantIds").lineId !== stand.lineId)
        refuse("plantIds", `Plant ${plant.number} is of another line.`);
      context.write.insert(serving, { tastingId: id, plantId, code: codes[i]! });
    }
    return {
      message: `Tasting of ${plural(plantIds.length, "plant")} of ${stand.code} by ${plural(input.tasters, "taster")}`,
      id,
    };
  },
);

/** A tasting that still goes on. */
function openTasting({ db }: Pick<Context, "db">, id: Id, field: string): Tasting {
  const found = tastingById(db, id) ?? refuse(field, "That tasting does not exist.");
  if (found.closedOn) refuse(field, "That tasting is over.");
  return found;
}

const giveBite = command(
  "tasting.bite",
  {
    tastingId: ref("tasting", "Tasting"),
    taster: bite.columns.taster,
    code: text("Code", 3).needed(),
    number: bite.columns.number,
    bitter: yesNo("Bitter"),
  },
  (context, { tastingId, taster, code, number, bitter }) => {
    const { db, write } = context;
    openTasting(context, tastingId, "tastingId");
    const { id: servingId } =
      servingByCode(db, tastingId, code) ?? refuse("code", "Nothing is served under that code.");
    const before = biteOf(db, servingId, taster);
    const row = { number: bitter ? null : number, bitter: bitter ? 1 : 0 } as const;
    if (before) write.update(bite, before.id, row);
    else write.insert(bite, { servingId, taster, ...row });
    return { message: `Taster ${taster}, ${code}: ${bitter ? "bitter" : number}` };
  },
);

const which = { id: ref("tasting", "Tasting"), version: seen() };

/** What the tasters found becomes a look at each plant: their level set aside, to a tenth of a step. */
const closeTasting = command("tasting.close", which, (context, { id, version }) => {
  const { db, write, today } = context;
  const { standId, yardstickId, tasters } = openTasting(context, id, "id");
  const servings = servingsOf(db, id);
  const places = new Map(servings.map((one, i) => [one.id, i]));
  const bites = bitesOf(db, id).flatMap(({ servingId, taster, number }) =>
    number === null ? [] : [{ sample: places.get(servingId)!, taster: taster - 1, value: number }],
  );
  if (bites.length === 0) refuse("id", "Nobody has tasted anything yet.");
  const { samples } = tasted(bites, servings.length, tasters);
  let scored = 0;
  for (const [i, { plantId }] of servings.entries()) {
    const found = samples[i];
    if (!found) continue;
    const last = lastScore(db, plantId, yardstickId);
    const look = last?.scoredOn === today ? last.look + 1 : 1;
    const number = Math.min(9, Math.max(1, Math.round(found.value * 10) / 10));
    write.insert(score, { plantId, yardstickId, number, scoredOn: today, look });
    scored++;
  }
  write.update(tasting, id, { closedOn: today }, version);
  const { code } = existingStand(context, standId, "id");
  return { message: `${code}: tasting closed, ${plural(scored, "plant")} scored`, id };
});

const dropTasting = command("tasting.drop", which, (context, { id, version }) => {
  const { db, write } = context;
  openTasting(context, id, "id");
  for (const one of bitesOf(db, id)) write.remove(bite, one.id);
  for (const one of servingsOf(db, id)) write.remove(serving, one.id);
  write.remove(tasting, id, version);
  return { message: "Tasting called off" };
});

export const tastingCommands = [addTasting, giveBite, closeTasting, dropTasting] as const;
