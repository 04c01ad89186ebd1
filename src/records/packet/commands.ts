import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { prepared } from "@/db/rows";
import { type Context, command } from "../command";
import { amountOf, takenFrom } from "../lot/left";
import { lot } from "../lot/lot";
import { lotById } from "../lot/queries";
import { count, day, ref, seen, text, whole } from "../record";
import { stay } from "../store/store";
import { packet } from "./packet";
import { packetById, packetsOf } from "./queries";

/** Seed goes from the table into packets, and they into a place: from now on it ages as it lies there. */
const makePackets = command(
  "packet.make",
  {
    lotId: ref("lot", "Lot"),
    packets: whole("Packets", 1, 500),
    each: count("Seeds in each", 10_000_000).optional(),
    reserves: whole("Of them reserves", 0, 500).or(0),
    ...lot.adding("seeds", "mass"),
    storeId: ref("store", "Place").optional(),
    on: day("Made on").optional(),
  },
  (context, { lotId, packets, each, reserves, seeds, mass, storeId, on }) => {
    const { db, write, today } = context;
    const found = lotById(db, lotId) ?? refuse("lotId", "That lot does not exist.");
    if (found.endedOn) refuse("lotId", `Lot ${found.code} is no more.`);
    if (reserves > packets) refuse("reserves", `Of ${plural(packets, "packet")} no more can be reserves.`);
    const madeOn = on ?? today;
    if (madeOn < found.gathered) refuse("on", "It can't be in its packet before it was gathered.");
    const known = { seeds: seeds ?? found.seeds, mass: mass ?? found.mass };
    const amount = amountOf({ ...found, ...known });
    const packed = packetsOf(db, lotId).filter(({ goneOn }) => !goneOn);
    const held = packed.reduce((sum, one) => sum + (one.seeds ?? 0), 0);
    if (each !== null && amount && held + each * packets > amount.high - takenFrom(found))
      refuse(
        "each",
        `That is ${held + each * packets} seeds in packets; the lot holds ${Math.max(0, amount.high - takenFrom(found))}.`,
      );
    write.update(lot, lotId, { ...known, onTable: 0, vesselId: null });
    const from = Math.max(0, ...packetsOf(db, lotId).map(({ number }) => number));
    const ids = Array.from({ length: packets }, (_, i) =>
      write.insert(packet, {
        lotId,
        number: from + i + 1,
        seeds: each,
        storeId,
        reserve: i >= packets - reserves ? 1 : 0,
        madeOn,
      }),
    );
    if (storeId) putIn(context, lotId, storeId, madeOn);
    return {
      message: `Lot ${found.code}: ${plural(packets, "packet")} made`,
      ids,
      id: lotId,
      code: found.code,
      warnings: found.brokenOn ? [`The chain of this lot is broken, and every label says so: ${found.brokenWhy}`] : [],
    };
  },
);

function putIn({ db, write }: Context, lotId: string, storeId: string, since: string): void {
  const last = prepared(
    db,
    "SELECT id, since, storeId FROM stay WHERE lotId = ? ORDER BY since DESC, id DESC LIMIT 1",
  ).get(lotId) as { id: string; since: string; storeId: string } | undefined;
  if (last?.storeId === storeId) return;
  if (last?.since === since) write.update(stay, last.id, { storeId });
  else write.insert(stay, { lotId, storeId, since });
}

/** A packet leaves: to whom, and when. */
const givePacket = command(
  "packet.give",
  { id: ref("packet", "Packet"), version: seen(), to: text("To", 120).needed(), on: day("Day").optional() },
  (context, { id, version, to, on }) => {
    const found = packetById(context.db, id) ?? refuse("id", "That packet does not exist.");
    if (found.goneOn) refuse("id", `Packet ${found.number} went to ${found.goneTo} already.`);
    context.write.update(packet, id, { goneOn: on ?? context.today, goneTo: to }, version);
    return { message: `Packet ${found.number} given to ${to}`, id };
  },
);

export const packetCommands = [makePackets, givePacket] as const;
