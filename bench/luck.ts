/** Chance of the simulators' own: the same seed gives the same world; they share nothing with what they judge. */
export class Luck {
  private state: number;
  private spare: number | null = null;
  constructor(seed: number) {
    this.state = (seed * 2654435761 + 12345) >>> 0 || 1;
  }
  /** Even in [0, 1): xorshift. */
  even(): number {
    let x = this.state;
    x ^= x << 13;
    x >>>= 0;
    x ^= x >>> 17;
    x ^= x << 5;
    this.state = x >>> 0;
    return this.state / 4_294_967_296;
  }
  yes(chance: number): boolean {
    return this.even() < chance;
  }
  upTo(n: number): number {
    return Math.floor(this.even() * n);
  }
  /** Normal, by the polar method. */
  normal(): number {
    if (this.spare !== null) {
      const kept = this.spare;
      this.spare = null;
      return kept;
    }
    for (;;) {
      const [a, b] = [2 * this.even() - 1, 2 * this.even() - 1];
      const s = a * a + b * b;
      if (s === 0 || s >= 1) continue;
      const by = Math.sqrt((-2 * Math.log(s)) / s);
      this.spare = b * by;
      return a * by;
    }
  }
}

export const meanOf = (list: number[]): number => list.reduce((a, b) => a + b, 0) / list.length;

/** The standard error of a mean. */
export function errorOf(list: number[]): number {
  const middle = meanOf(list);
  return Math.sqrt(list.reduce((sum, x) => sum + (x - middle) ** 2, 0) / (list.length - 1) / list.length);
}
