/**
 * Whether a mark says that a plant stays for its seed.
 * @example isKept("watch") // false
 */
export const isKept = (mark: string): boolean => mark === "keep" || mark === "seed-parent";
