import { count, day, name, type Row, record, ref, text, whole } from "../record";

/** Someone seed is shared with: initials or a number are enough. */
export const member = record("member", { name: name("Initials or number", 40), endedOn: day("Left on").optional() });
export type Member = Row<typeof member>;

/** A day on which seed is shared. */
export const sharing = record("sharing", {
  name: name("Name"),
  on: day("Day"),
  mostEach: whole("Packets for each member", 1, 200),
  allottedOn: day("Allotted on").optional(),
  closedOn: day("Closed on").optional(),
});
export type Sharing = Row<typeof sharing>;

/** What is offered of a lot on that day. */
export const offer = record(
  "offer",
  {
    sharingId: ref("sharing", "Sharing day"),
    lotId: ref("lot", "Lot"),
    packets: whole("Packets", 1, 1000),
    each: count("Seeds in each", 1_000_000),
  },
  { same: ["sharingId", "lotId"], together: ["packets", "each"] },
);
export type Offer = Row<typeof offer>;

/** A member's wish for a packet of a lot, and what became of it; seed that came back of it. */
export const wish = record(
  "wish",
  {
    sharingId: ref("sharing", "Sharing day"),
    memberId: ref("member", "Member"),
    lotId: ref("lot", "Lot"),
    rank: whole("Rank", 1, 200),
    granted: whole("Granted", 0, 1).optional(),
    why: text("Why", 200),
    returnedOn: day("Seed came back on").optional(),
    returnedSeeds: count("Seeds that came back", 10_000_000).optional(),
  },
  { same: ["sharingId", "memberId", "lotId"], together: ["granted", "why"] },
);
export type WishRow = Row<typeof wish>;
