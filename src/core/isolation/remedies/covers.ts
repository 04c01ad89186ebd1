import { meshFor } from "../emitter";
import { bloom, type Draft, type Task } from "./remedy";

/** So many visits mark a stand's fruits for seed, a few at each. Working value. */
const BY_HAND = 10;

/** What is to be hung over a cage. */
const HUNG = {
  net: "put insects in with it, or brush its flowers every second day",
  cloth:
    "spun cloth sold as pollen-proof: insect net lets about half of what the wind carries through; shake the plants while they flower",
};

/**
 * A cage, hand pollination, and bags for what sets seed by itself.
 * @example covers({ stand: stand(1) }).map((way) => way.key) // ["cage", "hand"]
 */
export function covers({ stand }: Task): Draft[] {
  const days = bloom(stand);
  const selfs = stand.species.selfs;
  const mesh = meshFor(stand);
  const drafts: Draft[] = [
    {
      key: "cage",
      title: mesh === "cloth" ? "Put it under a cage of pollen-proof cloth" : "Put it under a cage",
      cost: { plants: 0, days: 0, visits: selfs ? 2 : Math.ceil(days / 2) },
      note: selfs ? "it sets seed by itself" : HUNG[mesh],
      feasible: true,
      why: "",
      changes: [{ kind: "cover", standId: stand.id, cover: "cage", mesh }],
    },
  ];
  // What sets seed by itself needs no hand: a bag does.
  if (!selfs)
    drafts.push({
      key: "hand",
      title: "Hand-pollinate it and save marked fruit only",
      cost: { plants: 0, days: 0, visits: Math.min(days, BY_HAND) },
      note: `${stand.species.vector === "insects that fly far" ? "at dawn, before the bees" : "in the morning"}, until as many are marked as you want fruits`,
      feasible: stand.species.byHand,
      why: "its flowers are too small and many for it",
      changes: [{ kind: "hand", standId: stand.id }],
    });
  if (selfs)
    drafts.push({
      key: "bags",
      title: "Bag flowers before they open",
      cost: { plants: 0, days: 0, visits: Math.ceil(days / 7) },
      note: "mark the bagged flowers; only their seed counts",
      feasible: true,
      why: "",
      changes: [{ kind: "cover", standId: stand.id, cover: "bags" }],
    });
  return drafts;
}
