import { sorted } from "./kind";

/** So many categories have a digit each. */
const BY_DIGIT = 9;
const haveDigits = (categories: string[]) => categories.length <= BY_DIGIT;

/** One of some categories that are described. */
export const category = sorted({
  name: "One of some words",
  heritability: { low: 0.3, high: 0.9 },
  describedBy: ["categories"],
  wanted: ["category", "none"],
  categories: (described) => described,
  entry: (categories) =>
    haveDigits(categories)
      ? { by: "press", inOneRow: false, choices: categories.map((one) => ({ typed: one, label: one })) }
      : { by: "typing", keyboard: "text" },
  keys: (categories) =>
    haveDigits(categories)
      ? `${categories.map((one, i) => `${i + 1} ${one}`).join(", ")}: scores and goes on`
      : "type the word, Enter goes on",
  byKey: (key, categories) =>
    haveDigits(categories) && /^[1-9]$/.test(key) ? (categories[Number(key) - 1] ?? null) : null,
  begins: (key, categories) => !haveDigits(categories) && /^\p{L}$/u.test(key),
  goesOn: (key, categories) => !haveDigits(categories) && /^[\p{L}0-9 -]$/u.test(key),
  read: (typed, { categories }) => {
    const asked = typed.toLowerCase();
    const fits = categories.filter((one) => one.toLowerCase().startsWith(asked));
    const found = categories.find((one) => one.toLowerCase() === asked) ?? (fits.length === 1 ? fits[0] : undefined);
    return found ? { value: { number: null, word: found } } : { takes: `one of: ${categories.join(", ")}` };
  },
  meant: (typed) => ({ number: null, word: typed }),
});
