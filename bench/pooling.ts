import { linesLived } from "@/core/tests/linesLived";

/** How often the range of nine tenths holds a line's set rate, by how far lines lie apart. */
export function benchPooling(): void {
  console.log("\nSet rates: spread between lines (logit) | range of nine tenths held, no flowers of its own / twenty");
  for (const spread of [0, 0.3, 0.6, 1]) {
    const held = [0, 20].map((own) => (100 * linesLived(spread, own, 2000, 5)).toFixed(1));
    console.log(`${String(spread).padStart(5)} | ${held[0]} % / ${held[1]} %`);
  }
}
