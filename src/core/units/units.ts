import { figure } from "../writing/numbers";

export type Units = "metric" | "imperial";

const METRES_PER_FOOT = 0.3048;
const GRAMS_PER_OUNCE = 28.349523125;

const round = (value: number): string => {
  const size = Math.abs(value);
  return figure(value, size >= 100 ? 0 : size >= 10 ? 1 : 2);
};

/** Long ways are known by their first figures only: 800 m are no 2,625 ft. */
const roughly = (feet: number) => (Math.abs(feet) >= 1000 ? Number(feet.toPrecision(2)) : feet);

/** A length kept in metres, in the grower's units with the unit. @example lengthInWords(140, "imperial") // "459 ft" */
export function lengthInWords(metres: number, units: Units): string {
  return units === "metric" ? `${round(metres)} m` : `${round(roughly(metres / METRES_PER_FOOT))} ft`;
}

/** An area kept in square metres, in the grower's units, up to the next whole one. @example areaInWords(2.4, "imperial") // "26 sq ft" */
export const areaInWords = (area: number, units: Units): string =>
  units === "metric" ? `${Math.ceil(area)} m²` : `${Math.ceil(area / METRES_PER_FOOT ** 2)} sq ft`;

/** A mass kept in grams, in the grower's units with the unit. @example massInWords(56.7, "imperial") // "2 oz" */
export function massInWords(grams: number, units: Units): string {
  return units === "metric" ? `${round(grams)} g` : `${round(grams / GRAMS_PER_OUNCE)} oz`;
}

/** Metres as the number that the grower types. @example lengthShown(3.048, "imperial") // 10 */
export const lengthShown = (metres: number, units: Units): number =>
  Number((units === "metric" ? metres : metres / METRES_PER_FOOT).toFixed(2));
/** Metres from what the grower types. @example lengthTyped(10, "imperial") // 3.048 */
export const lengthTyped = (typed: number, units: Units): number =>
  units === "metric" ? typed : typed * METRES_PER_FOOT;
/** Grams from what the grower types. @example massTyped(2, "imperial") // 56.70 */
export const massTyped = (typed: number, units: Units): number =>
  units === "metric" ? typed : typed * GRAMS_PER_OUNCE;

/** The unit that lengths are shown in. @example lengthUnit("imperial") // "ft" */
export const lengthUnit = (units: Units): string => (units === "metric" ? "m" : "ft");
/** The unit that masses are shown in. @example massUnit("metric") // "g" */
export const massUnit = (units: Units): string => (units === "metric" ? "g" : "oz");
