/** A title as it stands within a sentence. @example within("Stir the ferment") // "stir the ferment" */
export const within = (title: string): string => `${title.charAt(0).toLowerCase()}${title.slice(1)}`;
