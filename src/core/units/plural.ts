/** A count with its word, in the plural where it is not one. @example plural(2, "flower") // "2 flowers" */
export const plural = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`;
