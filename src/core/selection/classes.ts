import type { BedModel } from "./bedModel";

/** What was seen of the plants on one trait: the mean of each one's looks, and how many; 0 and 0 where nobody looked. */
export type Seen = { values: Float64Array; looks: Float64Array };

/** Plants that are alike in how much is their own and how often they were looked at: what they say is summed up once. */
export type PlantClass = {
  own: number;
  /** Looks at each plant on each trait, and the traits that were looked at. */
  looks: number[];
  traits: number[];
  plants: number[];
  /** Of every two columns the sum over its plants, the lower triangle row after row. */
  together: Float64Array;
  /** Of each column the sum with each trait's values. */
  told: Float64Array;
  /** Of each trait the sum of its values' squares. */
  squares: number[];
};

/**
 * The plants of a model in classes, with what each sums up to.
 * @example classesOf({ plants: 0, columns: [], at: [], much: [], own: new Float64Array(0) }, []) // []
 */
export function classesOf(model: BedModel, seen: Seen[]): PlantClass[] {
  const size = model.columns.length;
  const classes = new Map<string, PlantClass>();
  for (let i = 0; i < model.plants; i++) {
    const looks = seen.map((one) => one.looks[i]!);
    const key = `${model.own[i]!.toFixed(9)} ${looks.join(" ")}`;
    const known = classes.get(key) ?? {
      own: model.own[i]!,
      looks,
      traits: looks.flatMap((n, t) => (n > 0 ? [t] : [])),
      plants: [],
      together: new Float64Array(size * size),
      told: new Float64Array(size * seen.length),
      squares: seen.map(() => 0),
    };
    classes.set(key, known);
    known.plants.push(i);
    const [cols, shares] = [model.at[i]!, model.much[i]!];
    for (let a = 0; a < cols.length; a++) {
      for (let b = 0; b <= a; b++) {
        const [p, q] = cols[a]! > cols[b]! ? [cols[a]!, cols[b]!] : [cols[b]!, cols[a]!];
        known.together[p * size + q]! += shares[a]! * shares[b]!;
      }
      for (const [t, one] of seen.entries()) known.told[cols[a]! * seen.length + t]! += shares[a]! * one.values[i]!;
    }
    for (const [t, one] of seen.entries()) known.squares[t]! += one.values[i]! ** 2;
  }
  return [...classes.values()];
}
