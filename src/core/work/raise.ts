import { addDays, type Day, daysBetween } from "../calendar/day";
import { plantingOut } from "../climate/plantingOut";
import { numberOf } from "../numbers/numberOf";
import { cellNumber } from "../seed/cells";
import { type RaisingStages, SURE_OF_PLANTS, sowingNumber } from "../seed/sowing";
import { keyOf, type LivingStand, work } from "./living";
import type { Work } from "./work";

/** Share of seedlings that are there yet when they are planted or thinned. Working values. */
export const STAYS_USUALLY = { low: 0.75, high: 0.95 };
/** A sowing can be done so many days before the day that was meant for it. */
const EARLY = 10;
/** So many days after its day a crop of the second year is sown too late to stand the winter at the right size. Working value. */
const LATE_FOR_WINTER = 30;
/** What is hardened off stands out by day for so long. */
const HARDENING = 8;
/** Seedlings in trays are past planting after so many days more. Working value. */
const POT_BOUND = 25;

/**
 * Seeds to sow for as many plants as are wanted, nine times in ten, by what gets through each stage.
 * Source: `sowingNumber`, and `cellNumber` where several share a cell that is thinned to one.
 * @param stages coming up and staying, as the grower's own losses teach them
 * @example seedsToSow(24, { up: [{ rate: 0.85 }], stays: [{ rate: 0.85 }] }) // 38
 */
export const seedsToSow = (wanted: number, { up, stays }: RaisingStages, perCell = 1): number =>
  perCell > 1
    ? cellNumber({ target: wanted, confidence: SURE_OF_PLANTS, up, stays, perCell, surplus: "thinned" }).seeds
    : sowingNumber({ target: wanted, confidence: SURE_OF_PLANTS, stages: [...up, ...stays] }).sow;

/**
 * Seeds of a lot for as many plants as are wanted of it: what they need, and what is sown as far as there are; all of it where no number
 * would do.
 * @param wanted plants, 1 or more
 * @param left seeds left; null where nobody counted
 * @example seedsOfLot(24, { stages: { up: [{ rate: 0.85 }], stays: [{ rate: 0.85 }] }, left: 30 }) // { needed: 38, seeds: 30 }
 */
export function seedsOfLot(
  wanted: number,
  { stages, left }: { stages: RaisingStages; left: number | null },
): { needed: number; seeds: number } {
  const needed = numberOf(() => seedsToSow(wanted, stages)) ?? left ?? 0;
  return { needed, seeds: left === null ? needed : Math.min(needed, left) };
}

/** The last day on which a sowing still ripens its seed before the frost, by the likely days of the forecast. */
function lastSowing({ sown, window, ripening, secondYear, seedWanted }: LivingStand): Day | null {
  if (secondYear) return addDays(sown, LATE_FOR_WINTER);
  if (!seedWanted || !ripening.frost) return null;
  return addDays(sown, Math.max(0, daysBetween(window.ripe, ripening.frost)));
}

function sow(stand: LivingStand): Work {
  const { sown, wanted, plants, sowedSeeds, stages, perCell, secondYear } = stand;
  const meant = wanted ?? plants;
  const count = sowedSeeds ?? (meant ? seedsToSow(meant, stages, perCell) : null);
  return work(stand, "sow", {
    what: count ? `Sow ${count} seeds${meant && !sowedSeeds ? ` for ${meant} plants` : ""}` : "Sow",
    count,
    from: addDays(sown, -EARLY),
    best: sown,
    last: lastSowing(stand),
    otherwise: secondYear
      ? "small plants, or none, come through the winter"
      : "its seed will hardly ripen before the frost",
  });
}

/** When seedlings go out, and the last day before they are pot-bound. */
function outDays({ sown, raising, tender, frosts }: LivingStand): { from: Day; best: Day; last: Day } {
  const { low, high } = raising.plantOut!;
  const { from, best } = plantingOut(addDays(sown, low), tender, frosts);
  const last = addDays(sown, high + POT_BOUND);
  return { from, best, last: last > addDays(best, 14) ? last : addDays(best, 14) };
}

/**
 * What raises a stand from its sowing until it stands in its place: sown, looked after as it comes up, thinned where it
 * was sown in place, or pricked out, hardened and planted out.
 * @returns what is still open of it
 * @example raisingOf(living({ planned: true, wanted: 20 })).map(({ act }) => act) // ["sow", "look-up", "thin"]
 */
export function raisingOf(stand: LivingStand): Work[] {
  if (stand.wintering) return [];
  const { planned, sown, plants, cameUp, upOn, pottedOn, plantedOut, raising, sowedSeeds, perCell } = stand;
  const stands = plantedOut !== null || (plants !== null && !planned);
  const open: Work[] = planned ? [sow(stand)] : [];
  const afterSowing = planned ? [keyOf(stand, "sow")] : [];
  if (stands) {
    // Plants may be counted while they are still in their pots.
    const there = plantedOut ?? (raising.plantOut ? outDays(stand).best : addDays(sown, Math.round(raising.up.high)));
    return [...open, ...staking(stand, there, [])];
  }
  const isUp = upOn !== null || cameUp !== null;
  const { low, high } = raising.up;
  if (!isUp && pottedOn === null)
    open.push(
      work(stand, "look-up", {
        what: "Count what came up",
        count: planned ? null : sowedSeeds,
        from: addDays(sown, Math.round(low)),
        best: addDays(sown, Math.round(high)),
        last: addDays(sown, Math.round(high) * 3),
        otherwise: "a sowing that failed is sown again too late",
        waitsFor: afterSowing,
      }),
    );
  const afterUp = isUp || pottedOn !== null ? [] : [keyOf(stand, "look-up")];
  const up = addDays(sown, Math.round(high));
  const thin = (told: Pick<Work, "what" | "how" | "otherwise">, best: number, last: number) =>
    work(stand, "thin", { ...told, from: up, best: addDays(up, best), last: addDays(up, last), waitsFor: afterUp });
  if (!raising.plantOut) {
    const grown = addDays(up, 10);
    if (stand.done.has("thin")) return [...open, ...staking(stand, grown, [])];
    const how = "Leave the strongest, and count the plants that stay.";
    const otherwise = "crowded plants stay small and are hard to judge";
    open.push(thin({ what: "Thin", how, otherwise }, 10, 35));
    return [...open, ...staking(stand, grown, [keyOf(stand, "thin")])];
  }
  if (perCell > 1 && !stand.done.has("thin")) {
    const how = "Leave the strongest; a spare one can fill a cell that stayed empty. Count the cells.";
    const otherwise = "two in a cell hold each other back";
    open.push(thin({ what: "Thin to one in each cell", how, otherwise }, 7, 21));
  }
  if (raising.prickOut && pottedOn === null)
    open.push(
      work(stand, "prick-out", {
        what: "Prick out",
        how: "Into pots of their own, each crate with its label.",
        count: cameUp ?? stand.wanted,
        from: addDays(sown, raising.prickOut.low),
        best: addDays(sown, raising.prickOut.low + 3),
        last: addDays(sown, raising.prickOut.high + 14),
        otherwise: "drawn seedlings tangle and fall over",
        waitsFor: afterUp,
      }),
    );
  const { from, best, last } = outDays(stand);
  if (!stand.done.has("harden"))
    open.push(
      work(stand, "harden", {
        what: "Harden off",
        how: "Out by day, in by night, in the shade at first.",
        part: "morning",
        from: addDays(from, -HARDENING),
        best: addDays(best, -HARDENING),
        last: addDays(last, -3),
        otherwise: "soft plants stand still or burn in the first sun",
        waitsFor: afterUp,
      }),
    );
  open.push(
    work(stand, "plant-out", {
      what: "Plant out",
      how: "Label each row, and count.",
      count: stand.wanted ?? cameUp,
      from,
      best,
      last,
      otherwise: "pot-bound plants stand still and flower small",
      part: "evening",
      waitsFor: afterUp,
    }),
  );
  return [...open, ...staking(stand, best, [keyOf(stand, "plant-out")])];
}

/** A stake is given while the plant can still be tied up without breaking. Working values, days. */
const STAKING = { best: 10, last: 40 };

/** What can't stand by itself is given a stake once it stands in its place. */
function staking(stand: LivingStand, from: Day, waitsFor: string[]): Work[] {
  if (!stand.staked || stand.firstFlower || stand.done.has("stake")) return [];
  return [
    work(stand, "stake", {
      what: "Stake",
      how: "A stake, string or net for each, its label with it.",
      from,
      best: addDays(from, STAKING.best),
      last: addDays(from, STAKING.last),
      otherwise: "stems lie down, tangle, and fruit rots on the ground",
      waitsFor,
    }),
  ];
}
