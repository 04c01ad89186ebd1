import type { SampledPedigree } from "./kinship";

/** A plant in one environment: who it is in the pedigree, its environment (a bed in a season), its row, and where it stands, m. */
export type Bedded = {
  individual: number;
  environment: number;
  /** Plants of a row share the row's place; null where nobody knows. */
  row: string | null;
  x: number | null;
  y: number | null;
};

/** What a column of the model stands for. */
export type ColumnKind = "environment" | "genes" | "row" | "place";

/** One unknown that several plants share: how much of it each has, and its variance in its kind's unit. */
export type Column = { kind: ColumnKind; variance: number };

/** Plants as sums of what they share, each with a part of its own. */
export type BedModel = {
  plants: number;
  columns: Column[];
  /** Of each plant its columns and how much of each it has. */
  at: Int32Array[];
  much: Float64Array[];
  /** Additive variance that is each plant's own, that nobody else has, in units of the base's. */
  own: Float64Array;
};

/** Plants whose place is told in a bed, before a smooth surface is thought of. */
const FEWEST_PLACED = 8;
/** Waves along and across the bed: the longest first, each finer one less. */
const ALONG = 3;
const ACROSS = 2;

/** How much of each forebear's own sampling a plant has. */
function traced(pedigree: SampledPedigree, individual: number): Map<number, number> {
  const { mother, father, ofMother, ofFather } = pedigree;
  const much = new Map([[individual, 1]]);
  // Parents stand before their children: from the youngest up.
  const open = [individual];
  while (open.length > 0) {
    const i = open.pop()!;
    const share = much.get(i)!;
    for (const [parent, of] of [
      [mother[i]!, ofMother[i]!],
      [father[i]!, ofFather[i]!],
    ] as const) {
      if (parent < 0 || of === 0) continue;
      if (!much.has(parent)) {
        // The youngest is taken next, when all that leads to it is summed.
        const place = open.findIndex((other) => other > parent);
        open.splice(place < 0 ? open.length : place, 0, parent);
      }
      much.set(parent, (much.get(parent) ?? 0) + share * of);
    }
  }
  return much;
}

type Shared = { kind: ColumnKind; variance: number; plants: number[]; much: number[] };

/** Forebears that several plants have genes of; what one plant alone has is its own. */
function genesOf(pedigree: SampledPedigree, plants: Bedded[]) {
  const own = new Float64Array(plants.length);
  const by = new Map<number, { plants: number[]; much: number[] }>();
  for (const [i, { individual }] of plants.entries())
    for (const [forebear, share] of traced(pedigree, individual)) {
      const known = by.get(forebear) ?? { plants: [], much: [] };
      by.set(forebear, known);
      known.plants.push(i);
      known.much.push(share);
    }
  // What is shared alike is one: the two parents of one cross, say.
  const merged = new Map<string, Shared>();
  for (const [forebear, { plants: who, much }] of by) {
    const sampled = pedigree.sampled[forebear]!;
    if (sampled <= 0) continue;
    if (who.length === 1) {
      own[who[0]!]! += sampled * much[0]! ** 2;
      continue;
    }
    const key = `${who.join(" ")}|${much.map((share) => (share / much[0]!).toFixed(9)).join(" ")}`;
    const known = merged.get(key);
    if (known) known.variance += sampled * (much[0]! / known.much[0]!) ** 2;
    else merged.set(key, { kind: "genes", variance: sampled, plants: who, much });
  }
  return { own, shared: [...merged.values()] };
}

/** Rows with more than one plant in beds with more than one row. */
function rowsOf(plants: Bedded[]): Shared[] {
  const rows = new Map<string, number[]>();
  for (const [i, { environment, row }] of plants.entries())
    if (row !== null) rows.set(`${environment} ${row}`, [...(rows.get(`${environment} ${row}`) ?? []), i]);
  return [...rows.values()].map((who) => ({ kind: "row", variance: 1, plants: who, much: who.map(() => 1) }));
}

/** A smooth surface over each bed, as waves along and across it, of variance 1 on the mean over its plants. */
function placesOf(plants: Bedded[]): Shared[] {
  const beds = new Map<number, number[]>();
  for (const [i, { environment, x, y }] of plants.entries())
    if (x !== null && y !== null) beds.set(environment, [...(beds.get(environment) ?? []), i]);
  return [...beds.values()].flatMap((who) => {
    if (who.length < FEWEST_PLACED) return [];
    const within = (of: "x" | "y") => {
      const values = who.map((i) => plants[i]![of]!);
      const [low, high] = [Math.min(...values), Math.max(...values)];
      return { size: high - low, at: (i: number) => (high > low ? (plants[i]![of]! - low) / (high - low) : 0) };
    };
    const [x, y] = [within("x"), within("y")];
    const [long, short] = x.size >= y.size ? [x, y] : [y, x];
    if (long.size === 0) return [];
    const waves: Shared[] = [];
    for (let k = 0; k <= ALONG; k++)
      for (let l = 0; l <= (short.size > 0 ? ACROSS : 0); l++) {
        if (k + l === 0) continue;
        const much = who.map((i) => Math.cos(Math.PI * k * long.at(i)) * Math.cos(Math.PI * l * short.at(i)));
        const middle = much.reduce((a, b) => a + b, 0) / who.length;
        waves.push({
          kind: "place",
          variance: (1 + k * k + l * l) ** -1.5,
          plants: who,
          much: much.map((value) => value - middle),
        });
      }
    const whole = waves.reduce(
      (sum, wave) => sum + wave.variance * (wave.much.reduce((s, value) => s + value ** 2, 0) / who.length),
      0,
    );
    return whole > 0 ? waves.map((wave) => ({ ...wave, variance: wave.variance / whole })) : [];
  });
}

/** Of an environment's mean nothing is known before. */
const ANYTHING = 1e6;

/**
 * Plants as sums of what they share (their environment, forebears' genes, a row, the place in the bed), and what is their own.
 *
 * An animal model in terms of Mendelian samplings (Quaas 1976), where what plants share with nobody is kept apart, so that as
 * many unknowns are left as there are parents, rows and waves; place as low waves over the bed, beside a row's own.
 * @example bedModel({ mother: Int32Array.of(-1), father: Int32Array.of(-1), ofMother: Float64Array.of(0.5), ofFather: Float64Array.of(0.5), sampled: Float64Array.of(1) },
 *   [{ individual: 0, environment: 0, row: null, x: null, y: null }]).own // { "0": 1 }
 */
export function bedModel(pedigree: SampledPedigree, plants: Bedded[]): BedModel {
  const environments = new Map<number, number[]>();
  for (const [i, { environment }] of plants.entries())
    environments.set(environment, [...(environments.get(environment) ?? []), i]);
  const genes = genesOf(pedigree, plants);
  const all: Shared[] = [
    ...[...environments.values()].map(
      (who): Shared => ({ kind: "environment", variance: ANYTHING, plants: who, much: who.map(() => 1) }),
    ),
    ...genes.shared,
    ...rowsOf(plants),
    ...placesOf(plants),
  ];
  const at: number[][] = plants.map(() => []);
  const much: number[][] = plants.map(() => []);
  for (const [column, { plants: who, much: shares }] of all.entries())
    for (const [k, i] of who.entries()) {
      if (shares[k] === 0) continue;
      at[i]!.push(column);
      much[i]!.push(shares[k]!);
    }
  return {
    plants: plants.length,
    columns: all.map(({ kind, variance }) => ({ kind, variance })),
    at: at.map((list) => Int32Array.from(list)),
    much: much.map((list) => Float64Array.from(list)),
    own: genes.own,
  };
}
