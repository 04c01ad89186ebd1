import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";

const CSS = readFileSync("src/app/globals.css", "utf8");

/** The colours of a theme, by token. */
function tokens(selector: string): Record<string, string> {
  const block = CSS.slice(CSS.indexOf(`${selector} {`)).split("}")[0]!;
  return Object.fromEntries(
    [...block.matchAll(/--([a-z-]+): (#[\da-f]{6});/g)].map(([, name, value]) => [name, value]),
  );
}

/** Relative luminance, WCAG 2.2: linear light of sRGB, weighted by how bright the eye finds each. */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const part = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
    return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}

function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light! + 0.05) / (dark! + 0.05);
}

test("contrast is reckoned as WCAG does", () => {
  expect(contrast("#ffffff", "#000000")).toBeCloseTo(21, 5);
  expect(contrast("#777777", "#ffffff")).toBeCloseTo(4.48, 2);
});

const TEXT = ["ink", "soft", "damson", "quince", "moss", "rust", "dusk"];

describe.each([
  ["paper", ":root"],
  ["sun", ':root[data-theme="sun"]'],
  ["dawn", ':root[data-theme="dawn"]'],
])("in the theme %s", (_, selector) => {
  const of = tokens(selector);

  test("every colour that text is written in stands out from both pages, and from the strong button", () => {
    for (const text of TEXT)
      for (const page of ["paper", "leaf"])
        expect(contrast(of[text]!, of[page]!), `${text} on ${page}`).toBeGreaterThanOrEqual(4.5);
    expect(contrast(of["on-damson"]!, of.damson!)).toBeGreaterThanOrEqual(4.5);
    expect(contrast(of.paper!, of.ink!)).toBeGreaterThanOrEqual(7);
  });
});

/** Colours that are no token: written out, or of the framework's palette. What lies behind an open sheet is dimmed. */
const FOREIGN = [
  /#[\da-f]{3,8}\b/i,
  /\b(?:rgba?|hsla?|oklch|oklab)\(/,
  /\b(?:text|bg|border|fill|stroke|ring|outline|accent|decoration|from|to|via)-(?:red|orange|amber|yellow|lime|green|emerald|teal|cyan|sky|blue|indigo|violet|purple|pink|rose|slate|gray|zinc|neutral|stone|black|white)\b/,
];
const foreign = (text: string) => {
  const plain = text.replaceAll("bg-black/40", "").replaceAll(/href=\{?[`"][^`"]*[`"]/g, "");
  return FOREIGN.flatMap((of) => of.exec(plain)?.[0] ?? []);
};

test("no screen has a colour but the tokens, so that what holds for them holds everywhere", () => {
  expect(["text-red-500", "fill: #abc", "rgb(1, 2, 3)", 'className="bg-white"'].map((t) => foreign(t).length)).toEqual([
    1, 1, 1, 1,
  ]);
  const files = ["src/screens", "src/ui", "src/app"].flatMap((folder) =>
    (readdirSync(folder, { recursive: true }) as string[])
      .filter((file) => file.endsWith(".tsx"))
      .map((file) => `${folder}/${file}`),
  );
  expect(files.length).toBeGreaterThan(80);
  expect(files.flatMap((file) => foreign(readFileSync(file, "utf8")).map((what) => `${file}: ${what}`))).toEqual([]);
});
