export type RoguingForecastInput = {
  frequency: number;
  generations: number;
  detection: number;
  timing: "before-flowering" | "after-flowering";
  selfingRate?: number;
  /** F of the plants at the start, 0 where nothing is said: Hardy–Weinberg shares. */
  inbreeding?: number;
  /** Which plants show it: those with two of the gene, or those with any. */
  inheritance?: "recessive" | "dominant";
};

/** Shares of the three genotypes; `aa` shows the off-type. */
type Genotypes = { AA: number; Aa: number; aa: number };

const shareOfA = ({ Aa, aa }: Genotypes) => aa + Aa / 2;

/** Without a share of the off-types, brought to 1. */
function without({ AA, Aa, aa }: Genotypes, removed: number, dominant: boolean): Genotypes {
  const carriers = dominant ? Aa * (1 - removed) : Aa;
  const left = AA + carriers + aa * (1 - removed);
  if (!(left > 0)) throw new RangeError("every plant is an off-type and goes out, so that no parents are left");
  return { AA: AA / left, Aa: carriers / left, aa: (aa * (1 - removed)) / left };
}

/**
 * How one off-type fades under roguing, a recessive one where nothing else is said: its gene's frequency and the share of off-types in each generation, before
 * that generation is rogued.
 *
 * Genotypes are followed from Hardy–Weinberg shares, or from those of inbred plants. A share `detection` of the off-types is removed as seed parents, and as
 * pollen parents too only where they go out before flowering; of the seed, `selfingRate` is selfed and the rest outcrossed.
 * Source: selection against a recessive with partial selfing (Falconer and Mackay 1996; Hedrick 2011).
 * @param input.frequency of the recessive gene, 0–1
 * @param input.generations whole number
 * @param input.detection share of off-types that are found, 0–1
 * @returns element 0 is the start
 * @throws RangeError where no parents are left
 * @example roguingForecast({ frequency: 0.3, generations: 1, detection: 1, timing: "before-flowering" })
 *   // { frequency: [0.3, 0.231], offTypes: [0.09, 0.053] }
 */
export function roguingForecast({
  frequency,
  generations,
  detection,
  timing,
  selfingRate = 0,
  inheritance = "recessive",
  inbreeding = 0,
}: RoguingForecastInput): {
  frequency: number[];
  offTypes: number[];
} {
  const q = frequency;
  const both = inbreeding * q * (1 - q);
  let now: Genotypes = { AA: (1 - q) ** 2 + both, Aa: 2 * (q * (1 - q) - both), aa: q * q + both };
  const dominant = inheritance === "dominant";
  const shown = ({ Aa, aa }: Genotypes) => (dominant ? Aa + aa : aa);
  const forecast = { frequency: [shareOfA(now)], offTypes: [shown(now)] };
  for (let t = 0; t < generations; t++) {
    const mothers = without(now, detection, dominant);
    const fathers = timing === "before-flowering" ? mothers : now;
    const [egg, pollen] = [shareOfA(mothers), shareOfA(fathers)];
    const s = selfingRate;
    now = {
      AA: s * (mothers.AA + mothers.Aa / 4) + (1 - s) * (1 - egg) * (1 - pollen),
      Aa: s * (mothers.Aa / 2) + (1 - s) * (egg * (1 - pollen) + pollen * (1 - egg)),
      aa: s * (mothers.aa + mothers.Aa / 4) + (1 - s) * egg * pollen,
    };
    forecast.frequency.push(shareOfA(now));
    forecast.offTypes.push(shown(now));
  }
  return forecast;
}
