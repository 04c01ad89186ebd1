import type Joi from "joi";

type Rule = { name: string; args?: Record<string, unknown> };
type Described = Omit<Joi.Description, "rules" | "items" | "keys" | "allow"> & {
  rules?: Rule[];
  items?: Described[];
  keys?: Record<string, Described>;
  allow?: unknown[];
};

const argsOf = ({ name, args = {} }: Rule): string =>
  [name, ...Object.values(args).map((arg) => (typeof arg === "object" || typeof arg === "function" ? "" : String(arg)))]
    .filter(Boolean)
    .join(" ");

/** What a field takes: its kind, limits, choices, and what stands in where nothing is said. */
function taken({ type, rules = [], allow = [], flags = {} }: Described): string {
  const { presence, default: usual, only } = flags as { presence?: string; default?: unknown; only?: boolean };
  const values = allow.map((value) => (value === "" ? "nothing" : String(value)));
  const parts: string[] = [
    presence === "required" ? "needed" : "",
    type ?? "any",
    ...rules.map(argsOf).filter((rule) => !rule.startsWith("custom") && rule !== "trim true"),
    values.length > 12
      ? `one of ${values.length}`
      : `${only ? "one of" : values.length ? "or" : ""} ${values.join(", ")}`,
    usual === undefined ? "" : `else ${JSON.stringify(usual)}`,
  ];
  return parts
    .map((part) => part.trim())
    .filter(Boolean)
    .join("; ");
}

function lines(name: string, field: Described): string[] {
  return [
    `${name}: ${taken(field)}`,
    ...(field.items ?? []).flatMap((item) => lines(`${name}[]`, item)),
    ...Object.entries(field.keys ?? {}).flatMap(([key, inner]) => lines(`${name}.${key}`, inner)),
  ];
}

/** What a schema takes, a line a field. */
export const described = (name: string, schema: Joi.ObjectSchema): string[] =>
  Object.entries((schema.describe() as Described).keys ?? {}).flatMap(([field, of]) => lines(`${name} ${field}`, of));
