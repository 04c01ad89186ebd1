import { oddsInWords } from "../units/odds";
import { CHANCE_TAKEN } from "./arrival";
import { bearsSeed } from "./meeting";
import type { SceneStand } from "./scene";
import type { Arrival, Share, SourceShare } from "./share";

export type Verdict = {
  /** By the chance that the share exceeds the limit: no more than a tenth, no more than a half, more. */
  level: "within" | "perhaps" | "over";
  /** The source that comes nearest against the rule-of-thumb distance, of those that flower on common days. */
  thumb: { name: string; metres: number; wanted: number; met: boolean } | null;
  words: string;
};

/**
 * A share as a count a person can picture.
 * @example oneIn(0.0222) // "1 seed in 45"
 */
export const oneIn = (share: number): string => oddsInWords(share, { what: "seed" });

/**
 * The range of a share, the rarer end first.
 * @example rangeInWords({ low: 0.00001, high: 0.0222 }) // "almost none to 1 seed in 45"
 */
export const rangeInWords = ({ low, high }: Share): string =>
  `${low < 0.00005 ? "almost none" : oneIn(low)} to ${oneIn(high)}`;

function thumbOf(stand: SceneStand, sources: SourceShare[]): Verdict["thumb"] {
  const meeting = sources.filter((s) => s.days > 0 && s.degree === "freely");
  if (meeting.length === 0) return null;
  const nearest = meeting.reduce((a, b) => (b.way.near < a.way.near ? b : a));
  const { near } = nearest.way;
  return { name: nearest.name, metres: near, wanted: stand.isolation, met: near >= stand.isolation };
}

/**
 * Whether the line's school asks about open seed of this stand at all.
 * @example isJudged(stand(1, { school: "cross-and-fix", flowers: "hand" })) // false
 */
export const isJudged = (stand: SceneStand): boolean =>
  bearsSeed(stand) && !(stand.school === "cross-and-fix" && stand.flowers !== "open");

/**
 * What an arrival means for a stand, in the voice of its line's school.
 * @example verdictOf(stand(1, { limit: 0.01 }), { likely: 0.005, chanceOver: 0.3, bySource: [] }).level // "perhaps"
 */
export function verdictOf(stand: SceneStand, arrival: Arrival): Verdict {
  const { limit, name, school } = stand;
  const { chanceOver } = arrival;
  const level = chanceOver > 0.5 ? "over" : chanceOver > CHANCE_TAKEN ? "perhaps" : "within";
  const most = arrival.bySource[0];
  const share = oneIn(arrival.likely);
  const from = most ? `, most of them ${most.name}` : "";
  const asked = `you take ${oneIn(limit)}`;
  const words = !most
    ? `Nothing you entered that crosses with ${name} flowers when it does.`
    : school === "keep-pure"
      ? `About ${share} will have a stranger for a father${from}; ${asked}.`
      : school === "cross-and-fix"
        ? `About ${share} from open flowers will have a stranger for a father${from}; ${asked}. Covered crosses are not touched by this.`
        : `About ${share} will have a harmful father${from}; ${asked}. Other kin are welcome in a mix.`;
  return { level, thumb: thumbOf(stand, arrival.bySource), words };
}
