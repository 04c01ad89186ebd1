import Joi from "joi";
import { protocolOf, speciesById } from "@/catalogue/catalogue";
import { daysBetween } from "@/core/calendar/day";
import { seasonOf } from "@/core/climate/season";
import { type Row, refuse } from "@/db/journal";
import { type Context, command, nextCode } from "../command";
import { count, day, id, seedAmount, version } from "../fields";
import { nextGenerationOf, planCross } from "./plan";
import { type CrossRow, crossById, type Fault, type Flower, flowersOfCross } from "./queries";

function openCross({ db }: Context, crossId: number): CrossRow {
  const cross = crossById(db, crossId) ?? refuse("crossId", "That cross does not exist.");
  if (cross.closed) refuse("crossId", `${cross.code} is closed. Open it again first.`);
  return cross;
}

const notAhead = (on: string, today: string) => {
  if (on > today) refuse("on", "That day is still to come.");
};

type CoverFlowers = { crossId: number; flowers: number; on?: string };

const coverFlowers = command<CoverFlowers>({
  name: "flower.cover",
  schema: Joi.object<CoverFlowers>({
    crossId: id().required(),
    flowers: count("Flowers", 200).required(),
    on: day("Evening"),
  }),
  run(context, { crossId, flowers, on = context.today }) {
    const cross = openCross(context, crossId);
    notAhead(on, context.today);
    if (on < cross.motherSown) refuse("on", `The mother was sown on ${cross.motherSown}; she had no flowers that day.`);
    const last = flowersOfCross(context.db, crossId).at(-1)?.number ?? 0;
    const ids = Array.from({ length: flowers }, (_, i) =>
      context.write.insert("flower", { crossId, number: last + i + 1, state: "covered", coveredOn: on }),
    );
    return { message: `${cross.code}: ${flowers} ${flowers === 1 ? "flower" : "flowers"} covered`, ids };
  },
});

type Result = "pollinated" | Fault | "set" | "failed";
type RecordFlowers = { crossId: number; on?: string; males: number; results: { id: number; result: Result }[] };

const FAULTS: Record<Fault, string> = { "found-open": "found open", limp: "limp", "torn-bag": "bag torn" };

/** The columns that a result writes, checked against the flower's state and the protocol's days. */
function patchFor(cross: CrossRow, flower: Flower, result: Result, on: string, males: number): Row {
  const wrongState = (wanted: string) =>
    refuse(
      "results",
      `Flower ${flower.number} of ${cross.code} is ${flower.state}; only a ${wanted} one can be recorded so.`,
    );
  if (result === "set" || result === "failed") {
    if (flower.state !== "pollinated") wrongState("pollinated");
    if (on < flower.pollinatedOn!)
      refuse("on", `Flower ${flower.number} was pollinated on ${flower.pollinatedOn}, after that day.`);
    return { state: result, checkedOn: on };
  }
  if (result !== "pollinated") {
    if (flower.state !== "covered" && flower.state !== "pollinated") wrongState("covered or waiting");
    return { state: "unusable", fault: result, checkedOn: on };
  }
  if (flower.state !== "covered") wrongState("covered");
  const step = protocolOf(speciesById(cross.species))?.steps.find((s) => s.action === "pollinate");
  const waited = daysBetween(flower.coveredOn, on);
  if (step && waited < step.after.low)
    refuse(
      "on",
      `Flower ${flower.number} was covered on ${flower.coveredOn}; it is ready ${step.after.low === 1 ? "the morning after" : `after ${step.after.low} days`}.`,
    );
  if (step && waited > step.after.high)
    refuse("on", `Flower ${flower.number} was covered ${waited} days before and is past it. Record it as limp.`);
  return { state: "pollinated", pollinatedOn: on, males };
}

const recordFlowers = command<RecordFlowers>({
  name: "flower.record",
  schema: Joi.object<RecordFlowers>({
    crossId: id().required(),
    on: day("Day"),
    males: count("Male flowers", 50).default(1),
    results: Joi.array()
      .items(
        Joi.object({
          id: id().required(),
          result: Joi.string().valid("pollinated", "found-open", "limp", "torn-bag", "set", "failed").required(),
        }),
      )
      .min(1)
      .max(500)
      .unique("id")
      .required()
      .label("Flowers"),
  }),
  run(context, { crossId, on = context.today, males, results }) {
    const cross = openCross(context, crossId);
    notAhead(on, context.today);
    const flowers = new Map(flowersOfCross(context.db, crossId).map((f) => [f.id, f]));
    const counts = new Map<string, number>();
    for (const { id: flowerId, result } of results) {
      const flower = flowers.get(flowerId) ?? refuse("results", `${cross.code} has no such flower.`);
      context.write.update("flower", flowerId, patchFor(cross, flower, result, on, males));
      const word = FAULTS[result as Fault] ? `unusable (${FAULTS[result as Fault]})` : result;
      counts.set(word, (counts.get(word) ?? 0) + 1);
    }
    const words = [...counts].map(([word, n]) => `${n} ${word}`).join(", ");
    return { message: `${cross.code}: ${words}`, ids: results.map((r) => r.id) };
  },
});

type Harvest = { crossId: number; fruits: number; on?: string; seeds?: number; mass?: number };

const harvestCross = command<Harvest>({
  name: "cross.harvest",
  schema: Joi.object<Harvest>({
    crossId: id().required(),
    fruits: count("Fruits", 10_000).required(),
    on: day("Day"),
    ...seedAmount,
  }),
  run(context, { crossId, fruits, on = context.today, seeds, mass }) {
    const { db, write, garden } = context;
    const cross = openCross(context, crossId);
    notAhead(on, context.today);
    if (!seeds && !mass) refuse("seeds", "Count the seeds or weigh them.");
    const ready = flowersOfCross(db, crossId).filter((f) => f.state === "set");
    if (fruits > ready.length)
      refuse(
        "fruits",
        `${cross.code} has ${ready.length} set ${ready.length === 1 ? "fruit" : "fruits"} waiting; ${fruits} can't be brought in.`,
      );
    const taken = ready.slice(0, fruits);
    const early = taken.find((f) => on <= f.pollinatedOn!);
    if (early)
      refuse("on", `Flower ${early.number} was pollinated on ${early.pollinatedOn}; its fruit can't be ripe that day.`);
    const code = nextCode(db, "lot", seasonOf(on, garden.latitude));
    const lotId = write.insert("lot", {
      code,
      lineId: cross.lineId,
      kind: cross.kind,
      generation: cross.generation,
      crossId,
      motherStandId: cross.motherStandId,
      motherPlantId: cross.motherPlantId,
      gathered: on,
      fruits,
      seeds: seeds ?? null,
      mass: mass ?? null,
    });
    for (const flower of taken) write.update("flower", flower.id, { state: "harvested", lotId });
    const { daysToRipe } = speciesById(cross.species);
    const waited = Math.min(...taken.map((f) => daysBetween(f.pollinatedOn!, on)));
    return {
      message: `Lot ${code}: ${fruits} ${fruits === 1 ? "fruit" : "fruits"} of ${cross.code}`,
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

type AdjustCross = { id: number; version: number; fruitsWanted: number; closed: number };

const adjustCross = command<AdjustCross>({
  name: "cross.adjust",
  schema: Joi.object<AdjustCross>({
    id: id().required(),
    version: version().required(),
    fruitsWanted: count("Fruits wanted", 10_000).required(),
    closed: Joi.number().valid(0, 1).required().label("Closed"),
  }),
  run({ db, write }, { id: crossId, version: seen, ...input }) {
    const cross = crossById(db, crossId) ?? refuse("id", "That cross does not exist.");
    write.update("cross", crossId, input, seen);
    return {
      message: `${cross.code}: ${input.fruitsWanted} fruits wanted${input.closed ? ", closed" : ""}`,
      id: crossId,
    };
  },
});

export const crossCommands = [planCross, nextGenerationOf, coverFlowers, recordFlowers, harvestCross, adjustCross];
