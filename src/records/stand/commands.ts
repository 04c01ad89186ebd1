import Joi from "joi";
import { speciesById } from "@/catalogue/catalogue";
import { addDays, dayInWords } from "@/core/calendar/day";
import { seasonOf } from "@/core/climate/season";
import { seedsInLot } from "@/core/custody/generation";
import { flowering } from "@/core/flowering/forecast";
import type { FlowerCare } from "@/core/isolation/clashes";
import type { RemedyChange } from "@/core/isolation/remedies";
import { type Row, refuse } from "@/db/journal";
import { type Context, command, nextCode } from "../command";
import { count, day, id, version } from "../fields";
import { bedById } from "../garden/queries";
import { lineById } from "../line/queries";
import { lotById } from "../lot/queries";
import { type StandRow, standById } from "./queries";

/** A stand that must exist. */
export function existingStand({ db }: Pick<Context, "db">, stand: number, field: string): StandRow {
  return standById(db, stand) ?? refuse(field, "That stand does not exist.");
}

/** The season in which a stand flowers for seed: a crop of the second year belongs to that year. */
const floweringSeason = (species: string, sown: string, latitude: number) =>
  seasonOf(flowering(sown, speciesById(species)).start, latitude);

type AddStand = {
  lineId: number;
  lotId?: number;
  bedId?: number;
  sown: string;
  sowedSeeds?: number;
  plants?: number;
  family: boolean;
  seedWanted: number;
};

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
  }),
  run(context, { family, ...input }) {
    const { db, write, garden } = context;
    const line = lineById(db, input.lineId) ?? refuse("lineId", "That line does not exist.");
    if (input.bedId && !bedById(db, input.bedId)) refuse("bedId", "That bed does not exist.");
    // A bought hybrid is itself the F1.
    const grown = line.status === "f1-hybrid" ? 1 : null;
    const generation = input.lotId ? checkLot(context, { family, ...input }) : grown;
    if (input.plants && input.sowedSeeds && input.plants > input.sowedSeeds)
      refuse("plants", `${input.plants} plants can't stand from ${input.sowedSeeds} seeds.`);
    if (family && (input.plants ?? 0) > 2000) refuse("plants", "At most 2000 plants of one family carry numbers.");
    const season = floweringSeason(line.species, input.sown, garden.latitude);
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
};

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
  }),
  run(context, { id: standId, version: seen, ...input }) {
    const { db, write, today, garden } = context;
    const stand = existingStand(context, standId, "id");
    if (input.bedId && !bedById(db, input.bedId)) refuse("bedId", "That bed does not exist.");
    checkCounts(stand, { id: standId, version: seen, ...input });
    checkDays(stand, { id: standId, version: seen, ...input }, today);
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
        season: floweringSeason(stand.species, input.sown, garden.latitude),
        sowedSeeds: input.sowedSeeds ?? null,
        cameUp: input.cameUp ?? null,
        plants: input.plants ?? null,
        firstFlower: input.firstFlower ?? null,
        flowers: input.flowers,
        seedWanted: input.seedWanted,
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

/** Applies one way out of a clash. Refused when it no longer fits what is sown. */
const applyRemedy = command<RemedyChange>({
  name: "stand.remedy",
  schema: Joi.object<RemedyChange>({
    kind: Joi.string().valid("resow", "move", "flowers", "another-year").required(),
    standId: id().required(),
    sown: day("Sown on").when("kind", { not: "resow", otherwise: Joi.required() }),
    bedId: id().when("kind", { not: "move", otherwise: Joi.required() }),
    flowers: Joi.string()
      .valid("open", "covered", "hand", "removed")
      .when("kind", { not: "flowers", otherwise: Joi.required() }),
  } as Record<string, Joi.Schema>),
  run(context, change) {
    const { db, write, garden } = context;
    const stand = existingStand(context, change.standId, "standId");
    const patches: Record<RemedyChange["kind"], () => Row> = {
      resow: () => {
        const { sown } = change as Extract<RemedyChange, { kind: "resow" }>;
        return { sown, season: floweringSeason(stand.species, sown, garden.latitude), firstFlower: null };
      },
      move: () => {
        const { bedId } = change as Extract<RemedyChange, { kind: "move" }>;
        if (!bedById(db, bedId)) refuse("bedId", "That bed does not exist.");
        return { bedId };
      },
      flowers: (): Row => {
        const { flowers } = change as Extract<RemedyChange, { kind: "flowers" }>;
        return flowers === "removed" ? { flowers, seedWanted: 0 } : { flowers };
      },
      "another-year": () => ({ seedWanted: 0 }),
    };
    write.update("stand", stand.id, patches[change.kind]());
    return { message: `Way out taken for ${stand.code} ${stand.lineName}`, id: stand.id };
  },
});

export const standCommands = [addStand, changeStand, observeFlower, applyRemedy];
