import Joi from "joi";
import { speciesById } from "@/catalogue/catalogue";
import { addDays, dayInWords } from "@/core/calendar/day";
import { seasonOf } from "@/core/climate/season";
import { seedsInLot } from "@/core/custody/generation";
import type { Overwintering, Sowing } from "@/core/flowering/forecast";
import type { Change } from "@/core/isolation/change";
import type { Cover, FlowerCare } from "@/core/isolation/scene";
import { onlyFor } from "@/core/methods";
import { type Row, refuse } from "@/db/journal";
import { type Context, command, nextCode } from "../command";
import { count, day, id, version } from "../fields";
import { bedById } from "../garden/queries";
import { lineById } from "../line/queries";
import { lotById } from "../lot/queries";
import { forecaster } from "./forecast";
import { type StandRow, standById } from "./queries";

/** A stand that must exist. */
export function existingStand({ db }: Pick<Context, "db">, stand: number, field: string): StandRow {
  return standById(db, stand) ?? refuse(field, "That stand does not exist.");
}

/** The season in which a stand flowers for seed: a crop of the second year belongs to that year. */
export const floweringSeason = ({ db, garden }: Context, stand: Sowing & { lineId: number; species: string }) =>
  seasonOf(forecaster(db).of({ ...stand, firstFlower: null }).start, garden.latitude);

/** How a stand is planted and kept through the winter. */
type Planting = { plantedOut?: string; overwinter?: Overwintering; spacing?: number; rowCount?: number };
const plantingFields = {
  plantedOut: day("Planted out"),
  overwinter: Joi.string().valid("lifted", "left", "late-sown").label("Over winter"),
  spacing: Joi.number().min(0.01).max(20).label("Between plants"),
  rowCount: count("Rows", 1000),
};

function checkPlanting(input: Planting & { sown: string; plants?: number }, species: string): void {
  if (input.plantedOut && input.plantedOut < input.sown)
    refuse("plantedOut", "It can't be planted out before it was sown.");
  if (input.overwinter && !speciesById(species).cold)
    refuse("overwinter", "This species flowers in its first year; no winter stands between.");
  if (input.rowCount && input.plants && input.rowCount > input.plants)
    refuse("rowCount", `${input.plants} plants can't stand in ${input.rowCount} rows.`);
}

type AddStand = {
  lineId: number;
  lotId?: number;
  bedId?: number;
  sown: string;
  sowedSeeds?: number;
  plants?: number;
  family: boolean;
  seedWanted: number;
} & Planting;

/** The line, generation and age of a lot that is sown, checked against what is left of it. */
function checkLot(context: Context, input: AddStand): number | null {
  if (!input.lotId) return null;
  const lot = lotById(context.db, input.lotId) ?? refuse("lotId", "That lot does not exist.");
  if (lot.lineId !== input.lineId) refuse("lotId", `Lot ${lot.code} is seed of ${lot.lineName}, not of this line.`);
  if (input.sown < lot.gathered)
    refuse("sown", `Lot ${lot.code} was gathered on ${lot.gathered}; it can't be sown before.`);
  if (!input.sowedSeeds) return refuse("sowedSeeds", "Say how many seeds of the lot are sown.");
  const amount = seedsInLot(lot.seeds, lot.mass, speciesById(lot.species).seedsPerGram);
  const left = amount.high - lot.sowedSeeds;
  if (input.sowedSeeds > left)
    refuse(
      "sowedSeeds",
      `Lot ${lot.code} holds ${Math.max(0, left)} seeds more${amount.counted ? "" : " at the most, by its mass"}; ${input.sowedSeeds} can't be sown from it.`,
    );
  return lot.generation;
}

const addStand = command<AddStand>({
  name: "stand.add",
  schema: Joi.object<AddStand>({
    lineId: id().required().label("Line"),
    lotId: id().label("Lot"),
    bedId: id().label("Bed"),
    sown: day("Sown on").required(),
    sowedSeeds: count("Seeds sown"),
    plants: count("Plants", 100_000),
    family: Joi.boolean().default(false).label("Number the plants"),
    seedWanted: Joi.number().valid(0, 1).default(1).label("Grown for seed"),
    ...plantingFields,
  }),
  run(context, { family, ...input }) {
    const { db, write } = context;
    const line = lineById(db, input.lineId) ?? refuse("lineId", "That line does not exist.");
    if (input.bedId && !bedById(db, input.bedId)) refuse("bedId", "That bed does not exist.");
    // A bought hybrid is itself the F1.
    const grown = line.status === "f1-hybrid" ? 1 : null;
    const generation = input.lotId ? checkLot(context, { family, ...input }) : grown;
    if (input.plants && input.sowedSeeds && input.plants > input.sowedSeeds)
      refuse("plants", `${input.plants} plants can't stand from ${input.sowedSeeds} seeds.`);
    if (family && (input.plants ?? 0) > 2000) refuse("plants", "At most 2000 plants of one family carry numbers.");
    checkPlanting(input, line.species);
    const season = floweringSeason(context, { ...input, species: line.species });
    const code = nextCode(db, family ? "family" : "stand", season);
    const made = write.insert("stand", { code, ...input, season, generation });
    if (family) numberPlants(context, made, 0, input.plants ?? 0);
    const hybrid = line.status === "f1-hybrid" && line.school === "keep-pure" && input.seedWanted === 1;
    return {
      message: `${code} ${line.name} ${input.plants ? `planted, ${input.plants} plants` : "sown"}`,
      id: made,
      warnings: hybrid ? ["This line is an F1 hybrid: seed saved from it as if pure will not come true."] : [],
    };
  },
});

function numberPlants({ write }: Context, standId: number, from: number, to: number): void {
  for (let number = from + 1; number <= to; number++) write.insert("plant", { standId, number });
}

type ChangeStand = {
  id: number;
  version: number;
  bedId?: number;
  sown: string;
  sowedSeeds?: number;
  cameUp?: number;
  plants?: number;
  firstFlower?: string;
  flowers: FlowerCare;
  seedWanted: number;
  cover?: Cover;
  removeEvery?: number;
  saveFrom?: number;
} & Planting;

function checkCounts(stand: StandRow, input: ChangeStand): void {
  const { sowedSeeds, cameUp, plants } = input;
  if (cameUp !== undefined && sowedSeeds !== undefined && cameUp > sowedSeeds)
    refuse("cameUp", `${cameUp} can't come up from ${sowedSeeds} seeds.`);
  if (cameUp !== undefined && sowedSeeds === undefined) refuse("sowedSeeds", "Say how many seeds were sown.");
  if (plants !== undefined && cameUp !== undefined && plants > cameUp)
    refuse("plants", `${plants} can't be planted: only ${cameUp} came up.`);
  if ((plants ?? 0) < stand.numbered) refuse("plants", `${stand.numbered} plants carry numbers already.`);
}

function checkDays(stand: StandRow, input: ChangeStand, today: string): void {
  if (!input.firstFlower) return;
  if (input.firstFlower <= input.sown) refuse("firstFlower", "A stand can't flower before it was sown.");
  if (input.firstFlower > today) refuse("firstFlower", "That day is still to come.");
  const { daysToFlower } = speciesById(stand.species);
  const latest = addDays(input.sown, daysToFlower.high * 2);
  if (input.firstFlower > latest)
    refuse("firstFlower", `That is more than twice the usual wait from sowing. Check the day, or the sowing day.`);
}

const changeStand = command<ChangeStand>({
  name: "stand.change",
  schema: Joi.object<ChangeStand>({
    id: id().required(),
    version: version().required(),
    bedId: id().label("Bed"),
    sown: day("Sown on").required(),
    sowedSeeds: count("Seeds sown"),
    cameUp: Joi.number().integer().min(0).max(1_000_000).label("Came up"),
    plants: Joi.number().integer().min(0).max(100_000).label("Planted"),
    firstFlower: day("First flower"),
    flowers: Joi.string().valid("open", "covered", "hand", "removed").required().label("Flowers"),
    seedWanted: Joi.number().valid(0, 1).required().label("Grown for seed"),
    cover: Joi.string().valid("bags", "cage", "alternate-cages").label("Covered with"),
    removeEvery: Joi.number().integer().min(1).max(30).label("Flowers off every"),
    saveFrom: count("Seed only from", 100_000),
    ...plantingFields,
  }),
  run(context, { id: standId, version: seen, ...input }) {
    const { db, write, today } = context;
    const stand = existingStand(context, standId, "id");
    if (input.bedId && !bedById(db, input.bedId)) refuse("bedId", "That bed does not exist.");
    checkCounts(stand, { id: standId, version: seen, ...input });
    checkDays(stand, { id: standId, version: seen, ...input }, today);
    checkPlanting(input, stand.species);
    if (input.saveFrom && input.saveFrom > (input.plants ?? 0))
      refuse("saveFrom", `Only ${input.plants ?? 0} plants stand there.`);
    if (stand.lotId && (input.sown !== stand.sown || input.sowedSeeds !== stand.sowedSeeds)) {
      const rest = { lineId: stand.lineId, lotId: stand.lotId, family: false, seedWanted: 1 };
      const lot = lotById(db, stand.lotId)!;
      const others = lot.sowedSeeds - (stand.sowedSeeds ?? 0);
      const amount = seedsInLot(lot.seeds, lot.mass, speciesById(lot.species).seedsPerGram);
      if (input.sown < lot.gathered) checkLot(context, { ...rest, sown: input.sown, sowedSeeds: 1 });
      if ((input.sowedSeeds ?? 0) + others > amount.high)
        refuse("sowedSeeds", `Lot ${lot.code} held ${amount.high} seeds; ${others} are sown elsewhere.`);
    }
    write.update(
      "stand",
      standId,
      {
        bedId: input.bedId ?? null,
        sown: input.sown,
        season: floweringSeason(context, { ...stand, plantedOut: null, overwinter: null, ...input }),
        sowedSeeds: input.sowedSeeds ?? null,
        cameUp: input.cameUp ?? null,
        plants: input.plants ?? null,
        firstFlower: input.firstFlower ?? null,
        flowers: input.flowers,
        seedWanted: input.seedWanted,
        cover: input.flowers === "covered" ? (input.cover ?? "cage") : null,
        removeEvery: input.flowers === "removed" ? (input.removeEvery ?? null) : null,
        saveFrom: input.saveFrom ?? null,
        plantedOut: input.plantedOut ?? null,
        overwinter: input.overwinter ?? null,
        spacing: input.spacing ?? null,
        rowCount: input.rowCount ?? null,
      },
      seen,
    );
    if (stand.code.startsWith("F")) numberPlants(context, standId, stand.numbered, input.plants ?? stand.numbered);
    return { message: `${stand.code} ${stand.lineName} changed`, id: standId };
  },
});

type Observe = { id: number; firstFlower: string };

const observeFlower = command<Observe>({
  name: "stand.first-flower",
  schema: Joi.object<Observe>({ id: id().required(), firstFlower: day("First flower").required() }),
  run(context, input) {
    const stand = existingStand(context, input.id, "id");
    checkDays(stand, { ...stand, ...input } as unknown as ChangeStand, context.today);
    context.write.update("stand", input.id, { firstFlower: input.firstFlower });
    return { message: `${stand.code} ${stand.lineName}: first flower ${dayInWords(input.firstFlower)}`, id: input.id };
  },
});

type ApplyRemedy = { changes: Change[]; season: number };

/** The patch of each kind of change; refused when what it names is not there any more. */
function patchFor(context: Context, stand: StandRow, change: Exclude<Change, { kind: "agree" }>): Row {
  switch (change.kind) {
    case "resow": {
      const sowing = { ...stand, sown: change.sown, plantedOut: null, firstFlower: null };
      const season = floweringSeason(context, sowing);
      return { sown: change.sown, season, firstFlower: null, plantedOut: null };
    }
    case "move":
      if (!bedById(context.db, change.bedId)) refuse("bedId", "That bed does not exist.");
      return { bedId: change.bedId };
    case "thicken":
      if (stand.cameUp !== null && change.plants > stand.cameUp)
        refuse("plants", `Only ${stand.cameUp} came up; ${change.plants} can't be planted.`);
      return { plants: change.plants };
    case "save-from":
      if (change.plants > (stand.plants ?? 0)) refuse("plants", `Only ${stand.plants ?? 0} plants stand there.`);
      return { saveFrom: change.plants };
    case "cover":
      return { flowers: "covered", cover: change.cover, removeEvery: null };
    case "hand":
      return { flowers: "hand", cover: null, removeEvery: null };
    case "remove":
      return { flowers: "removed", cover: null, removeEvery: change.every, seedWanted: 0 };
    case "not-this-year":
      return { flowers: "removed", cover: null, removeEvery: null, seedWanted: 0 };
  }
}

const changeSchema = Joi.object({
  kind: Joi.string()
    .valid("resow", "move", "thicken", "save-from", "cover", "hand", "remove", "agree", "not-this-year")
    .required(),
  standId: onlyFor(["resow", "move", "thicken", "save-from", "cover", "hand", "remove", "not-this-year"], id()),
  sourceId: onlyFor(["agree"], id()),
  sown: onlyFor(["resow"], day("Sown on")),
  bedId: onlyFor(["move"], id()),
  plants: onlyFor(["thicken", "save-from"], count("Plants", 100_000)),
  cover: onlyFor(["cover"], Joi.string().valid("bags", "cage", "alternate-cages")),
  every: onlyFor(["remove"], Joi.number().integer().min(1).max(30)),
});

/** Applies a way out, or an arranged season: all its changes or none, one entry to undo. */
const applyRemedy = command<ApplyRemedy>({
  name: "stand.remedy",
  schema: Joi.object<ApplyRemedy>({
    changes: Joi.array().items(changeSchema).min(1).max(500).required(),
    season: Joi.number().integer().min(1990).max(2100).required(),
  }),
  run(context, { changes, season }) {
    const { write } = context;
    const names = new Set<string>();
    for (const change of changes) {
      if (change.kind === "agree") {
        write.update("source", change.sourceId, { agreedSeason: season });
        names.add(String(write.read("source", change.sourceId)!.name));
        continue;
      }
      const stand = existingStand(context, change.standId, "standId");
      write.update("stand", stand.id, patchFor(context, stand, change));
      names.add(`${stand.code} ${stand.lineName}`);
    }
    const listed = [...names];
    const [only] = changes;
    if (changes.length === 1 && only?.kind === "resow")
      return { message: `${listed[0]}: sowing moved to ${dayInWords(only.sown)}`, id: only.standId };
    return {
      message: `Way out taken for ${listed.slice(0, 3).join(", ")}${listed.length > 3 ? ` and ${listed.length - 3} more` : ""}`,
    };
  },
});

export const standCommands = [addStand, changeStand, observeFlower, applyRemedy];
