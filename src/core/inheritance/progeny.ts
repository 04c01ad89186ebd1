/** A plant is as good as surely pure nineteen times in twenty. */
export const SURELY_PURE = 0.95;

export type ProgenyTestInput = { priorHeterozygous: number; progeny: number; kind: "selfed" | "testcrossed" };

/**
 * The chance that a plant breeds true for a dominant trait, as none of its offspring showed the recessive.
 *
 * Each offspring that does not show it weighs the heterozygote by ¾ where the plant was selfed, by ½ where it was crossed
 * to a recessive. Source: Bayes' rule on Mendel's ratios.
 * @param input.priorHeterozygous chance, before any offspring, that it carries the recessive, 0–1
 * @param input.progeny offspring looked at, none of them recessive
 * @returns {{posteriorHomozygous: number}} 0–1
 * @example progenyTest({ priorHeterozygous: 2 / 3, progeny: 12, kind: "selfed" }) // { posteriorHomozygous: 0.940 }
 */
export function progenyTest({ priorHeterozygous, progeny, kind }: ProgenyTestInput): { posteriorHomozygous: number } {
  const hidden = priorHeterozygous * (kind === "selfed" ? 0.75 : 0.5) ** progeny;
  const sum = 1 - priorHeterozygous + hidden;
  // A carrier for certain stays one, whatever is too rare to be written as a number.
  return { posteriorHomozygous: sum > 0 ? (1 - priorHeterozygous) / sum : 0 };
}

/**
 * How many offspring to look at, none of them recessive, until a plant that shows a dominant trait is as surely pure as wanted.
 * @param input.priorHeterozygous chance, before any offspring, that it carries the recessive, 0–1 (not 1)
 * @param input.sure 0–1 (not 1)
 * @throws RangeError where no number would do
 * @example progenyNeeded({ priorHeterozygous: 2 / 3, sure: 0.95, kind: "selfed" }) // 13
 */
export function progenyNeeded({
  priorHeterozygous,
  sure,
  kind,
}: Pick<ProgenyTestInput, "priorHeterozygous" | "kind"> & { sure: number }): number {
  if (!(priorHeterozygous >= 0 && priorHeterozygous < 1)) throw new RangeError("a carrier for certain is never pure");
  if (!(sure > 0 && sure < 1)) throw new RangeError("nobody is wholly sure");
  if (priorHeterozygous <= 1 - sure) return 0;
  const wanted = ((1 - sure) / sure) * ((1 - priorHeterozygous) / priorHeterozygous);
  return Math.ceil(Math.log(wanted) / Math.log(kind === "selfed" ? 0.75 : 0.5) - 1e-9);
}
