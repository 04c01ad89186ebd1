import { ours, PUBLISHED } from "@/catalogue/tests/published";
import { seasonsLived } from "@/core/tests/isolationSeasons";

const percent = (share: number) => `${(share * 100).toPrecision(2)} %`;

/** Pollen flow as it was published beside ours, and seasons lived beside what was said of them. */
export function benchPublished(): void {
  console.log("\nPublished pollen flow: found | ours, likely and nine tenths | times off the nearer end");
  for (const one of PUBLISHED) {
    const [low, high] = one.found;
    const { likely, ...range } = ours(one);
    const off = likely < low ? low / likely : likely > high ? likely / high : 1;
    console.log(
      `${one.what} (${one.by}): ${percent(low)} to ${percent(high)} | ${percent(likely)} (${percent(range.low)} to ${percent(range.high)}) | ${off.toFixed(1)}`,
    );
  }
  const lived = seasonsLived(2000, 1, false);
  const tried = seasonsLived(400, 2, true);
  const share = (of: number, all: number) => `${((100 * of) / all).toFixed(1)} % of ${all}`;
  console.log(`\n2,000 seasons lived: in the range of nine tenths ${share(lived.inRange, lived.seasons)}`);
  console.log(`called within, and over the limit: ${share(lived.wrong, lived.within)}`);
  console.log(`ways out called enough that kept the limit: ${share(tried.kept, tried.enough)}`);
}
