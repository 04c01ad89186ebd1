/** A number where there is one; null where no number would do. */
export function numberOf<T>(reckoned: () => T): T | null {
  try {
    return reckoned();
  } catch (failure) {
    if (failure instanceof RangeError) return null;
    throw failure;
  }
}
