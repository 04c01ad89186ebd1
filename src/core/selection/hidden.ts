/** Something that is known of plants, in their order; null where it is not. */
export type Watched = { name: string; values: (number | null)[] };

export type Leaning = {
  name: string;
  /** Means of the chosen and of all, and how many are known of each. */
  chosen: number;
  all: number;
  chosenKnown: number;
  known: number;
  /** The chosen less all: the selection differential, in its unit. */
  differential: number;
  /** Chance of as much by chance. */
  chance: number;
  /** More than chance, with false alarms held down over all that was watched. */
  found: boolean;
};

/** At most so many of the findings are false alarms, on the average. */
const FALSE_ALARMS = 0.05;
const SHUFFLES = 2_000;

/**
 * What the plants that gave seed differ by from all that grew, whether it was meant or not.
 *
 * Each by a permutation test of the difference of means; the false discovery rate over all that was watched is held at one in
 * twenty. Sources: Fisher 1935 (randomisation); Benjamini and Hochberg 1995.
 * @param gave whether each plant gave seed
 * @param random in [0, 1)
 * @returns what is known of at least two of the chosen and two of the others, in the order given
 * @example hiddenSelection([true, true, false, false], [{ name: "row", values: [1, 1, 1, null] }], () => 0.5) // []
 */
export function hiddenSelection(gave: boolean[], watched: Watched[], random: () => number): Leaning[] {
  const leanings = watched.flatMap(({ name, values }) => {
    const known = values.flatMap((value, i) => (value === null ? [] : [{ value, gave: gave[i]! }]));
    const chosen = known.filter((plant) => plant.gave);
    if (chosen.length < 2 || known.length - chosen.length < 2) return [];
    const mean = (of: { value: number }[]) => of.reduce((sum, { value }) => sum + value, 0) / of.length;
    const differential = mean(chosen) - mean(known);
    return [
      {
        name,
        chosen: mean(chosen),
        all: mean(known),
        chosenKnown: chosen.length,
        known: known.length,
        differential,
        chance: byChance(
          known.map(({ value }) => value),
          chosen.length,
          differential,
          random,
        ),
        found: false,
      },
    ];
  });
  // Benjamini and Hochberg: the largest rank whose chance is small enough, and all before it.
  const order = [...leanings].sort((a, b) => a.chance - b.chance);
  const last = order.reduce((at, { chance }, i) => (chance <= ((i + 1) / order.length) * FALSE_ALARMS ? i : at), -1);
  const found = new Set(order.slice(0, last + 1));
  return leanings.map((leaning) => ({ ...leaning, found: found.has(leaning) }));
}

/** How often as many plants drawn at random lie as far from the mean of all, either way. */
function byChance(values: number[], count: number, differential: number, random: () => number): number {
  const shuffled = [...values];
  const middle = values.reduce((a, b) => a + b, 0) / values.length;
  let as = 0;
  for (let times = 0; times < SHUFFLES; times++) {
    let sum = 0;
    for (let i = 0; i < count; i++) {
      const j = i + Math.floor(random() * (shuffled.length - i));
      [shuffled[i], shuffled[j]] = [shuffled[j]!, shuffled[i]!];
      sum += shuffled[i]!;
    }
    if (Math.abs(sum / count - middle) >= Math.abs(differential) - 1e-12) as++;
  }
  // What was seen is one of the ways it may fall.
  return (as + 1) / (SHUFFLES + 1);
}
