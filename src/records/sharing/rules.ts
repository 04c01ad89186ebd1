import { refuse } from "@/db/ops";
import { notAhead, type Rule, touched } from "../facts";
import { amountOf, takenFrom } from "../lot/left";
import { lotById } from "../lot/queries";
import { promised, sharingById } from "./queries";
import type { Offer, Sharing, WishRow } from "./sharing";

export const sharingRule: Rule<Sharing> = (facts, next, before) => {
  if (touched(next, before, "closedOn")) notAhead(facts, next.closedOn, "closedOn");
};

export const offerRule: Rule<Offer> = (facts, next, before) => {
  if (!touched(next, before, "lotId", "packets", "each", "sharingId")) return;
  if (sharingById(facts.db, next.sharingId)?.closedOn) refuse("sharingId", "That day is over.");
  const lot = lotById(facts.db, next.lotId);
  if (!lot) return;
  if (lot.endedOn) refuse("lotId", `Lot ${lot.code} is no more.`);
  const amount = amountOf(lot);
  if (!amount) refuse("lotId", `Count or weigh the seed of lot ${lot.code} before it is offered.`);
  const free = amount!.high - takenFrom(lot) - (lot.reserve ?? 0) - promised(facts.db, next.lotId, next.id ?? null);
  if (next.packets * next.each > free)
    refuse(
      "packets",
      `That is ${next.packets * next.each} seeds; ${Math.max(0, free)} of lot ${lot.code} can be offered${lot.reserve ? `, its reserve of ${lot.reserve} left alone` : ""}.`,
    );
};

export const wishRule: Rule<WishRow> = (facts, next, before) => {
  if (touched(next, before, "returnedOn", "returnedSeeds")) {
    if ((next.returnedOn === null) !== (next.returnedSeeds === null))
      refuse("returnedSeeds", "Say how many seeds came back, and when.");
    notAhead(facts, next.returnedOn, "returnedOn");
    if (next.returnedOn && next.granted !== 1)
      refuse("returnedOn", "Nothing was given of this, so nothing can come back.");
    const day = sharingById(facts.db, next.sharingId)?.on;
    if (next.returnedOn && day && next.returnedOn < day)
      refuse("returnedOn", "It can't come back before it was given.");
  }
};
