/** A bed as it is spoken of: `bed A`, but `far bed`. @example bedInWords("A") // "bed A" */
export const bedInWords = (name: string): string => (/\bbed\b/i.test(name) ? name : `bed ${name}`);
