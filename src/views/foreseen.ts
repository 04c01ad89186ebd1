import { sceneSpecies, speciesById } from "@/catalogue/catalogue";
import { middle } from "@/core/flowering/facts";
import { backgroundShare, LOOKED, together, UNSEEN } from "@/core/isolation/background";
import { coverLeaks, LEAKS } from "@/core/isolation/emitter";
import type { Share } from "@/core/isolation/share";
import { lookedAround } from "@/records/deed/queries";
import type { Lot } from "@/records/lot/lot";
import { type StandRow, standById } from "@/records/stand/queries";
import type { Outlook } from "./outlook";
import { arrivalOf } from "./scene";

/**
 * Foreign pollen that nobody saw coming: of plants that are on no record, less of it once somebody looked around that season.
 * Of a mix only harmful pollen counts, and none is assumed.
 */
export function unseenAt({ db }: Outlook, stand: StandRow): Share & { looked: boolean } {
  const looked = lookedAround(db, stand.season, stand.species);
  const shut =
    stand.school === "let-it-mix" || stand.flowers === "removed"
      ? 0
      : stand.flowers === "hand"
        ? LEAKS.hand
        : stand.flowers === "covered"
          ? coverLeaks({ ...stand, species: sceneSpecies(speciesById(stand.species)) })
          : 1;
  const pollen = UNSEEN * shut * (looked ? LOOKED : 1);
  return { ...backgroundShare(pollen, middle(speciesById(stand.species).outcrossing), looked), looked };
}

/** The share of foreign pollen that was foreseen for the stand a lot was gathered from, what nobody saw with it. */
export function foreseenOf(sky: Outlook, { motherStandId }: Pick<Lot, "motherStandId">): Share | null {
  const mother = motherStandId && standById(sky.db, motherStandId);
  const arrival = mother && arrivalOf(sky, mother);
  return mother && arrival ? together(arrival, unseenAt(sky, mother)) : null;
}
