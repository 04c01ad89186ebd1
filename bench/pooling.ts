import { betaOfRange } from "@/core/numbers/beta";
import { betaInterval, betaQuantile } from "@/core/numbers/betaRange";
import { normalFrom, seeded } from "@/core/numbers/chance";
import { nextLine } from "@/core/pollination/pooling";

const SPECIES = 600;

/** How often the range of nine tenths holds a line's set rate, by how far lines lie apart. */
export function benchPooling(): void {
  console.log("\nSet rates: spread between lines (logit) | range of nine tenths held, no flowers of its own / twenty");
  const prior = betaOfRange({ low: 0.25, high: 0.55 });
  const logit = (share: number) => Math.log(share / (1 - share));
  for (const spread of [0, 0.3, 0.6, 1]) {
    const held = [0, 20].map((own) => {
      const luck = seeded(5);
      let hits = 0;
      for (let i = 0; i < SPECIES; i++) {
        const middle = logit(betaQuantile(prior, luck()));
        const rate = () => 1 / (1 + Math.exp(-(middle + spread * normalFrom(luck(), luck()))));
        const flowers = (n: number, at: number) => {
          const set = Array.from({ length: n }, () => luck() < at).filter(Boolean).length;
          return { set, failed: n - set };
        };
        const others = Array.from({ length: 12 }, () => flowers(40, rate()));
        const at = rate();
        const { low, high } = betaInterval(nextLine(prior, others, flowers(own, at)), 0.9);
        if (low <= at && at <= high) hits++;
      }
      return ((100 * hits) / SPECIES).toFixed(1);
    });
    console.log(`${String(spread).padStart(5)} | ${held[0]} % / ${held[1]} %`);
  }
}
