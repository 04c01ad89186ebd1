import type { Id } from "@/core/custody/id";
import { allot } from "@/core/sharing/allot";
import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { type Context, command } from "../command";
import { packet } from "../packet/packet";
import { packetsOf } from "../packet/queries";
import { count, day, given, ref, seen } from "../record";
import { idList } from "../schema";
import { members, offersOf, sharingById, wishesOf } from "./queries";
import { member, offer, type Sharing, sharing, wish } from "./sharing";

function open({ db }: Context, id: Id): Sharing {
  const found = sharingById(db, id) ?? refuse("sharingId", "That sharing day does not exist.");
  if (found.closedOn) refuse("sharingId", `${found.name} is over.`);
  return found;
}

const dayOf = { sharingId: ref("sharing", "Sharing day") };

const addSharing = command("sharing.add", sharing.adding("name", "on", "mostEach"), ({ write }, input) => ({
  message: `${input.name} set down`,
  id: write.insert(sharing, input),
}));

const addMember = command("member.add", member.adding("name"), ({ db, write }, input) => {
  const known = members(db).some(({ name }) => name === input.name);
  return {
    message: `${input.name} is a member`,
    id: write.insert(member, input),
    warnings: known ? [`There is a ${input.name} already.`] : [],
  };
});

const endMember = command(
  "member.end",
  { id: ref("member", "Member"), version: seen() },
  (context, { id, version }) => {
    const found = context.write.read(member, id) ?? refuse("id", "There is no such member.");
    context.write.update(member, id, { endedOn: context.today }, version);
    return { message: `${found.name} left`, id };
  },
);

/** What is offered of a lot; said again it is put right. */
const offerLot = command("sharing.offer", offer.adding("sharingId", "lotId", "packets", "each"), (context, input) => {
  const { name } = open(context, input.sharingId);
  const known = offersOf(context.db, input.sharingId).find(({ lotId }) => lotId === input.lotId);
  const { packets, each } = input;
  if (known) context.write.update(offer, known.id, { packets, each });
  else context.write.insert(offer, input);
  return { message: `${plural(packets, "packet")} offered on ${name}`, id: input.sharingId };
});

const withdraw = command(
  "sharing.withdraw",
  { ...dayOf, lotId: ref("lot", "Lot") },
  (context, { sharingId, lotId }) => {
    open(context, sharingId);
    const known =
      offersOf(context.db, sharingId).find((one) => one.lotId === lotId) ?? refuse("lotId", "It is not offered.");
    context.write.remove(offer, known.id);
    return { message: `${known.lineName} is not offered any more`, id: sharingId };
  },
);

/** A member's wishes, the dearest first; they take the place of those of before. */
const setWishes = command(
  "sharing.wish",
  { ...dayOf, memberId: ref("member", "Member"), lotIds: given<Id[]>("Wishes", idList(200)) },
  (context, { sharingId, memberId, lotIds }) => {
    const { db, write } = context;
    open(context, sharingId);
    const found = write.read(member, memberId) ?? refuse("memberId", "There is no such member.");
    const offered = new Set(offersOf(db, sharingId).map(({ lotId }) => lotId));
    if (lotIds.some((id) => !offered.has(id))) refuse("lotIds", "One of these is not offered on that day.");
    const known = wishesOf(db, sharingId).filter((one) => one.memberId === memberId);
    for (const one of known) if (!lotIds.includes(one.lotId)) write.remove(wish, one.id);
    for (const [i, lotId] of lotIds.entries()) {
      const before = known.find((one) => one.lotId === lotId);
      const fresh = { rank: i + 1, granted: null, why: "" };
      if (before) write.update(wish, before.id, fresh);
      else write.insert(wish, { sharingId, memberId, lotId, ...fresh });
    }
    return { message: `${found.name}: ${plural(lotIds.length, "wish", "wishes")}`, id: sharingId };
  },
);

/** Allots what is offered to the wishes, in turns; it can be done again until the day is over. */
const allotAll = command("sharing.allot", dayOf, (context, { sharingId }) => {
  const { db, write, today } = context;
  const { mostEach, name } = open(context, sharingId);
  const wishes = wishesOf(db, sharingId);
  if (wishes.length === 0) refuse("sharingId", "Nobody wished for anything yet.");
  const told = allot(wishes, offersOf(db, sharingId), mostEach, Number.parseInt(sharingId.slice(-6), 16));
  for (const { id, granted, why } of told) write.update(wish, id, { granted: granted ? 1 : 0, why });
  write.update(sharing, sharingId, { allottedOn: today });
  const granted = told.filter((one) => one.granted).length;
  return { message: `${name}: ${granted} of ${plural(told.length, "wish", "wishes")} granted`, id: sharingId };
});

/** The day is over: what was granted leaves its lots as packets. */
const handOut = command("sharing.hand-out", dayOf, (context, { sharingId }) => {
  const { db, write, today } = context;
  const { name, allottedOn } = open(context, sharingId);
  if (!allottedOn) refuse("sharingId", "Allot the wishes first.");
  const offers = new Map(offersOf(db, sharingId).map((one) => [one.lotId, one]));
  const numbers = new Map<Id, number>();
  let out = 0;
  // The promise ends with the day; what is given takes its place.
  write.update(sharing, sharingId, { closedOn: today });
  for (const { lotId, memberName, granted } of wishesOf(db, sharingId)) {
    const of = offers.get(lotId);
    if (granted !== 1 || !of) continue;
    const last = numbers.get(lotId) ?? Math.max(0, ...packetsOf(db, lotId).map(({ number }) => number));
    numbers.set(lotId, last + 1);
    const row = { lotId, number: last + 1, seeds: of.each, madeOn: today, goneOn: today, goneTo: memberName };
    write.insert(packet, row);
    out++;
  }
  return { message: `${name}: ${plural(out, "packet")} handed out`, id: sharingId };
});

/** Seed that came back of what was given, the year after. */
const tookBack = command(
  "sharing.return",
  {
    id: ref("wish", "Packet"),
    version: seen(),
    seeds: count("Seeds that came back", 10_000_000),
    on: day("Day").optional(),
  },
  (context, { id, version, seeds, on }) => {
    if (!context.write.read(wish, id)) refuse("id", "There is no such packet.");
    context.write.update(wish, id, { returnedSeeds: seeds, returnedOn: on ?? context.today }, version);
    return { message: `${plural(seeds, "seed")} came back`, id };
  },
);

export const sharingCommands = [
  addSharing,
  addMember,
  endMember,
  offerLot,
  withdraw,
  setWishes,
  allotAll,
  handOut,
  tookBack,
] as const;
