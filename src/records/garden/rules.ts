import { Refusal, refuse } from "@/db/ops";
import { type Rule, touched } from "../facts";
import type { Garden } from "./garden";

export const gardenRule: Rule<Garden> = (_, next, before) => {
  if (!touched(next, before, "lastFrost", "firstFrost")) return;
  if ((next.lastFrost === null) === (next.firstFrost === null)) return;
  refuse(
    next.lastFrost === null ? "lastFrost" : "firstFrost",
    "Give both frost days, or neither where there is no frost.",
  );
};

/** A second garden in one database would be nobody's. */
export function refuseSecond(place: Garden): void {
  if (place.version) throw new Refusal("This database holds a garden already. Change it in the Shed.");
}

type Frosts = Pick<Garden, "latitude" | "lastFrost" | "firstFrost">;

/** Nearer to the equator than this, degrees, frost may come at any time of the year or never. */
const TROPICS = 25;
const month = (day: string) => Number(day.slice(0, 2));

/**
 * Refuses frost days that look like a slip, so that they are looked at again: days of the other half of the globe, or
 * both taken away. Whoever means them says so.
 */
export function questionFrosts(next: Frosts, before: Frosts | null): void {
  const changed = before === null || next.lastFrost !== before.lastFrost || next.firstFrost !== before.firstFrost;
  if (!changed && next.latitude === before?.latitude) return;
  if (before?.lastFrost && !next.lastFrost && !next.firstFrost)
    refuse("lastFrost", "This takes both frost days away, as if there were no frost. Say below if that is meant.");
  const { latitude, lastFrost, firstFrost } = next;
  if (!lastFrost || !firstFrost || Math.abs(latitude) < TROPICS) return;
  const spring = latitude > 0 ? month(lastFrost) <= 7 : month(lastFrost) >= 7;
  const autumn = latitude > 0 ? month(firstFrost) >= 7 : month(firstFrost) <= 7;
  const where = `${Math.abs(latitude)}° ${latitude > 0 ? "north" : "south"}`;
  if (!spring)
    refuse("lastFrost", `The last frost at ${where} can hardly be in that month. Check the day and the latitude.`);
  if (!autumn)
    refuse("firstFrost", `The first frost at ${where} can hardly be in that month. Check the day and the latitude.`);
}
