import { seasonOf } from "@/core/climate/season";
import { nextGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { writeCandidates } from "../candidate/commands";
import { nextCode } from "../code";
import { type Context, command } from "../command";
import { deed } from "../deed/deed";
import { lot } from "../lot/lot";
import { lotById } from "../lot/queries";
import { plantList } from "../plant/commands";
import { choice, day, ref, seen } from "../record";
import { existingStand } from "../stand/commands";
import type { StandRow } from "../stand/queries";
import { stand } from "../stand/stand";
import { pick } from "./pick";
import { lotOfPass } from "./queries";
import { pickRule } from "./rules";

/** A pick that has no row yet. */
const NOT_YET = { id: "", version: "", lotId: null };

type Pass = { on: string; fruits: number; kind: "open" | "self"; otherStandId: Id | null };

/** Fruit of a pass goes on with its lot of that day, or makes one. */
function lotFor(context: Context, from: StandRow, plantId: Id | null, uncertain: boolean, pass: Pass): Id {
  const { db, write, garden } = context;
  const { on, fruits, kind, otherStandId } = pass;
  const known = uncertain ? undefined : lotOfPass(db, from.id, plantId, on);
  if (known) {
    write.update(lot, known, { fruits: (lotById(db, known)!.fruits ?? 0) + fruits });
    return known;
  }
  const code = nextCode(context, "lot", seasonOf(on, garden.latitude));
  const id = write.insert(lot, {
    code,
    lineId: from.lineId,
    kind,
    generation: nextGeneration(kind, from.generation, from.generation),
    motherStandId: uncertain ? null : from.id,
    motherPlantId: uncertain ? null : plantId,
    gathered: on,
    fruits,
    onTable: 1,
    note: uncertain ? "found between plants: mother uncertain" : "",
  });
  if (uncertain)
    writeCandidates(context, "lot", id, "mother", [
      { standId: from.id, plantId: null, share: 0.5 },
      { standId: otherStandId, plantId: null, share: 0.5 },
    ]);
  return id;
}

/** A pass through a stand: fruit that is as its line should be becomes lots, what is not is set aside with the reason. */
const pickFruit = command(
  "pick.add",
  {
    ...pick.adding("standId", "fruits", "state", "verdict", "why"),
    plantIds: plantList("Plants", 200).or([]),
    kind: choice("Pollen", ["open", "self"]).or("open"),
    /** The other stand that a fruit found between two may be of; a stranger where none is named. */
    otherStandId: ref("stand", "Or of").optional(),
    on: day("Picked on").optional(),
  },
  (context, { standId, plantIds, otherStandId, kind, on: told, ...input }) => {
    const { write, today } = context;
    const from = existingStand(context, standId, "standId");
    if (from.releasedOn) refuse("standId", `${from.code} was released for eating on ${from.releasedOn}.`);
    const on = told ?? today;
    const uncertain = input.verdict === "uncertain";
    if (uncertain && plantIds.length > 0) refuse("plantIds", "Of an uncertain mother no plant can be named.");
    if (otherStandId === standId) refuse("otherStandId", "Name the other stand.");
    const lots = new Set<Id>();
    const mothers: (Id | null)[] = plantIds.length > 0 ? plantIds : [null];
    for (const plantId of mothers) {
      // Refused beside its own fields, before its lot is.
      pickRule(context, { ...NOT_YET, standId, plantId, on, ...input }, null);
      const pass = { on, fruits: input.fruits, kind, otherStandId };
      const lotId = input.verdict === "set-aside" ? null : lotFor(context, from, plantId, uncertain, pass);
      if (lotId) lots.add(lotId);
      write.insert(pick, { standId, plantId, lotId, on, ...input });
    }
    const fruits = input.fruits * mothers.length;
    if (!uncertain) write.insert(deed, { standId, act: "pick", how: "done", on, counted: fruits });
    const ids = [...lots];
    const words = plural(fruits, "fruit");
    return {
      message:
        input.verdict === "set-aside"
          ? `${words} of ${from.code} set aside: ${input.why}`
          : `${words} of ${from.code} picked for seed, on the table as ${ids.map((id) => lotById(context.db, id)!.code).join(", ")}`,
      ids,
      id: ids[0],
    };
  },
);

/** How often a stand is to be picked for seed. */
const wantPasses = command(
  "pick.passes",
  { id: ref("stand", "Stand"), version: seen(), passesWanted: stand.columns.passesWanted },
  (context, { id, version, passesWanted }) => {
    const { code } = existingStand(context, id, "id");
    context.write.update(stand, id, { passesWanted }, version);
    return {
      message: passesWanted ? `${code}: ${plural(passesWanted, "pass", "passes")} for seed` : `${code}: as it comes`,
      id,
    };
  },
);

/** What still hangs may be eaten; or not yet after all. */
const release = command(
  "pick.release",
  { id: ref("stand", "Stand"), version: seen(), released: stand.columns.seedWanted.as("Released") },
  (context, { id, version, released }) => {
    const { code, lineName } = existingStand(context, id, "id");
    context.write.update(stand, id, { releasedOn: released ? context.today : null }, version);
    return { message: `${code} ${lineName}: ${released ? "released for eating" : "for seed again"}`, id };
  },
);

export const pickCommands = [pickFruit, wantPasses, release] as const;
