/** A parent's line, and its plant where one is named. @example parentName("Ashlar Gold", 3) // "Ashlar Gold plant 3" */
export const parentName = (name: string, plant: number | null): string => `${name}${plant ? ` plant ${plant}` : ""}`;

type Father = { kind: string; fatherName: string; fatherNumber: number | null; moreFathers: number };

/** The father of a cross in words: the first of several, or the mother herself. @example fatherInWords({ kind: "cross", fatherName: "Nettle Moon", fatherNumber: null, moreFathers: 2 }) // "Nettle Moon and 1 more" */
export const fatherInWords = ({ kind, fatherName, fatherNumber, moreFathers }: Father): string =>
  kind === "self"
    ? "itself"
    : `${parentName(fatherName, fatherNumber)}${moreFathers > 1 ? ` and ${moreFathers - 1} more` : ""}`;
