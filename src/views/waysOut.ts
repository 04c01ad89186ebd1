import type { Id } from "@/core/custody/id";
import { apartFrom } from "@/core/isolation/arrival";
import { remediesFor } from "@/core/isolation/remedies/remedies";
import type { Remedy } from "@/core/isolation/remedies/remedy";
import { isJudged } from "@/core/isolation/verdict";
import { type Db, theDb } from "@/db/open";
import { sources } from "@/records/ground/queries";
import { day as dayField, ref, type Told, whole } from "@/records/record";
import type { SeenChange } from "@/records/stand/remedy";
import { type Outlook, outlookKept } from "./outlook";
import { arrivalsOf, sceneOf } from "./scene";

/** A way out, with the versions of what it was reckoned with. */
export type SeenRemedy = Omit<Remedy, "changes"> & { changes: SeenChange[] };

export type WaysOut = {
  remedies: SeenRemedy[];
  /** What could cross with the stand, but flowers at another time. */
  apart: { name: string; start: string; end: string }[];
};

/** Which stand on which ground. */
export const WAYS_OUT = {
  standId: ref("stand", "Stand"),
  season: whole("Season", 1900, 2200),
  day: dayField("Day"),
};
export type WaysOutInput = Told<typeof WAYS_OUT>;

const NONE: WaysOut = { remedies: [], apart: [] };

/** The ways out for one stand that gets too much strange pollen, and what it is safe from by its days. */
export function waysOut(db: Db, { standId, season, day }: WaysOutInput): WaysOut {
  const sky = outlookKept(db, day);
  return sky.once(`ways out ${season} ${standId}`, () => reckoned(sky, season, standId));
}

function reckoned(sky: Outlook, season: number, standId: Id): WaysOut {
  const scene = sceneOf(sky, season);
  const { arrived, ways } = arrivalsOf(sky, season);
  const stand = scene.stands.find(({ id }) => id === standId);
  const arrival = stand && arrived.get(standId);
  if (!stand || !arrival || !isJudged(stand)) return NONE;
  const seen = new Map([...sky.standsOf(season), ...sources(sky.db)].map(({ id, version }) => [id, version]));
  return {
    remedies: (arrival.bySource.length > 0 ? remediesFor(scene, stand, arrival, ways) : []).map((remedy) => ({
      ...remedy,
      changes: remedy.changes.map((change) => ({
        ...change,
        version: seen.get(change.kind === "agree" ? change.sourceId : change.standId),
      })),
    })),
    apart: apartFrom(scene, stand, arrival).map(({ name, window: { start, end } }) => ({ name, start, end })),
  };
}

// biome-ignore lint/correctness/useYield: one reckoning, which has no steps between
export function* waysOutJob(input: WaysOutInput): Generator<never, WaysOut> {
  return waysOut(theDb(), input);
}
