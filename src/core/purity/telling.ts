import { type Hypothesis, LIKE, type SurpriseInput } from "./causes";

/** What would tell them apart: how much it is expected to tell, and what it takes. */
export type Telling = {
  key: "compare" | "more" | "self" | "sisters";
  /** Bits, of those that are unknown. */
  gain: number;
  plants: number;
  seasons: number;
};

const entropy = (chances: number[]): number => chances.reduce((sum, p) => (p > 0 ? sum - p * Math.log2(p) : sum), 0);

/** How much a test is expected to tell, by the chance of each of its outcomes under each cause. */
function gainOf(chances: number[], outcomes: number[][]): number {
  const count = outcomes[0]!.length;
  let left = 0;
  for (let o = 0; o < count; o++) {
    const joint = chances.map((p, i) => p * outcomes[i]![o]!);
    const all = joint.reduce((a, b) => a + b, 0);
    if (all > 0) left += all * entropy(joint.map((p) => p / all));
  }
  return Math.max(0, entropy(chances) - left);
}

/** So many more plants are looked at, or grown of the odd one. */
const MORE = 24;
const SELFED = 12;

/** How its own selfed offspring would look under each cause: all as odd, divided, or none of them. */
function selfedOutcomes({ kind }: Hypothesis, inheritance: SurpriseInput["inheritance"]): number[] {
  const divides = { dominant: 0.97, recessive: 0.1, unknown: 0.75 }[inheritance];
  switch (kind) {
    case "pollen":
    case "stranger":
    case "mutation":
      return [1 - divides, divides - 0.02, 0.02];
    case "hidden":
      return [0.96, 0.02, 0.02];
    case "unfixed":
      return [0.1, 0.6, 0.3];
    default:
      return [0.8, 0.18, 0.02];
  }
}

/** What comparing would say: whom it looks like of those nobody has held it beside, or none of them. */
function comparedOutcomes({ key }: Hypothesis, unknown: SurpriseInput["suspects"]): number[] {
  const like = unknown.map((one) => (one.key === key ? LIKE.father : LIKE.chance));
  const all = [...like, Math.max(0.02, 1 - like.reduce((a, b) => a + b, 0))];
  const sum = all.reduce((a, b) => a + b, 0);
  return all.map((p) => p / sum);
}

/** What a season weighs beside plants, and what even a look costs, in plants. Working values. */
const COST = { look: 4, season: 12 };

/**
 * What would tell the ways apart, what tells most for what it takes first; only what can still be done.
 * @param chances of each way, in their order
 * @example testsOf({ suspects: [], stands: false, seedsLeft: 0, sisterSeeds: 0, inheritance: "unknown" }, [], []) // []
 */
export function testsOf(
  input: Pick<SurpriseInput, "suspects" | "stands" | "seedsLeft" | "sisterSeeds" | "inheritance">,
  hypotheses: Hypothesis[],
  chances: number[],
): Telling[] {
  const unknown = input.suspects.filter(({ resembles }) => resembles === null);
  const [more, sister] = [input.seedsLeft, input.sisterSeeds].map((seeds) => Math.min(MORE, seeds));
  const orNone = (some: number) => [some, 1 - some];
  const tests: (Omit<Telling, "gain"> & { can: boolean; shows: (one: Hypothesis) => number[] })[] = [
    { key: "compare", can: unknown.length > 0, plants: 0, seasons: 0, shows: (one) => comparedOutcomes(one, unknown) },
    { key: "more", can: more! > 0, plants: more!, seasons: 1, shows: ({ again }) => orNone(again(more!)) },
    {
      key: "self",
      can: input.stands,
      plants: SELFED,
      seasons: 1,
      shows: (one) => selfedOutcomes(one, input.inheritance),
    },
    { key: "sisters", can: sister! > 0, plants: sister!, seasons: 1, shows: (one) => orNone(one.sister(sister!)) },
  ];
  const cost = ({ plants, seasons }: Telling) => COST.look + plants + COST.season * seasons;
  return tests
    .filter(({ can }) => can)
    .map(({ key, plants, seasons, shows }) => ({ key, gain: gainOf(chances, hypotheses.map(shows)), plants, seasons }))
    .sort((a, b) => b.gain / cost(b) - a.gain / cost(a));
}
