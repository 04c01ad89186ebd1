const WIDE = 170;

const rounded = (n: number) => (Number.isInteger(n) ? String(n) : String(Number(n.toPrecision(5))));

/**
 * A value in lines that a person can read through: numbers to five digits, what fits on one line on one.
 * @param shown what is shown of a field of a thing; all where nothing is said
 * @param words what is written for a text
 */
export function told(
  value: unknown,
  shown: (key: string, inner: unknown) => boolean = () => true,
  words: (text: string) => string = (text) => text,
): string {
  const write = (inner: unknown, indent: string): string => {
    if (typeof inner === "number") return rounded(inner);
    if (typeof inner === "string") return JSON.stringify(words(inner));
    if (typeof inner !== "object" || inner === null) return String(inner);
    if (inner instanceof Date) return inner.toISOString();
    if (inner instanceof Map) return write(Object.fromEntries(inner), indent);
    const list = Array.isArray(inner);
    const parts = Object.entries(inner)
      .filter(([key, part]) => list || shown(key, part))
      .map(([key, part]) => `${list ? "" : `${words(key)}: `}${write(part, `${indent}  `)}`);
    const [open, close] = list ? "[]" : "{}";
    const line = `${open} ${parts.join(", ")} ${close}`;
    if (!line.includes("\n") && indent.length + line.length <= WIDE) return parts.length ? line : `${open}${close}`;
    return `${open}\n${parts.map((part) => `${indent}  ${part}`).join(",\n")}\n${indent}${close}`;
  };
  return `${write(value, "")}\n`;
}

/** What a screen says in several parts, each under its name. */
export const inParts = (parts: [name: string, text: string][]): string =>
  parts.map(([name, text]) => `== ${name}\n${text}`).join("\n");
