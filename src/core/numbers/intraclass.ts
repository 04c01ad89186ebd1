import jstat from "jstat";
import { betaQuantile } from "./betaRange";

/**
 * The value that an F variable stays below with a probability.
 * @param top degrees of freedom of the variance above, `bottom` of the one below
 * @example fQuantile(0.95, 2, 10) // 4.1028
 */
export function fQuantile(probability: number, top: number, bottom: number): number {
  const x = betaQuantile({ a: top / 2, b: bottom / 2 }, probability);
  return (x * bottom) / ((1 - x) * top);
}

/**
 * The share of what differs that is between classes, from the ratio of their mean square to the one within, with its
 * nine-tenths range by the F distribution. Source: Fisher's intraclass correlation.
 * @param ratio mean square between over mean square within; infinite where nothing differs within
 * @param each how many were seen of a class, parts allowed
 * @param between degrees of freedom of the one
 * @param within of the other
 * @example intraclass(1, 2, 3, 4).share // 0
 */
export function intraclass(ratio: number, each: number, between: number, within: number) {
  const at = (f: number) => (Number.isFinite(f) ? Math.max(0, Math.min(1, (f - 1) / (f - 1 + each))) : 1);
  return {
    share: at(ratio),
    low: at(ratio / fQuantile(0.95, between, within)),
    high: at(ratio * fQuantile(0.95, within, between)),
  };
}

/**
 * The chance that an F variable lies below a value.
 * @param top degrees of freedom of the variance above, `bottom` of the one below
 * @example fCumulative(4.1028, 2, 10) // 0.95
 */
export const fCumulative = (value: number, top: number, bottom: number): number =>
  jstat.beta.cdf((top * value) / (top * value + bottom), top / 2, bottom / 2);
