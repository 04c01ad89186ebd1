import type { Db } from "@/db/open";
import { RECORDS } from "@/records/records";

const WIDE = 170;
/** Lists and things that other tests are about, or that are the catalogue's own words. */
const LEFT_OUT = new Set([
  "garden",
  "band",
  "protocol",
  "protocols",
  "species",
  "hazards",
  "daysToRipe",
  "methods",
  "step",
]);

/** Ids as the table's name and the place of the row in it. */
function namesOf(db: Db): Map<string, string> {
  const tables = [...RECORDS.map(({ table }) => table as string), "op"];
  return new Map(
    tables.flatMap((table) =>
      (db.prepare(`SELECT id FROM "${table}" ORDER BY rowid`).pluck().all() as string[]).map(
        (id, i) => [id, `${table} ${i + 1}`] as const,
      ),
    ),
  );
}

const rounded = (n: number) => (Number.isInteger(n) ? String(n) : String(Number(n.toPrecision(5))));

/** What a view gives, in lines that a person can read through: ids by name, numbers to five digits. */
export function told(db: Db, view: unknown): string {
  const names = namesOf(db);
  const named = (text: string) => text.replace(/[0-9a-f]{8}-[0-9a-f-]{27}/g, (id) => names.get(id) ?? "nobody");
  const write = (value: unknown, indent: string): string => {
    if (typeof value === "number") return rounded(value);
    if (typeof value === "string") return JSON.stringify(named(value));
    if (typeof value !== "object" || value === null) return String(value);
    if (value instanceof Date) return value.toISOString();
    if (value instanceof Map) return write(Object.fromEntries(value), indent);
    const list = Array.isArray(value);
    const parts = Object.entries(value)
      .filter(([key, inner]) => list || typeof inner !== "object" || !LEFT_OUT.has(key))
      .map(([key, inner]) => `${list ? "" : `${named(key)}: `}${write(inner, `${indent}  `)}`);
    const [open, close] = list ? "[]" : "{}";
    const line = `${open} ${parts.join(", ")} ${close}`;
    if (!line.includes("\n") && indent.length + line.length <= WIDE) return parts.length ? line : `${open}${close}`;
    return `${open}\n${parts.map((part) => `${indent}  ${part}`).join(",\n")}\n${indent}${close}`;
  };
  return `${write(view, "")}\n`;
}
