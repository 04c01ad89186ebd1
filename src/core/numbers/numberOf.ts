/**
 * A number where there is one; null where no number would do.
 * @example numberOf(() => { throw new RangeError("none would do"); }) // null
 */
export function numberOf<T>(reckoned: () => T): T | null {
  try {
    return reckoned();
  } catch (failure) {
    if (failure instanceof RangeError) return null;
    throw failure;
  }
}
