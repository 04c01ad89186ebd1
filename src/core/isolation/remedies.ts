import { addDays, type Day, daysBetween, overlapDays } from "../calendar/day";
import { frostAfter } from "../climate/season";
import { type FloweringFacts, flowering, ripensBeforeFrost } from "../flowering/forecast";
import type { Clash, FlowerCare, StandOnGround } from "./clashes";
import { gap, type Plot } from "./distance";

export type RemedyChange =
  | { kind: "resow"; standId: number; sown: Day }
  | { kind: "move"; standId: number; bedId: number }
  | { kind: "flowers"; standId: number; flowers: FlowerCare }
  | { kind: "another-year"; standId: number };

export type Remedy = {
  title: string;
  /** What it costs the grower. */
  cost: string;
  /** What remains of the risk. */
  remains: string;
  feasible: boolean;
  change: RemedyChange;
};

export type RemedyContext = {
  today: Day;
  sown: Day;
  facts: FloweringFacts;
  firstFrost: string | null;
  beds: (Plot & { id: number; name: string; outside: boolean; free: boolean })[];
  /** Every stand of the crossing group that sheds pollen, but for this one. */
  rivals: StandOnGround[];
  /** Whether this species can be covered and still set seed without help. */
  selfs: boolean;
};

/** The least days by which a later sowing clears every overlap with the source, if it still ripens. */
function resowLater(clash: Clash, context: RemedyContext): Remedy | null {
  const shift = daysBetween(clash.stand.window.start, clash.source.window.end) + 1;
  const sown = addDays(context.sown, shift);
  if (sown < context.today) return null;
  const window = flowering(sown, context.facts);
  const ripening = ripensBeforeFrost(window, frostAfter(window.start, context.firstFrost));
  const days = overlapDays(
    { start: window.earliest, end: window.latest },
    { start: clash.source.window.earliest, end: clash.source.window.latest },
  );
  const ripeWords = {
    safe: "still ripe before frost",
    doubtful: "ripe before frost only in a good autumn",
    "too-late": "does not ripen before frost",
    "no-frost": "no frost here",
  }[ripening.verdict];
  return {
    title: `Sow ${clash.stand.name} ${shift} days later`,
    cost: `new sowing on ${sown}; ${ripeWords}`,
    remains: days > 0 ? `up to ${days} days together if both are off their forecast` : "no common day, early or late",
    feasible: ripening.verdict !== "too-late",
    change: { kind: "resow", standId: clash.stand.id, sown },
  };
}

/** The free bed that stands farthest, measured against all rivals. */
function moveAway(clash: Clash, context: RemedyContext): Remedy | null {
  if (clash.stand.window.observed) return null;
  const nearest = (bed: Plot) => Math.min(...context.rivals.map((rival) => gap(bed, rival.plot)));
  const best = context.beds
    .filter((bed) => bed.free && !bed.outside)
    .map((bed) => ({ bed, metres: nearest(bed) }))
    .sort((a, b) => b.metres - a.metres)[0];
  if (!best || best.metres <= clash.metres) return null;
  return {
    title: `Move ${clash.stand.name} to ${best.bed.name}`,
    cost: "sow or plant it there instead",
    remains:
      best.metres >= clash.wanted
        ? `${Math.round(best.metres)} m, past the rule of thumb`
        : `${Math.round(best.metres)} m of the ${Math.round(clash.wanted)} m wanted`,
    feasible: best.metres >= clash.wanted,
    change: { kind: "move", standId: clash.stand.id, bedId: best.bed.id },
  };
}

/**
 * The ways out of a clash, each with its cost and what remains, feasible ones first.
 * A cost in labour is a rule of thumb: visits are one a day of common flowering.
 * @returns remedies, none recited where it would not help
 */
export function remediesFor(clash: Clash, context: RemedyContext): Remedy[] {
  const { stand, source, days } = clash;
  const remedies: (Remedy | null)[] = [
    moveAway(clash, context),
    resowLater(clash, context),
    {
      title: `Cover ${stand.name} while both flower`,
      cost: context.selfs
        ? "bags or a net from before first flower"
        : "a cage, and insects put in with it or flowers brushed daily",
      remains: "what gets through a torn net, and flowers opened before covering",
      feasible: true,
      change: { kind: "flowers", standId: stand.id, flowers: "covered" },
    },
    {
      title: `Hand-pollinate ${stand.name}`,
      cost: `covers and dawn visits, up to ${days} mornings`,
      remains: "flowers found open; save only marked fruit",
      feasible: true,
      change: { kind: "flowers", standId: stand.id, flowers: "hand" },
    },
    source.plot.outside
      ? null
      : {
          title: `Take off the flowers of ${source.name}`,
          cost: `a walk every second day, about ${Math.ceil(days / 2)} visits; no seed from it`,
          remains: "flowers missed between visits",
          feasible: true,
          change: { kind: "flowers", standId: source.id, flowers: "removed" },
        },
    {
      title: `Take no seed from ${stand.name} this season`,
      cost: "live on stored seed; check that it still germinates",
      remains: "none for seed; it may still be eaten",
      feasible: true,
      change: { kind: "another-year", standId: stand.id },
    },
  ];
  return remedies.filter((r) => r !== null).sort((a, b) => Number(b.feasible) - Number(a.feasible));
}

/** The verdict on a clash in the voice of the line's school. */
export function clashInWords(clash: Clash): string {
  const { stand, source, days, metres, wanted } = clash;
  const facts = `${Math.round(metres)} m apart where the rule of thumb asks for ${Math.round(wanted)} m; ${days} days in flower together.`;
  if (stand.school === "keep-pure") return `Seed of ${stand.name} may have ${source.name} for a father. ${facts}`;
  if (stand.school === "cross-and-fix")
    return `Open flowers of ${stand.name} may be fathered by ${source.name}; covered crosses are not touched by this. ${facts}`;
  return `${source.name} is wild: even a mix is better without it. ${facts}`;
}
