/** A table over some variables, the last one running fastest; each variable has as many states as any other. */
export type Factor = { over: number[]; table: Float64Array };

/** Tables of more entries are not made: kin that is so interwoven is not reckoned. */
const LARGEST = 200_000;

/** The order in which variables are summed out: always one that is tied to the fewest of those left. */
function orderOf(count: number, factors: Factor[]): Int32Array {
  const tied = Array.from({ length: count }, () => new Set<number>());
  const tie = (over: number[]) => {
    for (const one of over) for (const other of over) if (one !== other) tied[one]!.add(other);
  };
  for (const { over } of factors) tie(over);
  const order = new Int32Array(count);
  const left = new Set(tied.keys());
  for (let at = 0; at < count; at++) {
    let best = -1;
    for (const one of left) {
      if (best < 0 || tied[one]!.size < tied[best]!.size) best = one;
      // Nobody is tied to fewer than one but whoever is by himself.
      if (tied[best]!.size <= 1) break;
    }
    order[at] = best;
    left.delete(best);
    const around = [...tied[best]!];
    for (const other of around) tied[other]!.delete(best);
    tie(around);
  }
  return order;
}

/** Below this a table is brought up again, so that a thousand offspring do not make it vanish. */
const SMALL = 1e-100;

/** Multiplies a factor into a table over more variables, but for a constant. */
function multiply(into: Factor, by: Factor, states: number): void {
  const steps = stepsIn(into.over, by.over, states);
  let most = 0;
  walk(into.over.length, states, steps, (at, place) => {
    const product = into.table[at]! * by.table[place]!;
    into.table[at] = product;
    if (product > most) most = product;
  });
  if (most > 0 && most < SMALL) for (let i = 0; i < into.table.length; i++) into.table[i]! /= most;
}

/** How far each variable of a table moves along another one; 0 where the other has it not. */
function stepsIn(over: number[], other: number[], states: number): number[] {
  return over.map((variable) => {
    const place = other.indexOf(variable);
    return place < 0 ? 0 : states ** (other.length - 1 - place);
  });
}

/** Goes through all entries of a table, with where each stands in another one. */
function walk(variables: number, states: number, steps: number[], visit: (at: number, place: number) => void): void {
  const digits = new Int32Array(variables);
  const all = states ** variables;
  let place = 0;
  for (let at = 0; at < all; at++) {
    visit(at, place);
    for (let d = variables - 1; d >= 0; d--) {
      place += steps[d]!;
      if (++digits[d]! < states) break;
      place -= steps[d]! * states;
      digits[d] = 0;
    }
  }
}

/** Sums a table down to some of its variables. */
function summed({ over, table }: Factor, onto: number[], states: number): Factor {
  const left: Factor = { over: onto, table: new Float64Array(states ** onto.length) };
  walk(over.length, states, stepsIn(over, onto, states), (at, place) => {
    left.table[place]! += table[at]!;
  });
  return left;
}

/** Makes a table sum to one; whether there was anything in it. */
function scaled({ table }: Factor): boolean {
  const sum = table.reduce((a, b) => a + b, 0);
  if (!(sum > 0)) return false;
  for (let i = 0; i < table.length; i++) table[i]! /= sum;
  return true;
}

/**
 * The chance of every state of every variable, given factors whose product is their joint chance: exact, by variable elimination
 * there and back (Dechter 1999, bucket trees; Lauritzen and Spiegelhalter 1988).
 * @param count how many variables, each with so many states
 * @returns for each variable its chances; null where the factors contradict each other
 * @throws RangeError where the variables are tied too closely to be reckoned
 * @example marginals(1, 2, [{ over: [0], table: Float64Array.of(1, 3) }])?.[0] // { "0": 0.25, "1": 0.75 }
 */
export function marginals(count: number, states: number, factors: Factor[]): Float64Array[] | null {
  const order = orderOf(count, factors);
  const turn = new Int32Array(count);
  for (const [at, variable] of order.entries()) turn[variable] = at;
  const bucketOf = (over: number[]) =>
    over.reduce((first, variable) => (turn[variable]! < turn[first]! ? variable : first));
  const buckets: Factor[][] = Array.from({ length: count }, () => []);
  for (const factor of factors) if (factor.over.length > 0) buckets[bucketOf(factor.over)]!.push(factor);
  const tables: Factor[] = new Array(count);
  const messages: (Factor | null)[] = new Array(count).fill(null);
  for (const variable of order) {
    const over = [variable, ...new Set(buckets[variable]!.flatMap((factor) => factor.over))].filter(
      (one, i) => i === 0 || one !== variable,
    );
    if (states ** over.length > LARGEST) throw new RangeError("They are kin in too many ways to be reckoned.");
    const table: Factor = { over, table: new Float64Array(states ** over.length).fill(1) };
    for (const factor of buckets[variable]!) multiply(table, factor, states);
    if (!scaled(table)) return null;
    tables[variable] = table;
    if (over.length === 1) continue;
    const message = summed(table, over.slice(1), states);
    messages[variable] = message;
    buckets[bucketOf(message.over)]!.push(message);
  }
  for (let at = count - 1; at >= 0; at--) {
    const variable = order[at]!;
    const message = messages[variable];
    if (!message) continue;
    // What the rest of the pedigree says beyond what was told to it from here.
    const back = summed(tables[bucketOf(message.over)]!, message.over, states);
    for (let i = 0; i < back.table.length; i++)
      back.table[i] = message.table[i]! > 0 ? back.table[i]! / message.table[i]! : 0;
    multiply(tables[variable]!, back, states);
    if (!scaled(tables[variable]!)) return null;
  }
  return tables.map((table, variable) => summed(table, [variable], states).table);
}
