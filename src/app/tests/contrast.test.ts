import { readFileSync } from "node:fs";
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
