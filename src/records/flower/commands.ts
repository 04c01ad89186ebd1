import Joi from "joi";
import { methodsOf, protocolById, speciesById } from "@/catalogue/catalogue";
import type { Id } from "@/core/custody/id";
import { type Protocol, STAGES, type Stage, type StepAction } from "@/core/pollination/protocol";
import { type FlowerOnDay, refusalOf } from "@/core/pollination/steps";
import { BEFORE_POLLEN, DEAD, FAULTS, type Fault, isFault, UNDER_WAY } from "@/core/pollination/tally";
import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { candidateList, writeCandidates } from "../candidate/commands";
import { type Context, command } from "../command";
import { cross as crossRecord } from "../cross/cross";
import { type CrossRow, crossById } from "../cross/queries";
import { notAhead } from "../facts";
import { plantById } from "../plant/queries";
import { count, day, given, hour, type Patch, ref } from "../record";
import { idList, idOf, words as wordsOf } from "../schema";
import { type Flower, flower as flowerRecord } from "./flower";
import { type FlowerUnderWay, flowersOfCross } from "./queries";

type FlowerPatch = Patch<typeof flowerRecord>;

export function openCross({ db }: Pick<Context, "db">, crossId: Id): CrossRow {
  const cross = crossById(db, crossId) ?? refuse("crossId", "That cross does not exist.");
  if (cross.closed) refuse("crossId", `${cross.code} is closed. Open it again first.`);
  return cross;
}

/** How a cross's flowers are done: as chosen with it, else the usual way of its mother's species and line. */
export function protocolOfCross(cross: Pick<CrossRow, "method" | "species" | "kind" | "motherAnthers">): Protocol {
  if (cross.method) return protocolById(cross.method);
  const species = speciesById(cross.species);
  const [usual] = methodsOf(species, cross.kind === "self", cross.motherAnthers);
  return usual ?? protocolById(species.methods[0]!);
}

/** A flower as the engine of steps takes it. */
export function asFlowerOnDay(flower: FlowerUnderWay, pollinatedAt: Date | null = null): FlowerOnDay {
  const { id: flowerId, number, state, coveredOn, gatheredOn, pollinatedOn, uncoveredOn, checkedOn } = flower;
  const on: FlowerOnDay["on"] = { cover: coveredOn };
  if (gatheredOn) on.gather = gatheredOn;
  if (pollinatedOn) on.pollinate = pollinatedOn;
  if (uncoveredOn) on.uncover = uncoveredOn;
  if (checkedOn && (state === "set" || state === "harvested")) on.check = checkedOn;
  return { id: flowerId, number, state, on, pollinatedAt, passes: flower.passes, lastPass: flower.lastPass };
}

const coverFlowers = command(
  "flower.cover",
  {
    crossId: ref("cross", "Cross"),
    flowers: count("Flowers", 200),
    on: day("Evening").optional(),
    plantId: flowerRecord.columns.plantId,
    bud: flowerRecord.columns.bud,
  },
  (context, { crossId, flowers, on, plantId, bud }) => {
    const cross = openCross(context, crossId);
    if (plantId && plantById(context.db, plantId)?.standId !== cross.motherStandId)
      refuse("plantId", `That plant does not stand in ${cross.motherCode}.`);
    const last = flowersOfCross(context.db, crossId).at(-1)?.number ?? 0;
    const ids = Array.from({ length: flowers }, (_, i) =>
      context.write.insert(flowerRecord, {
        crossId,
        number: last + i + 1,
        state: "covered",
        coveredOn: on ?? context.today,
        plantId: plantId ?? cross.motherPlantId,
        bud,
      }),
    );
    const { unit } = protocolOfCross(cross);
    return { message: `${cross.code}: ${plural(flowers, unit)} covered`, ids };
  },
);

/** What can be found of a flower: the next step done, how it ended, or a fault. */
const RESULTS = ["gathered", "pollinated", "uncovered", "set", "failed", "lost", ...FAULTS] as const;
export type Result = (typeof RESULTS)[number];

type Recorded = { id: Id; result: Result; bud?: Stage; why?: string; note?: string };
/** The step that a result completes. */
const STEP_OF: Partial<Record<Result, StepAction>> = {
  gathered: "gather",
  pollinated: "pollinate",
  uncovered: "uncover",
  set: "check",
  failed: "check",
};

const FAULT_WORDS: Record<Fault, string> = {
  "found-open": "found open",
  limp: "limp",
  "torn-bag": "bag torn",
  "wrong-father": "wrong father",
  unsure: "unsure",
};

/** Faults that need a pollination to speak of. */
const AFTER_POLLEN: ReadonlySet<Fault> = new Set(["wrong-father", "unsure"]);

type Told = { cross: CrossRow; protocol: Protocol; on: string; at: string | undefined; males: number };

/** A fault: a flower not yet pollinated is given up, a pollinated one keeps the fault and goes on. */
function faultPatch({ cross, on }: Told, flower: Flower, fault: Fault): FlowerPatch {
  if (BEFORE_POLLEN.has(flower.state)) {
    if (AFTER_POLLEN.has(fault))
      refuse(
        "results",
        `Flower ${flower.number} of ${cross.code} was not pollinated; it can't be ${FAULT_WORDS[fault]}.`,
      );
    return { state: "unusable", fault, checkedOn: on };
  }
  if (flower.state !== "pollinated" && flower.state !== "uncovered" && flower.state !== "set")
    refuse(
      "results",
      `Flower ${flower.number} of ${cross.code} is ${flower.state}; no fault can be written on it any more.`,
    );
  return { fault };
}

function lostPatch({ cross }: Told, flower: Flower, why: string | undefined): FlowerPatch {
  if (!UNDER_WAY.has(flower.state))
    refuse("results", `Flower ${flower.number} of ${cross.code} is ${flower.state}; it can't be lost.`);
  return { state: "lost", lostWhy: why ?? refuse("results", "Say why it was lost.") };
}

/** The same thing told twice, by two phones or two presses, is told once. */
function toldBefore({ on }: Told, flower: Flower, result: Result): boolean {
  if (result === "pollinated") return flower.lastPass === on && flower.state === "pollinated";
  const day = {
    gathered: flower.gatheredOn,
    uncovered: flower.uncoveredOn,
    set: flower.checkedOn,
    failed: flower.checkedOn,
  };
  return flower.state === result && (result === "lost" || day[result as keyof typeof day] === on);
}

/** The columns that a result writes, checked against the flower's state and the protocol's days. */
function patchFor(told: Told, flower: Flower, { result, bud, why }: Recorded): FlowerPatch {
  const { cross, protocol, on, at, males } = told;
  if (toldBefore(told, flower, result)) return {};
  if (isFault(result)) return faultPatch(told, flower, result);
  if (result === "lost") return lostPatch(told, flower, why);
  const refusal = refusalOf(protocol, asFlowerOnDay(flower), STEP_OF[result]!, on);
  const over = DEAD.has(flower.state);
  if (refusal || over)
    refuse(
      refusal?.byDay && !over ? "on" : "results",
      `Flower ${flower.number} of ${cross.code} ${over ? `is ${flower.state} already` : refusal!.words}.`,
    );
  if (result === "gathered") return { state: result, gatheredOn: on };
  if (result === "uncovered") return { state: result, uncoveredOn: on };
  if (result === "pollinated")
    return {
      state: result,
      pollinatedOn: flower.pollinatedOn ?? on,
      pollinatedAt: flower.pollinatedAt ?? at ?? null,
      passes: flower.passes + 1,
      lastPass: on,
      males,
      bud: bud ?? flower.bud,
    };
  // Where the protocol has no step of its own for it, the cover comes off when the fruit is looked at.
  return { state: result, checkedOn: on, uncoveredOn: flower.uncoveredOn ?? on };
}

const RESULT_LIST = Joi.array()
  .items(
    Joi.object({
      id: idOf().required(),
      result: Joi.string()
        .valid(...RESULTS)
        .required(),
      bud: Joi.string().valid(...STAGES),
      why: wordsOf(200).min(1).label("Why"),
      note: wordsOf(500).allow("").label("Note"),
    }),
  )
  .min(1)
  .max(500)
  .unique("id");

const recordFlowers = command(
  "flower.record",
  {
    crossId: ref("cross", "Cross"),
    on: day("Day").optional(),
    at: hour("Hour").optional(),
    males: count("Male flowers", 1000).or(1),
    fathers: candidateList("Fathers").or([]),
    results: given<Recorded[]>("Flowers", RESULT_LIST),
  },
  (context, { crossId, on: told, at, males, fathers, results }) => {
    const on = told ?? context.today;
    const cross = openCross(context, crossId);
    notAhead(context, on);
    const step = { cross, protocol: protocolOfCross(cross), on, at: at ?? undefined, males };
    const flowers = new Map(flowersOfCross(context.db, crossId).map((f) => [f.id, f]));
    const counts = new Map<string, number>();
    for (const recorded of results) {
      const { id: flowerId, result, note } = recorded;
      const flower = flowers.get(flowerId) ?? refuse("results", `${cross.code} has no such flower.`);
      const patch = patchFor(step, flower, recorded);
      context.write.update(flowerRecord, flowerId, note ? { ...patch, note } : patch);
      if (fathers.length > 0) writeCandidates(context, "flower", flowerId, "father", fathers);
      const fault = isFault(result) ? FAULT_WORDS[result] : null;
      const word = fault ? (patch.state === "unusable" ? `unusable (${fault})` : `in doubt (${fault})`) : result;
      counts.set(word, (counts.get(word) ?? 0) + 1);
    }
    // Tassels are bagged for all the ears at once.
    if (results.some(({ result }) => result === "gathered"))
      context.write.update(crossRecord, crossId, { males, malesOn: on, fetchedOn: null });
    const words = [...counts].map(([word, n]) => `${n} ${word}`).join(", ");
    return { message: `${cross.code}: ${words}`, ids: results.map((r) => r.id) };
  },
);

/** Flowers and fruits that were not seen to in their time, of whatever crosses: written down once, all together. */
const missedFlowers = command(
  "flower.missed",
  { flowerIds: given<Id[]>("Flowers", idList(500).min(1)) },
  (context, { flowerIds }) => {
    const crosses = new Map<Id, CrossRow>();
    for (const flowerId of flowerIds) {
      const flower =
        context.write.read(flowerRecord, flowerId) ?? refuse("flowerIds", "One of these flowers does not exist.");
      const cross = crosses.get(flower.crossId) ?? openCross(context, flower.crossId);
      crosses.set(cross.id, cross);
      if (!UNDER_WAY.has(flower.state))
        refuse("flowerIds", `Flower ${flower.number} of ${cross.code} is ${flower.state}; it was not missed.`);
      context.write.update(
        flowerRecord,
        flowerId,
        BEFORE_POLLEN.has(flower.state)
          ? { state: "unusable", fault: "limp", checkedOn: context.today }
          : { state: "lost", lostWhy: "not seen to" },
      );
    }
    const of = plural(crosses.size, "cross", "crosses");
    return { message: `${plural(flowerIds.length, "flower")} of ${of} written down as missed`, ids: flowerIds };
  },
);

export const flowerCommands = [coverFlowers, recordFlowers, missedFlowers] as const;
