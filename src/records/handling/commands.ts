import type { Id } from "@/core/custody/id";
import { stepsOf, WAYS } from "@/core/seed/cleaning/ways";
import { refuse } from "@/db/ops";
import { type Context, command } from "../command";
import { lot } from "../lot/lot";
import { type LotRow, lotById } from "../lot/queries";
import { day, hour, ref } from "../record";
import { vesselById } from "../vessel/queries";
import { move } from "../vessel/vessel";
import { handling } from "./handling";
import { tableLot } from "./tableLot";

/** When something was done: today, at an hour nobody kept, where nothing is said. */
export const when = { on: day("Day").optional(), at: hour("Hour").optional() };
export const lotOf = { lotId: ref("lot", "Lot") };
export const into = { vesselId: ref("vessel", "Into").optional(), fromVesselId: ref("vessel", "From").optional() };

/** The day and hour of what was done: now, where nothing is said; at an hour nobody kept on an earlier day. */
function momentOf({ today, hour: now }: Context, { on, at }: Going): { on: string; at: string | null } {
  const day = on ?? today;
  return { on: day, at: at ?? (day === today ? now : null) };
}

/** A lot that is neither ended nor in the drawer. */
export function onTheTable({ db }: Context, lotId: Id): LotRow {
  const found = lotById(db, lotId) ?? refuse("lotId", "That lot does not exist.");
  if (found.endedOn) refuse("lotId", `Lot ${found.code} is no more.`);
  if (!found.onTable) refuse("lotId", `Lot ${found.code} is not on the table.`);
  return found;
}

type Going = { fromVesselId?: Id | null; vesselId?: Id | null; on?: string | null; at?: string | null };

/**
 * Moves a lot from the vessel that was scanned into another. What lies elsewhere than it was scanned, and a vessel that
 * holds another lot or was not cleaned of one (the move's rule), is refused.
 */
export function moveLot(context: Context, of: Pick<LotRow, "id" | "code" | "vesselId">, going: Going): void {
  const { db, write } = context;
  const { fromVesselId, vesselId } = going;
  const from = of.vesselId ? vesselById(db, of.vesselId) : undefined;
  if (fromVesselId && fromVesselId !== of.vesselId) {
    const scanned = vesselById(db, fromVesselId);
    refuse(
      "fromVesselId",
      `Lot ${of.code} lies in ${from?.name ?? "no vessel"}, not in ${scanned?.name ?? "that one"}. Scan the vessel it is in.`,
    );
  }
  if (!vesselId || vesselId === of.vesselId) return;
  const to = vesselById(db, vesselId) ?? refuse("vesselId", "That vessel does not exist.");
  if (to.lotId && to.lotId !== of.id)
    refuse("vesselId", `${to.name} holds lot ${to.lotCode}. Put the two together on purpose, or take another vessel.`);
  write.insert(move, {
    lotId: of.id,
    fromVesselId: of.vesselId,
    toVesselId: vesselId,
    ...momentOf(context, going),
  });
  write.update(lot, of.id, { vesselId });
}

/** Seed that lies in the drawer, or fruit just brought in, comes to the table. */
const toTable = command("table.bring", { ...lotOf, ...into, ...when }, (context, { lotId, ...going }) => {
  const { db, write } = context;
  const found = lotById(db, lotId) ?? refuse("lotId", "That lot does not exist.");
  if (found.endedOn) refuse("lotId", `Lot ${found.code} is no more.`);
  if (found.onTable) refuse("lotId", `Lot ${found.code} is on the table already.`);
  write.update(lot, lotId, { onTable: 1 });
  moveLot(context, found, going);
  return { message: `Lot ${found.code} is on the table`, id: lotId, code: found.code };
});

/** A lot begins to be cleaned: its way is chosen, and its first step done. */
const begin = command(
  "table.begin",
  {
    ...lotOf,
    way: lot.columns.way.needed(),
    warmth: lot.columns.warmth,
    starter: lot.columns.starter,
    ...into,
    ...when,
  },
  (context, { lotId, way, warmth, starter, on, at, ...going }) => {
    const { write } = context;
    const found = onTheTable(context, lotId);
    if (found.way)
      refuse("lotId", `Lot ${found.code} is being cleaned already: ${WAYS[found.way].name.toLowerCase()}.`);
    write.update(lot, lotId, { way, warmth, starter });
    const first = stepsOf(tableLot({ ...found, way, warmth, starter }, []).run!)[0]!;
    write.insert(handling, { lotId, act: first.act, ...momentOf(context, { on, at }) });
    moveLot(context, found, { ...going, on, at });
    return { message: `Lot ${found.code}: ${WAYS[way].name.toLowerCase()}`, id: lotId, code: found.code };
  },
);

/** A step done with a lot; where it goes into another vessel, that too. */
const handle = command(
  "table.do",
  { ...lotOf, ...handling.adding("act", "value", "note"), ...into, ...when },
  (context, { lotId, act, value, note, on, at, ...going }) => {
    const { write } = context;
    const found = onTheTable(context, lotId);
    const id = write.insert(handling, { lotId, act, value, note, ...momentOf(context, { on, at }) });
    moveLot(context, found, { ...going, on, at });
    return { message: `Lot ${found.code}: ${DONE[act]}`, id, code: found.code };
  },
);

const DONE: Record<(typeof handling.columns.act)["out"], string> = {
  open: "opened",
  thresh: "threshed",
  stir: "stirred",
  rinse: "rinsed",
  float: "good seed parted in water",
  sieve: "sieved",
  winnow: "winnowed",
  spread: "spread to dry",
  turn: "turned",
  weigh: "weighed",
  nail: "tried with a fingernail",
  snap: "tried whether it snaps",
  freeze: "in the freezer",
  thaw: "out of the freezer",
};

const moveIt = command(
  "table.move",
  { ...lotOf, fromVesselId: into.fromVesselId, vesselId: ref("vessel", "Into"), ...when },
  (context, { lotId, ...going }) => {
    const found = onTheTable(context, lotId);
    moveLot(context, found, going);
    return {
      message: `Lot ${found.code} in ${vesselById(context.db, going.vesselId)!.name}`,
      id: lotId,
      code: found.code,
    };
  },
);

export const tableCommands = [toTable, begin, handle, moveIt] as const;
