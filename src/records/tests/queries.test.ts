import { readdirSync } from "node:fs";
import ts from "typescript";
import { afterEach, beforeEach, expect, test } from "vitest";
import { openDb } from "@/db/open";
import { bookFile, bookFlowers, bookView } from "@/views/book";
import { calendarView } from "@/views/calendar";
import { cardView } from "@/views/card";
import { crossesView, crossView } from "@/views/crosses";
import { crossPlanView } from "@/views/crossPlan";
import { familyView } from "@/views/family";
import { groundView } from "@/views/ground";
import { harvestView, pickersList } from "@/views/harvest";
import { linesView, lineView } from "@/views/lines";
import { lotPage } from "@/views/lot";
import { notesView } from "@/views/notes";
import { nurseryView } from "@/views/nursery";
import { outlook } from "@/views/outlook";
import { seasonView } from "@/views/season";
import { drawerPage, seedView } from "@/views/seed";
import { sharingList, sharingPage } from "@/views/sharing";
import { historyView, shedView } from "@/views/shed";
import { todayView } from "@/views/today";
import { worksView } from "@/views/works";
import { crossById } from "../cross/queries";
import { find, findFlower } from "../find/queries";
import { lineDescriptions } from "../line/queries";
import { lotById, lotsFor, lotsIn, openLots } from "../lot/queries";
import { packetById } from "../packet/queries";
import { lotOfPass } from "../pick/queries";
import { promised } from "../sharing/queries";
import { sortingsOfLine } from "../sorting/queries";
import { allStands, bedCrops, seasonsWithStands, standById, standGoingOn, standsOfSeason } from "../stand/queries";
import { airOf, storeById } from "../store/queries";
import { countsOf, testById } from "../test/queries";
import { leftBehindIn, vesselByCode, vesselById } from "../vessel/queries";
import { family, type Plot, plot } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

/** A query in the source: the fixed parts of its SQL, and the columns of the row type that it is said to give. */
type Site = { at: string; parts: string[]; columns: string[] };

const READS = new Set(["get", "all", "iterate"]);

/** The SQL of a call chain like db.prepare(sql).all(…), where it gives whole rows. */
function sqlOf(node: ts.Expression): ts.Expression | null {
  let inner = node;
  while (ts.isParenthesizedExpression(inner)) inner = inner.expression;
  if (!ts.isCallExpression(inner) || !ts.isPropertyAccessExpression(inner.expression)) return null;
  if (!READS.has(inner.expression.name.text)) return null;
  const statement = inner.expression.expression;
  if (!ts.isCallExpression(statement)) return null;
  const called = statement.expression;
  if (ts.isIdentifier(called) && called.text === "prepared") return statement.arguments[1] ?? null;
  return ts.isPropertyAccessExpression(called) && called.name.text === "prepare"
    ? (statement.arguments[0] ?? null)
    : null;
}

function partsOf(sql: ts.Expression, checker: ts.TypeChecker): string[] {
  const named = ts.isIdentifier(sql) ? checker.getSymbolAtLocation(sql)?.valueDeclaration : undefined;
  if (named && ts.isVariableDeclaration(named) && named.initializer) return partsOf(named.initializer, checker);
  if (ts.isStringLiteralLike(sql)) return [sql.text];
  if (!ts.isTemplateExpression(sql)) return ["", ""];
  return [sql.head.text, ...sql.templateSpans.map(({ literal }) => literal.text)];
}

function sitesIn(files: string[]): Site[] {
  const { config } = ts.readConfigFile("tsconfig.json", ts.sys.readFile);
  const { options } = ts.parseJsonConfigFileContent(config, ts.sys, ".");
  const program = ts.createProgram(files, options);
  const checker = program.getTypeChecker();
  const sites: Site[] = [];
  const rowOf = (type: ts.Type): ts.Type => {
    const there = checker.getNonNullableType(type);
    return checker.isArrayType(there) ? checker.getTypeArguments(there as ts.TypeReference)[0]! : there;
  };
  for (const file of files) {
    const source = program.getSourceFile(file)!;
    const visit = (node: ts.Node): void => {
      const sql = ts.isAsExpression(node) ? sqlOf(node.expression) : null;
      if (sql && ts.isAsExpression(node)) {
        const { line } = source.getLineAndCharacterOfPosition(node.pos);
        const columns = rowOf(checker.getTypeFromTypeNode(node.type))
          .getProperties()
          .map(({ name }) => name);
        sites.push({ at: `${file}:${line + 1}`, parts: partsOf(sql, checker), columns });
      }
      ts.forEachChild(node, visit);
    };
    visit(source);
  }
  return sites;
}

/** Looks at every screen of a garden that has some of everything, and gives the SQL that it took. */
function asked(): string[] {
  const made = family(garden);
  // A connection of its own, which has no statement ready yet.
  const db = openDb(garden.path);
  const heard = new Set<string>();
  const prepare = db.prepare.bind(db);
  db.prepare = ((sql: string) => {
    heard.add(sql);
    return prepare(sql);
  }) as typeof db.prepare;
  const sky = outlook(db, "2028-07-20");
  const code = (table: string, id: string) => garden.code(table, id);
  for (const look of [todayView, nurseryView, seedView, linesView, shedView]) look(sky);
  for (const look of [crossesView, worksView]) look(sky, null);
  groundView(sky, 2028, code("stand", made.stand));
  crossView(sky, code("cross", made.cross));
  familyView(sky, code("stand", made.stand));
  lotPage(sky, code("lot", made.lot));
  drawerPage(sky);
  sharingList(sky);
  harvestView(sky);
  pickersList(sky, code("stand", made.stand));
  lotOfPass(db, made.stand, null, "2028-07-20");
  lineDescriptions(db);
  const day = garden.done("sharing.add", { name: "Spring", on: "2028-07-20", mostEach: 2 }).id;
  sharingPage(sky, day);
  promised(db, made.lot);
  cardView(sky, code("lot", made.lot));
  vesselById(db, made.lot);
  vesselByCode(db, "V28-001-X");
  packetById(db, made.lot);
  testById(db, made.lot);
  countsOf(db, made.lot);
  storeById(db, made.lot);
  airOf(db, made.lot, "2028-07-01");
  lotsIn(db, made.lot);
  leftBehindIn(db, made.lot);
  lineView(sky, code("line", made.lineId));
  bookView(sky);
  crossPlanView(sky, 2027);
  seasonView(sky, 2028);
  calendarView(sky, 2028);
  bookFlowers(db, code("cross", made.cross));
  bookFile(db, null, "json");
  historyView(sky, { before: null, words: "", day: "" });
  for (const words of ["Lantern 3", "a"]) find(db, words, 2028);
  findFlower(db, code("cross", made.cross), 1);
  crossById(db, made.cross);
  lotById(db, made.lot);
  standById(db, made.stand);
  standsOfSeason(db, 2028);
  seasonsWithStands(db);
  allStands(db);
  bedCrops(db);
  standGoingOn(db, made.stand);
  lotsFor(db, made.lineId, made.stand, "2028-12-31");
  notesView(db, "lineId", made.lineId);
  openLots(db);
  sortingsOfLine(db, made.lineId);
  db.close();
  return [...heard];
}

const escaped = (text: string) => text.replaceAll(/[.*+?^${}()|[\]\\]/g, "\\$&");

test("every query gives the columns that its row type names, and no others", () => {
  const sites = sitesIn(
    (readdirSync("src/records", { recursive: true }) as string[])
      .filter((file) => /^(?!tests)\w+\/\w+\.ts$/.test(file))
      .map((file) => `src/records/${file}`),
  );
  expect(sites.length).toBeGreaterThan(40);
  const heard = asked();
  const wrong: string[] = [];
  const unheard: string[] = [];
  for (const { at, parts, columns } of sites) {
    const whole = parts.length === 1 ? parts[0]! : null;
    const like = new RegExp(`^${parts.map(escaped).join("[^]*")}$`);
    const sql = whole ?? heard.find((one) => like.test(one));
    if (!sql) {
      unheard.push(at);
      continue;
    }
    const given = garden.db
      .prepare(sql)
      .columns()
      .map(({ name }) => name);
    const [more, less] = [given.filter((c) => !columns.includes(c)), columns.filter((c) => !given.includes(c))];
    if (more.length + less.length > 0) wrong.push(`${at}: gives ${more} that its type lacks, lacks ${less}`);
  }
  expect(wrong).toEqual([]);
  expect(unheard).toEqual([]);
});
