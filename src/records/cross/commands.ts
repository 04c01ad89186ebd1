import { speciesById } from "@/catalogue/catalogue";
import { daysBetween } from "@/core/calendar/day";
import { seasonOf } from "@/core/climate/season";
import type { Id } from "@/core/custody/id";
import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { writeCandidates } from "../candidate/commands";
import { candidatesOf, candidatesOfFlowers } from "../candidate/queries";
import { nextCode } from "../code";
import { type Context, command } from "../command";
import { notAhead } from "../facts";
import { openCross, protocolOfCross } from "../flower/commands";
import { type Flower, flower } from "../flower/flower";
import { flowersOfCross } from "../flower/queries";
import { lot } from "../lot/lot";
import { choice, count, day, given, type New, ref, seen, yesNo } from "../record";
import { idList } from "../schema";
import { importBook } from "./bookImport";
import { cross as crossRecord } from "./cross";
import { nextGenerationOf, planCross, planPairs } from "./plan";
import { type CrossRow, crossById } from "./queries";
import { cutBack, sowAgain, sowOn } from "./sow";

/** Half and half, where nobody has said more: the father that was meant, or a stranger. */
const UNSAID = 0.5;

/**
 * What a lot of fruit with a fault is: open-pollinated seed of the mother's line, which names the cross and the doubt,
 * with whoever may have been the father in shares, the fruits counting alike.
 */
function doubtfulLot(
  context: Context,
  cross: CrossRow,
  taken: Flower[],
): { row: Pick<New<typeof lot>, "lineId" | "kind" | "generation" | "doubt">; fathers: Map<string, number> } {
  const told = candidatesOfFlowers(context.db, cross.id);
  const meant = candidatesOf(context.db, "cross", cross.id);
  const pollen = meant.length ? meant : [{ standId: cross.fatherStandId, plantId: cross.fatherPlantId, share: 1 }];
  const fathers = new Map<string, number>();
  const give = (standId: Id | null, plantId: Id | null, share: number) => {
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

/** The fruits that are brought in: those that were named, or the oldest pollinations, which ripen first. */
function fruitsTaken(cross: CrossRow, ready: Flower[], fruits: number | null, named: Id[], kind: string): Flower[] {
  if (named.length > 0) {
    const byId = new Map(ready.map((f) => [f.id, f]));
    return named.map(
      (id) => byId.get(id) ?? refuse("flowerIds", `One of these is no set fruit ${kind} of ${cross.code}.`),
    );
  }
  const wanted = fruits ?? refuse("fruits", "Say how many fruits are brought in.");
  if (wanted > ready.length)
    refuse(
      "fruits",
      `${cross.code} has ${plural(ready.length, "set fruit")} ${kind} waiting; ${wanted} can't be brought in.`,
    );
  const oldest = [...ready].sort((a, b) => (a.pollinatedOn! < b.pollinatedOn! ? -1 : 1) || a.number - b.number);
  return oldest.slice(0, wanted);
}

const harvestCross = command(
  "cross.harvest",
  {
    crossId: ref("cross", "Cross"),
    fruits: count("Fruits", 10_000).optional(),
    /** Which fruits, by their flowers; without them the oldest. */
    flowerIds: given<Id[]>("Fruits", idList(500)).or([]),
    on: day("Day").optional(),
    seeds: lot.columns.seeds,
    mass: lot.columns.mass,
    doubtful: yesNo("Fruit with a fault"),
  },
  (context, { crossId, fruits, flowerIds, on: told, seeds, mass, doubtful }) => {
    const { db, write, garden } = context;
    const on = told ?? context.today;
    const cross = openCross(context, crossId);
    const ready = flowersOfCross(db, crossId).filter((f) => f.state === "set" && (f.fault !== null) === doubtful);
    const kind = doubtful ? "with a fault" : "without a fault";
    const taken = fruitsTaken(cross, ready, fruits, flowerIds, kind);
    const early = taken.find((f) => on <= f.pollinatedOn!);
    if (early)
      refuse("on", `Flower ${early.number} was pollinated on ${early.pollinatedOn}; its fruit can't be ripe that day.`);
    const code = nextCode(context, "lot", seasonOf(on, garden.latitude));
    const doubt = doubtful ? doubtfulLot(context, cross, taken) : null;
    const lotId = write.insert(lot, {
      code,
      lineId: cross.lineId,
      kind: cross.kind,
      generation: cross.generation,
      ...doubt?.row,
      crossId,
      motherStandId: cross.motherStandId,
      motherPlantId: cross.motherPlantId,
      gathered: on,
      fruits: taken.length,
      seeds,
      mass,
      // Fruit whose seed is still in it goes to the table.
      onTable: seeds === null && mass === null ? 1 : 0,
    });
    if (doubt) {
      const shares = [...doubt.fathers].map(([key, share]) => {
        const [standId, plantId] = key.split(",").map((id) => id || null);
        return { standId: standId ?? null, plantId: plantId ?? null, share };
      });
      writeCandidates(context, "lot", lotId, "father", shares);
    }
    for (const { id } of taken) write.update(flower, id, { state: "harvested", lotId });
    const { daysToRipe } = speciesById(cross.species);
    const waited = Math.min(...taken.map((f) => daysBetween(f.pollinatedOn!, on)));
    const words = plural(taken.length, "fruit");
    return {
      message: `Lot ${code}: ${words} of ${cross.code}${doubtful ? ", kept apart: not the cross for sure" : ""}`,
      id: lotId,
      code,
      warnings:
        waited < daysToRipe.low
          ? [
              `The youngest fruit is ${waited} days old; seed is usually ripe from ${daysToRipe.low}. Let it ripen on indoors and test germination.`,
            ]
          : [],
    };
  },
);

const adjustCross = command(
  "cross.adjust",
  {
    id: ref("cross", "Cross"),
    version: seen(),
    ...crossRecord.patching("fruitsWanted", "closed", "perEvening", "method", "note", "storage", "storedOn", "overOn"),
  },
  ({ db, write }, { id, version, ...patch }) => {
    if (!crossById(db, id)) refuse("id", "That cross does not exist.");
    if (patch.storage === null) patch.storedOn = null;
    write.update(crossRecord, id, patch, version);
    const now = crossById(db, id)!;
    const words = [
      patch.overOn !== undefined ? (now.overOn ? "no more flowers" : "more flowers after all") : "",
      patch.fruitsWanted !== undefined || patch.closed !== undefined
        ? `${plural(now.fruitsWanted, "fruit")} wanted`
        : "",
      patch.closed ? "closed" : "",
      patch.method ? `method ${now.method}` : "",
      patch.perEvening ? `${now.perEvening} in an evening` : "",
      patch.note !== undefined ? (now.note ? "note kept" : "note taken away") : "",
      patch.storage !== undefined || patch.storedOn !== undefined
        ? now.storage
          ? `pollen kept, ${now.storage}`
          : "fresh pollen"
        : "",
    ].filter(Boolean);
    return { message: `${now.code}: ${words.join(", ") || "unchanged"}`, id, code: now.code };
  },
);

/** Males made ready at the father: tied while the mother's flowers are covered, or cut before they are pollinated. */
const makeMales = command(
  "cross.males",
  {
    crossId: ref("cross", "Cross"),
    step: choice("Step", ["cover", "pollinate"]),
    males: crossRecord.columns.males,
    on: day("Day").optional(),
  },
  (context, { crossId, step, males, on: told }) => {
    const on = told ?? context.today;
    const cross = openCross(context, crossId);
    notAhead(context, on);
    if (!protocolOfCross(cross).steps.find(({ action }) => action === step)?.father)
      refuse("step", "Nothing is done at the father for that step.");
    const ready = step === "cover" ? { malesOn: on, fetchedOn: null } : { fetchedOn: on };
    context.write.update(crossRecord, crossId, { ...ready, ...(males === null ? {} : { males }) });
    const many = males === null ? "" : `, ${males}`;
    return {
      message: `${cross.code}: ${cross.fatherName}, ${step === "cover" ? "made ready" : "fetched"}${many}`,
      id: crossId,
    };
  },
);

export const crossCommands = [
  makeMales,
  planCross,
  nextGenerationOf,
  planPairs,
  harvestCross,
  adjustCross,
  sowOn,
  sowAgain,
  cutBack,
  importBook,
] as const;
