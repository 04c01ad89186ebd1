import Joi from "joi";
import { dayInWords } from "@/core/calendar/day";
import { onlyFor } from "@/core/computations";
import type { Id } from "@/core/custody/id";
import type { Change } from "@/core/isolation/change";
import { Refusal, refuse } from "@/db/ops";
import { bedById } from "../bed/queries";
import { type Context, command } from "../command";
import { planOne, usualPlan } from "../cross/plan";
import { makesOwnSeed } from "../cross/queries";
import { choice, given, type Patch, ref, seen, whole } from "../record";
import { idOf, schemaOfDay } from "../schema";
import { source } from "../source/source";
import { changeStand, existingStand, isSown, moveSowing, sowAnew } from "./commands";
import { forecaster } from "./forecast";
import type { StandRow } from "./queries";
import type { stand } from "./stand";

/** What each way out changes of a stand. */
function patchFor(context: Context, change: Exclude<Change, { kind: "agree" | "resow" }>): Patch<typeof stand> {
  switch (change.kind) {
    case "move":
      if (!bedById(context.db, change.bedId)) refuse("bedId", "That bed does not exist.");
      return { bedId: change.bedId };
    case "thicken":
      return { plants: change.plants };
    case "save-from":
      return { saveFrom: change.plants };
    case "cover":
      return { flowers: "covered", cover: change.cover, mesh: change.mesh ?? null };
    case "hand":
      return { flowers: "hand" };
    case "remove":
      return { flowers: "removed", removeEvery: change.every, seedWanted: 0 };
    case "not-this-year":
      return { flowers: "removed", removeEvery: null, seedWanted: 0 };
  }
}

const OF_STANDS = ["resow", "move", "thicken", "save-from", "cover", "hand", "remove", "not-this-year"];

const changeSchema = Joi.object({
  kind: Joi.string()
    .valid(...OF_STANDS, "agree")
    .required(),
  standId: onlyFor(OF_STANDS, idOf()),
  /** The version the way out was reckoned with. */
  version: idOf(),
  sourceId: onlyFor(["agree"], idOf()),
  sown: onlyFor(["resow"], schemaOfDay()),
  bedId: onlyFor(["move"], idOf()),
  plants: onlyFor(["thicken", "save-from"], Joi.number().integer().min(1).max(100_000)),
  cover: onlyFor(["cover"], Joi.string().valid("bags", "cage", "alternate-cages")),
  mesh: Joi.string().valid("net", "cloth").when("kind", { is: "cover", otherwise: Joi.forbidden() }),
  every: onlyFor(["remove"], Joi.number().integer().min(1).max(30)),
});

/** A change with the version of the stand it was reckoned with. */
export type SeenChange = Change & { version?: Id };

/** A fruit each of so many plants, where a stand is pollinated by hand and nobody says how many. Working value. */
const BY_HAND = 12;

/** A stand that is pollinated by hand gets a plan with its flowers, unless it has one: a cross with another line gives none of its own seed. */
function planByHand(context: Context, { id, species, plants }: StandRow): void {
  if (makesOwnSeed(context.db, id)) return;
  planOne(context, forecaster(context.db, context.today), {
    ...usualPlan(species),
    motherStandId: id,
    fatherStandId: id,
    fruitsWanted: Math.min(BY_HAND, plants ?? BY_HAND),
  });
}

/** Applies a way out, or an arranged season: all its changes or none, one entry to undo. */
const applyRemedy = command(
  "stand.remedy",
  {
    changes: given<SeenChange[]>("Changes", Joi.array().items(changeSchema).min(1).max(500)),
    season: whole("Season", 1990, 2100),
  },
  (context, { changes, season }) => {
    const { write } = context;
    const names = new Set<string>();
    for (const { version, ...change } of changes as (SeenChange & Change)[]) {
      if (change.kind === "agree") {
        const found = write.read(source, change.sourceId);
        if (!found) throw new Refusal("That pollen source is not on the ground any more.");
        // He is to be asked first; what he says is written down when he has said it.
        write.update(source, change.sourceId, { askSeason: season }, version);
        names.add(found.name);
        continue;
      }
      const before = existingStand(context, change.standId, "standId");
      const again = change.kind === "resow" && isSown(context, before);
      if (again) sowAnew(context, before, change.sown, version);
      else if (change.kind === "resow") moveSowing(context, before, change.sown, version);
      else changeStand(context, before, patchFor(context, change), version);
      if (change.kind === "hand") planByHand(context, before);
      names.add(`${before.code} ${before.lineName}`);
      if (changes.length === 1 && change.kind === "resow") {
        const how = again ? "to be sown a second time on" : "sowing moved to";
        return { message: `${before.code} ${before.lineName}: ${how} ${dayInWords(change.sown)}`, id: before.id };
      }
    }
    const listed = [...names];
    return {
      message: `Way out taken for ${listed.slice(0, 3).join(", ")}${listed.length > 3 ? ` and ${listed.length - 3} more` : ""}`,
    };
  },
);

/** What came of asking a neighbour: the letter went out, he agreed for the season, or he did not. */
const askNeighbour = command(
  "source.ask",
  { id: ref("source", "Source"), version: seen(), answer: choice("Answer", ["asked", "agreed", "refused"]) },
  ({ write, today }, { id, version, answer }) => {
    const before = write.read(source, id) ?? refuse("id", "That pollen source is not on the ground any more.");
    const season = before.askSeason ?? refuse("id", "He is not to be asked any more.");
    const patch = { askedOn: before.askedOn ?? today, ...(answer === "asked" ? {} : { askSeason: null }) };
    write.update(source, id, answer === "agreed" ? { ...patch, agreedSeason: season } : patch, version);
    const words = { asked: "asked", agreed: `agreed for ${season}`, refused: `does not agree for ${season}` };
    return { message: `${before.name}: ${words[answer]}`, id };
  },
);

export const remedyCommands = [applyRemedy, askNeighbour] as const;
