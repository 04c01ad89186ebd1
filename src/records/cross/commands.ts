import Joi from "joi";
import { methodsOf, speciesById } from "@/catalogue/catalogue";
import { daysBetween } from "@/core/calendar/day";
import { seasonOf } from "@/core/climate/season";
import { STORAGES, type Storage } from "@/core/pollination/storedPollen";
import { type Row, refuse } from "@/db/journal";
import { writeCandidates } from "../candidate/commands";
import { candidatesOf, candidatesOfFlowers } from "../candidate/queries";
import { type Context, command, nextCode } from "../command";
import { count, day, id, seedAmount, version } from "../fields";
import { importBook } from "./bookImport";
import { flowerCommands, notAhead, openCross } from "./flowers";
import { nextGenerationOf, planCross } from "./plan";
import { type CrossRow, crossById, type Flower, flowersOfCross } from "./queries";
import { cutBack, sowAgain, sowOn } from "./sow";

type Harvest = { crossId: number; fruits: number; on?: string; seeds?: number; mass?: number; doubtful: boolean };

/** Half and half, where nobody has said more: the father that was meant, or a stranger. */
const UNSAID = 0.5;

/**
 * What a lot of fruit with a fault is: open-pollinated seed of the mother's line, which names the cross and the doubt,
 * with whoever may have been the father in shares, the fruits counting alike.
 */
function doubtfulLot(context: Context, cross: CrossRow, taken: Flower[]): { row: Row; fathers: Map<string, number> } {
  const told = candidatesOfFlowers(context.db, cross.id);
  const meant = candidatesOf(context.db, "cross", cross.id);
  const pollen = meant.length ? meant : [{ standId: cross.fatherStandId, plantId: cross.fatherPlantId, share: 1 }];
  const fathers = new Map<string, number>();
  const give = (standId: number | null, plantId: number | null, share: number) => {
    const key = `${standId ?? ""},${plantId ?? ""}`;
    fathers.set(key, (fathers.get(key) ?? 0) + share / taken.length);
  };
  for (const flower of taken) {
    const own = told.filter((c) => c.flowerId === flower.id && c.role === "father");
    for (const { standId, plantId, share } of own) give(standId, plantId, share);
    if (own.length > 0) continue;
    for (const { standId, plantId, share } of pollen) give(standId, plantId, share * UNSAID);
    give(null, null, 1 - UNSAID);
  }
  const doubt = [...new Set(taken.map((f) => f.fault))].join(", ");
  return {
    row: {
      lineId: cross.motherLineId,
      kind: "open",
      generation: cross.kind === "cross" ? null : cross.generation,
      doubt,
    },
    fathers,
  };
}

const harvestCross = command<Harvest>({
  name: "cross.harvest",
  schema: Joi.object<Harvest>({
    crossId: id().required(),
    fruits: count("Fruits", 10_000).required(),
    on: day("Day"),
    ...seedAmount,
    doubtful: Joi.boolean().default(false).label("Fruit with a fault"),
  }),
  run(context, { crossId, fruits, on = context.today, seeds, mass, doubtful }) {
    const { db, write, garden } = context;
    const cross = openCross(context, crossId);
    notAhead(on, context.today);
    if (!seeds && !mass) refuse("seeds", "Count the seeds or weigh them.");
    const ready = flowersOfCross(db, crossId).filter((f) => f.state === "set" && (f.fault !== null) === doubtful);
    if (fruits > ready.length)
      refuse(
        "fruits",
        `${cross.code} has ${ready.length} set ${ready.length === 1 ? "fruit" : "fruits"} ${doubtful ? "with a fault" : "without a fault"} waiting; ${fruits} can't be brought in.`,
      );
    const taken = ready.slice(0, fruits);
    const early = taken.find((f) => on <= f.pollinatedOn!);
    if (early)
      refuse("on", `Flower ${early.number} was pollinated on ${early.pollinatedOn}; its fruit can't be ripe that day.`);
    const code = nextCode(db, "lot", seasonOf(on, garden.latitude));
    const doubt = doubtful ? doubtfulLot(context, cross, taken) : null;
    const lotId = write.insert("lot", {
      code,
      lineId: cross.lineId,
      kind: cross.kind,
      generation: cross.generation,
      ...doubt?.row,
      crossId,
      motherStandId: cross.motherStandId,
      motherPlantId: cross.motherPlantId,
      gathered: on,
      fruits,
      seeds: seeds ?? null,
      mass: mass ?? null,
    });
    if (doubt) {
      const candidates = [...doubt.fathers].map(([key, share]) => {
        const [standId, plantId] = key.split(",").map((n) => Number(n) || null);
        return { standId: standId ?? null, plantId: plantId ?? null, share };
      });
      writeCandidates(context, "lot", lotId, "father", candidates);
    }
    for (const flower of taken) write.update("flower", flower.id, { state: "harvested", lotId });
    const { daysToRipe } = speciesById(cross.species);
    const waited = Math.min(...taken.map((f) => daysBetween(f.pollinatedOn!, on)));
    return {
      message: `Lot ${code}: ${fruits} ${fruits === 1 ? "fruit" : "fruits"} of ${cross.code}${doubtful ? ", kept apart: not the cross for sure" : ""}`,
      id: lotId,
      warnings:
        waited < daysToRipe.low
          ? [
              `The youngest fruit is ${waited} days old; seed is usually ripe from ${daysToRipe.low}. Let it ripen on indoors and test germination.`,
            ]
          : [],
    };
  },
});

type AdjustCross = {
  id: number;
  version: number;
  fruitsWanted?: number;
  closed?: number;
  perEvening?: number;
  method?: string;
  note?: string;
  storage?: Storage | null;
  storedOn?: string | null;
};

const adjustCross = command<AdjustCross>({
  name: "cross.adjust",
  schema: Joi.object<AdjustCross>({
    id: id().required(),
    version: version().required(),
    fruitsWanted: count("Fruits wanted", 10_000),
    closed: Joi.number().valid(0, 1).label("Closed"),
    perEvening: count("Flowers in one evening", 500),
    method: Joi.string().label("Method"),
    note: Joi.string().trim().max(4000).allow("").label("Note"),
    storage: Joi.string()
      .valid(...STORAGES)
      .allow(null)
      .label("Pollen kept"),
    storedOn: day("Pollen gathered on").allow(null),
  }),
  run(context, { id: crossId, version: seen, ...input }) {
    const { db, write, today } = context;
    const cross = crossById(db, crossId) ?? refuse("id", "That cross does not exist.");
    if (input.method && input.method !== cross.method) {
      const ways = methodsOf(speciesById(cross.species), cross.kind === "self", cross.motherAnthers);
      if (!ways.some((way) => way.id === input.method)) refuse("method", "That method does not serve this cross.");
      if (flowersOfCross(db, crossId).some((f) => f.pollinatedOn))
        refuse("method", "Flowers were done already in the other way; plan a cross of its own for this one.");
    }
    if (input.storage === null) input.storedOn = null;
    if (input.storedOn) {
      if (input.storedOn > today) refuse("storedOn", "That day is still to come.");
      if (!(input.storage ?? cross.storage)) refuse("storage", "Say how the pollen is kept.");
    }
    write.update("cross", crossId, input, seen);
    const now = crossById(db, crossId)!;
    const words = [
      input.fruitsWanted !== undefined || input.closed !== undefined ? `${now.fruitsWanted} fruits wanted` : "",
      input.closed ? "closed" : "",
      input.method ? `method ${now.method}` : "",
      input.perEvening ? `${now.perEvening} in an evening` : "",
      input.note !== undefined ? "note kept" : "",
      input.storage !== undefined || input.storedOn !== undefined
        ? now.storage
          ? `pollen kept, ${now.storage}`
          : "fresh pollen"
        : "",
    ].filter(Boolean);
    return { message: `${cross.code}: ${words.join(", ") || "unchanged"}`, id: crossId };
  },
});

export const crossCommands = [
  planCross,
  nextGenerationOf,
  ...flowerCommands,
  harvestCross,
  adjustCross,
  sowOn,
  sowAgain,
  cutBack,
  importBook,
];
