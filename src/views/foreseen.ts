import type { Share } from "@/core/isolation/share";
import type { Lot } from "@/records/lot/lot";
import { standById } from "@/records/stand/queries";
import type { Outlook } from "./outlook";
import { arrivalOf } from "./scene";

/** The share of strangers that was foreseen for the stand a lot was gathered from. */
export function foreseenOf(sky: Outlook, { motherStandId }: Pick<Lot, "motherStandId">): Share | null {
  const mother = motherStandId && standById(sky.db, motherStandId);
  const arrival = mother && arrivalOf(sky, mother);
  return arrival ? { low: arrival.low, likely: arrival.likely, high: arrival.high } : null;
}
