/** A bed as it is spoken of: `bed A`, but `far bed`. @example bedInWords("A") // "bed A" */
export const bedInWords = (name: string): string => (/\bbed\b/i.test(name) ? name : `bed ${name}`);

/** Where a stand is, by the name of its bed. @example placeInWords(null) // "in trays" */
export const placeInWords = (bedName: string | null): string => (bedName ? bedInWords(bedName) : "in trays");
