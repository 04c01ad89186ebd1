import { probit } from "../numbers/probit";

export type GerminationInterval = { low: number; high: number };

/**
 * The range of the share that germinates, from a test: Wilson's score interval.
 *
 * Source: Wilson 1927.
 * @param input.germinated and input.sown seeds, germinated at most sown, sown from 1
 * @param input.confidence 0–1, not its ends
 * @example germinationInterval({ germinated: 18, sown: 20, confidence: 0.95 }) // { low: 0.699, high: 0.972 }
 */
export function germinationInterval(input: {
  germinated: number;
  sown: number;
  confidence: number;
}): GerminationInterval {
  const { germinated, sown, confidence } = input;
  const z = probit((1 + confidence) / 2);
  const share = germinated / sown;
  const middle = share + z ** 2 / (2 * sown);
  const half = z * Math.sqrt((share * (1 - share)) / sown + z ** 2 / (4 * sown ** 2));
  const whole = 1 + z ** 2 / sown;
  return { low: Math.max(0, (middle - half) / whole), high: Math.min(1, (middle + half) / whole) };
}

/** A test narrower than this, to each side, tells no grower more. Working value. */
const TELLING = 0.12;
/** No more than this share of what is left goes into a test. Working value. */
const SPENT = 0.1;
/** Of fewer seeds no test tells anything. */
export const FEWEST_TESTED = 10;
const MOST = 100;

/** How many seeds to test, and how far to either side the answer of so many reaches. */
export type TestPlan = { seeds: number; half: number; precious: boolean };

/**
 * How many seeds a test needs: the fewest, in tens, whose nine-tenths range reaches no farther than 12 in 100 to a side;
 * but no more than a tenth of what is left, and never under ten.
 * @param expected the share thought to germinate, 0–1
 * @param left seeds left; null where nobody counted
 * @returns null where fewer than ten are left
 * @example testPlan(0.85, null) // { seeds: 30, half: 0.107, precious: false }
 */
export function testPlan(expected: number, left: number | null): TestPlan | null {
  if (left !== null && left < FEWEST_TESTED) return null;
  const half = (sown: number) => {
    const { low, high } = germinationInterval({ germinated: expected * sown, sown, confidence: 0.9 });
    return (high - low) / 2;
  };
  let seeds = FEWEST_TESTED;
  while (half(seeds) > TELLING && seeds < MOST) seeds += 10;
  const most = left === null ? MOST : Math.max(FEWEST_TESTED, Math.floor(left * SPENT));
  const spent = Math.min(seeds, most);
  return { seeds: spent, half: half(spent), precious: spent < seeds };
}
