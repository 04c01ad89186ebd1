import type { Id } from "../custody/id";
import { seeded } from "../numbers/chance";

/** A wish of one member for one packet of a lot; the lower its rank, the dearer. */
export type Wish = { id: Id; memberId: Id; lotId: Id; rank: number };
/** What is offered of a lot, packets. */
export type Offer = { lotId: Id; packets: number };

/** What became of a wish, and why. */
export type Allotted = { id: Id; granted: boolean; why: string };

/**
 * Allots packets to wishes in turns: in each turn every member takes the dearest wish that can still be met. Who begins is
 * drawn; each turn goes the other way round, so that who came first comes last next time. Nobody gets more than the limit.
 * The same wishes and seed give the same answer.
 *
 * Source: picking in turns with the order reversed each time, ours; nobody can be first twice running.
 * @param limit packets for each member, a whole number from 1
 * @param seed any whole number; it draws who begins
 * @example allot([{ id: "w", memberId: "m", lotId: "k", rank: 1 }], [{ lotId: "k", packets: 1 }], 3, 1)
 *   // [{ id: "w", granted: true, why: "in turn 1, as wish 1" }]
 */
export function allot(wishes: Wish[], offers: Offer[], limit: number, seed: number): Allotted[] {
  const luck = seeded(seed);
  const members = [...new Set(wishes.map(({ memberId }) => memberId))].sort();
  for (let i = members.length - 1; i > 0; i--) {
    const j = Math.floor(luck() * (i + 1));
    [members[i], members[j]] = [members[j]!, members[i]!];
  }
  const left = new Map(offers.map(({ lotId, packets }) => [lotId, packets]));
  const offered = new Map(left);
  const wanted = new Map<Id, number>();
  for (const { lotId } of wishes) wanted.set(lotId, (wanted.get(lotId) ?? 0) + 1);
  const open = new Map(
    members.map((member) => [
      member,
      wishes.filter(({ memberId }) => memberId === member).sort((a, b) => a.rank - b.rank || a.id.localeCompare(b.id)),
    ]),
  );
  const told = new Map<Id, Allotted>();
  const had = new Map<Id, number>();
  for (let turn = 1; turn <= limit; turn++) {
    const order = turn % 2 ? members : [...members].reverse();
    for (const member of order) {
      const wish = open.get(member)!.find(({ id, lotId }) => !told.has(id) && (left.get(lotId) ?? 0) > 0);
      if (!wish) continue;
      left.set(wish.lotId, left.get(wish.lotId)! - 1);
      had.set(member, (had.get(member) ?? 0) + 1);
      told.set(wish.id, { id: wish.id, granted: true, why: `in turn ${turn}, as wish ${wish.rank}` });
    }
  }
  return wishes.map(({ id, memberId, lotId }) => {
    const known = told.get(id);
    if (known) return known;
    const packets = offered.get(lotId) ?? 0;
    const none = (left.get(lotId) ?? 0) === 0;
    const why =
      packets === 0
        ? "it is not offered"
        : none
          ? `${wanted.get(lotId)} wished for ${packets === 1 ? "the one packet" : `${packets} packets`}`
          : `the limit of ${limit} is reached: ${had.get(memberId)} granted`;
    return { id, granted: false, why };
  });
}
