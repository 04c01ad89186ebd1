import { readdirSync, readFileSync } from "node:fs";
import ts from "typescript";
import { describe, expect, test } from "vitest";

const FILES = (readdirSync("src/core", { recursive: true }) as string[])
  .filter((file) => file.endsWith(".ts") && !file.endsWith(".d.ts") && !/\.test\.|\btests\//.test(file))
  .map((file) => `src/core/${file}`);

type Example = { of: string; call: string; gives: string };

/** What a file shows of its functions: `@example call // what it gives`. */
function examplesIn(file: string): Example[] {
  const source = ts.createSourceFile(file, readFileSync(file, "utf8"), ts.ScriptTarget.Latest, true);
  return source.statements.flatMap((statement) =>
    ts.getJSDocTags(statement).flatMap((tag) => {
      if (tag.tagName.text !== "example") return [];
      const text = ts.getTextOfJSDocComment(tag.comment) ?? "";
      const [call, ...gives] = text.replaceAll("\n", " ").split(" // ");
      return [{ of: file, call: call!.trim(), gives: gives.join(" // ").trim() }];
    }),
  );
}

const evaluated = (text: string, scope: Record<string, unknown>): unknown =>
  new Function(...Object.keys(scope), `"use strict"; return (${text});`)(...Object.values(scope));

/** Numbers are shown rounded: they are held to the last digit that is written. */
function tolerance(gives: string): number {
  const digits = [...gives.matchAll(/\.(\d+)/g)].map(([, decimals]) => decimals!.length);
  return 0.5 * 10 ** -Math.max(0, ...digits) + 1e-9;
}

function alike(is: unknown, shown: unknown, within: number): boolean {
  if (typeof shown === "number") return typeof is === "number" && Math.abs(is - shown) <= within;
  if (typeof shown === "string" && shown.endsWith("…")) return String(is).startsWith(shown.slice(0, -1));
  if (typeof shown !== "object" || shown === null) return is === shown;
  if (typeof is !== "object" || is === null || Array.isArray(is) !== Array.isArray(shown)) return false;
  const [a, b] = [is as Record<string, unknown>, shown as Record<string, unknown>];
  return (
    Object.keys(a).length === Object.keys(b).length && Object.keys(b).every((key) => alike(a[key], b[key], within))
  );
}

describe("what the core's docstrings show is true", () => {
  for (const file of FILES) {
    const examples = examplesIn(file);
    if (examples.length === 0) continue;
    test(file, async () => {
      const scope = (await import(`../../${file}`)) as Record<string, unknown>;
      for (const { call, gives } of examples) {
        expect(gives, `${call}: an example says what it gives`).not.toBe("");
        const [is, shown] = [evaluated(call, scope), evaluated(gives, {})];
        if (!alike(is, shown, tolerance(gives))) expect(is, call).toEqual(shown);
      }
    });
  }
});
