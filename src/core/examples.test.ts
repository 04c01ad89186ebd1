import { readFileSync } from "node:fs";
import ts from "typescript";
import { describe, expect, test } from "vitest";
import * as place from "./tests/place";
import * as seed from "./tests/seed";

// Written out by the bundler, so that who asks which tests a file concerns finds this one.
const FILES = Object.entries(
  import.meta.glob<Record<string, unknown>>(["./**/*.ts", "!./**/*.test.ts", "!./**/*.d.ts", "!./**/tests/**"]),
);

type Example = { call: string; gives: string };

const statementsOf = (file: string) =>
  ts.createSourceFile(file, readFileSync(file, "utf8"), ts.ScriptTarget.Latest, true).statements;

/** What is shown of a function: `@example call // what it gives`. */
const examplesOf = (statement: ts.Statement): Example[] =>
  ts.getJSDocTags(statement).flatMap((tag) => {
    if (tag.tagName.text !== "example") return [];
    const text = ts.getTextOfJSDocComment(tag.comment) ?? "";
    const [call, ...gives] = text.replaceAll("\n", " ").split(" // ");
    return [{ call: call!.trim(), gives: gives.join(" // ").trim() }];
  });

/** The name of a function that a file lends to others. */
function publicFunction(statement: ts.Statement): string | null {
  if (!ts.canHaveModifiers(statement)) return null;
  if (!ts.getModifiers(statement)?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword)) return null;
  if (ts.isFunctionDeclaration(statement)) return statement.name!.text;
  const [first] = ts.isVariableStatement(statement) ? statement.declarationList.declarations : [];
  return first?.initializer && ts.isArrowFunction(first.initializer) ? first.name.getText() : null;
}

const evaluated = (text: string, scope: Record<string, unknown>): unknown =>
  new Function(...Object.keys(scope), `"use strict"; return (${text});`)(...Object.values(scope));

/** Numbers are shown rounded: they are held to the last decimal that is written, whole ones to the last digit. */
function tolerance(gives: string): number {
  const digits = [...gives.matchAll(/\.(\d+)/g)].map(([, decimals]) => decimals!.length);
  return digits.length === 0 ? 1e-6 : 0.5 * 10 ** -Math.max(...digits) + 1e-9;
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

describe("what the core's docstrings show", () => {
  for (const [path, load] of FILES) {
    const file = path.replace("./", "src/core/");
    const statements = statementsOf(file);
    const without = statements.filter((s) => publicFunction(s) && examplesOf(s).length === 0).map(publicFunction);
    const examples = statements.flatMap(examplesOf);
    if (without.length + examples.length === 0) continue;
    test(`is there for every function, and true: ${file}`, async () => {
      expect(without).toEqual([]);
      const scope = { ...place, ...seed, ...(await load()) };
      for (const { call, gives } of examples) {
        expect(gives, `${call}: an example says what it gives`).not.toBe("");
        const [is, shown] = [evaluated(call, scope), evaluated(gives, {})];
        if (!alike(is, shown, tolerance(gives))) expect(is, call).toEqual(shown);
      }
    });
  }
});
