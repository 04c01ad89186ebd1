import { seasonOf } from "@/core/climate/season";
import type { Id } from "@/core/custody/id";
import { VESSEL_KINDS } from "@/core/seed/vessels";
import { refuse } from "@/db/ops";
import { nextCode } from "../code";
import { type Context, command } from "../command";
import { choice, day, ref, seen, text } from "../record";
import { leftBehindIn, type VesselRow, vesselById } from "./queries";
import { move, vessel } from "./vessel";

const which = { id: ref("vessel", "Vessel") };

function existing({ db }: Context, id: Id): VesselRow {
  return vesselById(db, id) ?? refuse("id", "That vessel does not exist.");
}

/** A tag for a vessel: it keeps it, whatever is put in. */
const addVessel = command(
  "vessel.add",
  { kind: choice("Kind", VESSEL_KINDS), name: vessel.columns.name },
  (context, input) => {
    const { write, garden, today } = context;
    const code = nextCode(context, "vessel", seasonOf(today, garden.latitude));
    return { message: `${input.name} has the tag ${code}`, id: write.insert(vessel, { code, ...input }), code };
  },
);

/** Someone looked for seed left behind and found none, or washed it out. */
const signClean = command(
  "vessel.clean",
  { ...which, by: text("Signed by", 40), on: day("Day").optional() },
  (context, { id, by, on }) => {
    const { db, write, today } = context;
    const found = existing(context, id);
    if (found.lotId) refuse("id", `Lot ${found.lotCode} lies in ${found.name}. Move it first.`);
    const left = leftBehindIn(db, id);
    if (left.length === 0) refuse("id", `${found.name} is clean already.`);
    for (const one of left) write.update(move, one.id, { cleanedOn: on ?? today, cleanedBy: by });
    return { message: `${found.name} is signed clean${by ? ` by ${by}` : ""}`, id };
  },
);

const endVessel = command("vessel.end", { ...which, version: seen() }, (context, { id, version }) => {
  const found = existing(context, id);
  context.write.update(vessel, id, { endedOn: context.today }, version);
  return { message: `${found.name} put away for good`, id };
});

export const vesselCommands = [addVessel, signClean, endVessel] as const;
