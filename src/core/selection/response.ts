export type SelectionResponseInput = { heritability: number; differential: number; parentalControl?: number };

/**
 * What selection is expected to move the next generation's mean by: R = c h² S.
 *
 * Source: the breeder's equation (Lush 1937).
 * @param input.heritability narrow sense, 0–1
 * @param input.differential S, mean of the chosen less mean of all, in the trait's unit
 * @param input.parentalControl c: 1 where both parents were chosen, ½ where pollen came from anyone
 * @returns {{response: number}} in the trait's unit
 * @example selectionResponse({ heritability: 0.3, differential: 12, parentalControl: 0.5 }) // { response: 1.8 }
 */
export const selectionResponse = ({
  heritability,
  differential,
  parentalControl = 1,
}: SelectionResponseInput): { response: number } => ({ response: parentalControl * heritability * differential });
