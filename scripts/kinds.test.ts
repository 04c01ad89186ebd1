import { resolve } from "node:path";
import ts from "typescript";
import { expect, test } from "vitest";
import { ACTIONS } from "@/core/pollination/protocol";
import { WAY_IDS } from "@/core/seed/cleaning/ways";
import { VESSEL_KINDS } from "@/core/seed/vessels";
import { TRAIT_KIND_IDS } from "@/core/traits/kinds";

/** What each kind differs in stands in its object. */
const CLOSED: Record<string, readonly string[]> = {
  "kind of trait": TRAIT_KIND_IDS,
  "step of a protocol": ACTIONS,
  "way of cleaning": WAY_IDS,
  vessel: VESSEL_KINDS,
};

const SAMPLE = `
import type { TraitKindId } from "@/core/traits/kinds";
import type { Way } from "@/core/seed/cleaning/ways";
export const asked = (kind: TraitKindId) => kind === "scale";
export function chosen(way: Way) { switch (way) { case "rub": return 1; default: return 0; } }
export const other = (kind: "date" | "number") => kind === "date";
`;

/** Which closed list a compared value is of, by its type; narrowed values have a part of it. */
function listOf(type: ts.Type, literal: string): string | null {
  if (!type.isUnion()) return null;
  const members = type.types.filter((one) => !(one.flags & (ts.TypeFlags.Null | ts.TypeFlags.Undefined)));
  const words = members.map((one) => (one.isStringLiteral() ? one.value : null));
  const found = Object.entries(CLOSED).find(
    ([, list]) => list.includes(literal) && words.length > 2 && words.every((word) => list.includes(word ?? "")),
  );
  return found?.[0] ?? null;
}

function comparisons(source: ts.SourceFile, checker: ts.TypeChecker): string[] {
  const found: string[] = [];
  const note = (value: ts.Expression, literal: ts.Node) => {
    if (!ts.isStringLiteral(literal)) return;
    const list = listOf(checker.getTypeAtLocation(value), literal.text);
    const { line } = source.getLineAndCharacterOfPosition(literal.getStart());
    if (list) found.push(`${source.fileName.split("/src/")[1]}:${line + 1} asks whether a ${list} is ${literal.text}`);
  };
  const visit = (node: ts.Node): void => {
    if (ts.isBinaryExpression(node) && /^[!=]==$/.test(node.operatorToken.getText())) note(node.left, node.right);
    if (ts.isCaseClause(node)) note(node.parent.parent.expression, node.expression);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

test("nothing asks which kind of trait, vessel, way of cleaning or step it has: their objects say what they do", () => {
  const { config } = ts.readConfigFile("tsconfig.json", ts.sys.readFile);
  const { options, fileNames } = ts.parseJsonConfigFileContent(config, ts.sys, ".");
  const sample = resolve("src/core/sample.ts");
  const files = fileNames.filter((name) => /\/src\/.*\.tsx?$/.test(resolve(name)) && !/\.test\.|\/tests\//.test(name));
  const host = ts.createCompilerHost(options);
  const read = host.getSourceFile.bind(host);
  host.getSourceFile = (name, language, ...rest) =>
    name === sample ? ts.createSourceFile(name, SAMPLE, language, true) : read(name, language, ...rest);
  const program = ts.createProgram([...files, sample], { ...options, incremental: false }, host);
  const checker = program.getTypeChecker();
  const sources = program
    .getSourceFiles()
    .filter(({ fileName }) => fileName.includes("/src/") && !/node_modules/.test(fileName));
  expect(sources.length).toBeGreaterThan(500);
  expect(sources.flatMap((source) => comparisons(source, checker))).toEqual([
    "core/sample.ts:4 asks whether a kind of trait is scale",
    "core/sample.ts:5 asks whether a way of cleaning is rub",
  ]);
});
