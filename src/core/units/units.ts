export type Units = "metric" | "imperial";

const METRES_PER_FOOT = 0.3048;
const GRAMS_PER_OUNCE = 28.349523125;

const round = (value: number): string => {
  const size = Math.abs(value);
  return String(Number(value.toFixed(size >= 100 ? 0 : size >= 10 ? 1 : 2)));
};

/** A length kept in metres, in the grower's units with the unit. @example lengthInWords(140, "imperial") // "459 ft" */
export function lengthInWords(metres: number, units: Units): string {
  return units === "metric" ? `${round(metres)} m` : `${round(metres / METRES_PER_FOOT)} ft`;
}

/** A mass kept in grams, in the grower's units with the unit. */
export function massInWords(grams: number, units: Units): string {
  return units === "metric" ? `${round(grams)} g` : `${round(grams / GRAMS_PER_OUNCE)} oz`;
}

/** Metres to what the grower types, and back. */
export const lengthShown = (metres: number, units: Units): number =>
  Number((units === "metric" ? metres : metres / METRES_PER_FOOT).toFixed(2));
export const lengthTyped = (typed: number, units: Units): number =>
  units === "metric" ? typed : typed * METRES_PER_FOOT;
/** Grams from what the grower types. */
export const massTyped = (typed: number, units: Units): number =>
  units === "metric" ? typed : typed * GRAMS_PER_OUNCE;

export const lengthUnit = (units: Units): string => (units === "metric" ? "m" : "ft");
export const massUnit = (units: Units): string => (units === "metric" ? "g" : "oz");
