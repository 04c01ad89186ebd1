import type { Id } from "../custody/id";
import type { Range } from "../flowering/facts";
import { groupBy } from "../lists/groupBy";
import { turned } from "../lists/turned";
import type { Made } from "./fathers";
import type { Protocol } from "./protocol";
import type { FlowerOnDay } from "./steps";

type Open<Flowers> = { protocol: string; daysToRipe: Range; made: Made; flowers: Flowers };

/** What a device needs to go on without a signal: how each open cross is done, and its flowers that are due. */
export type Ahead = { protocols: Record<string, Protocol>; crosses: Record<Id, Open<FlowerOnDay[]>> };

/** Flowers of which the same is known: what that is, once, and which they are. */
type Alike = { known: Omit<FlowerOnDay, "id" | "number">; flowers: [id: Id, number: number][] };

type Sent = Omit<Ahead, "crosses"> & { crosses: Record<Id, Open<Alike[]>> };

const crossesOf = <From, To>(crosses: Record<Id, Open<From>>, to: (flowers: From) => To): Record<Id, Open<To>> =>
  Object.fromEntries(Object.entries(crosses).map(([id, cross]) => [id, { ...cross, flowers: to(cross.flowers) }]));

function alike(flowers: FlowerOnDay[]): Alike[] {
  const told = flowers.map(({ id, number, ...known }) => ({ id, number, known, text: JSON.stringify(known) }));
  return [...groupBy(told, ({ text }) => text).values()].map((group) => ({
    known: group[0]!.known,
    flowers: group.map(({ id, number }) => [id, number]),
  }));
}

const eachOf = (groups: Alike[]): FlowerOnDay[] =>
  groups.flatMap(({ known, flowers }) => {
    // JSON keeps a moment as text.
    const pollinatedAt = known.pollinatedAt && new Date(known.pollinatedAt);
    return flowers.map(([id, number]) => ({ id, number, ...known, pollinatedAt }));
  });

/**
 * What lies ahead as one text, a fraction of it spelt out: flowers of one evening are mostly alike, and told of once.
 * @example packedAhead({ protocols: {}, crosses: {} }) // "{~protocols~:{},~crosses~:{}}"
 */
export const packedAhead = ({ protocols, crosses }: Ahead): string =>
  turned(JSON.stringify({ protocols, crosses: crossesOf(crosses, alike) } satisfies Sent));

/**
 * What lies ahead as it was before it was packed.
 * @example unpackedAhead("{~protocols~:{},~crosses~:{}}") // { protocols: {}, crosses: {} }
 */
export function unpackedAhead(text: string): Ahead {
  const { protocols, crosses } = JSON.parse(turned(text)) as Sent;
  return { protocols, crosses: crossesOf(crosses, eachOf) };
}
