import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import type { Garden } from "@/records/garden/garden";
import {
  members,
  type OfferRow,
  offersOf,
  sharingById,
  sharings,
  type WishOf,
  wishesOf,
} from "@/records/sharing/queries";
import type { Member, Sharing } from "@/records/sharing/sharing";
import { type Band, seasonBand } from "./band";
import { drawer } from "./drawer";
import type { Outlook } from "./outlook";

export type SharingList = { garden: Garden; band: Band; today: string; days: Sharing[]; members: Member[] };

export const sharingList = (sky: Outlook): SharingList => ({
  garden: sky.garden,
  band: seasonBand(sky),
  today: sky.today,
  days: sharings(sky.db),
  members: members(sky.db),
});

/** A lot that could be offered, and how many seeds of it are free. */
export type Offerable = { id: Id; label: string; free: number };

export type SharingPage = Omit<SharingList, "days"> & {
  day: Sharing;
  offers: (OfferRow & { name: string; wished: number })[];
  wishes: WishOf[];
  offerable: Offerable[];
  /** Seeds that went out of each lot in all years, and those that came back. */
  back: { given: number; returned: number };
};

export function sharingPage(sky: Outlook, id: Id): SharingPage | null {
  const { db } = sky;
  const day = sharingById(db, id);
  if (!day) return null;
  const wishes = wishesOf(db, id);
  const offers = offersOf(db, id);
  const each = new Map(offers.map((one) => [one.lotId, one.each]));
  const offered = new Set(offers.map(({ lotId }) => lotId));
  return {
    garden: sky.garden,
    band: seasonBand(sky),
    today: sky.today,
    members: members(db),
    day,
    offers: offers.map((one) => ({
      ...one,
      name: nameWithGeneration(one),
      wished: wishes.filter(({ lotId }) => lotId === one.lotId).length,
    })),
    wishes,
    offerable: drawer(sky)
      .filter((lot) => !offered.has(lot.id) && lot.left && lot.left.high > (lot.reserve ?? 0))
      .slice(0, 300)
      .map((lot) => ({ id: lot.id, label: `${lot.name} ${lot.code}`, free: lot.left!.high - (lot.reserve ?? 0) })),
    back: {
      given: wishes.reduce((sum, w) => sum + (w.granted === 1 ? (each.get(w.lotId) ?? 0) : 0), 0),
      returned: wishes.reduce((sum, w) => sum + (w.returnedSeeds ?? 0), 0),
    },
  };
}
