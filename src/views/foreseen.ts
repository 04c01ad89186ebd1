import { arrivalAt } from "@/core/isolation/arrival";
import { bearsSeed } from "@/core/isolation/meeting";
import type { Share } from "@/core/isolation/share";
import type { Lot } from "@/records/lot/lot";
import { standById } from "@/records/stand/queries";
import type { Outlook } from "./outlook";
import { sceneOf } from "./scene";

/** The share of strangers that was foreseen for the stand a lot was gathered from. */
export function foreseenOf(sky: Outlook, { motherStandId }: Pick<Lot, "motherStandId">): Share | null {
  const mother = motherStandId && standById(sky.db, motherStandId);
  if (!mother) return null;
  const scene = sceneOf(sky, mother.season);
  const stand = scene.stands.find(({ id }) => id === mother.id);
  if (!stand || !bearsSeed(stand)) return null;
  const { low, likely, high } = arrivalAt(scene, stand);
  return { low, likely, high };
}
