import { expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { ended } from "@/core/lists/ended";
import { brief } from "@/core/tests/brief";
import { inParts } from "@/core/tests/told";
import { standByCode } from "@/records/stand/queries";
import { calendarView } from "@/views/calendar";
import { cardView } from "@/views/card";
import { compareView } from "@/views/compare";
import { crossView } from "@/views/crosses";
import { crossPlanView } from "@/views/crossPlan";
import { passportFile } from "@/views/drawerFile";
import { familyView } from "@/views/family";
import { genotypesView } from "@/views/genotypes";
import { groundView } from "@/views/ground";
import { harvestView, pickersList } from "@/views/harvest";
import { kinView } from "@/views/kinship";
import { letterView } from "@/views/letter";
import { type LineView, lineView } from "@/views/lines";
import { type LotPage, lotPage } from "@/views/lot";
import { matingOf } from "@/views/mating";
import { nurseryView } from "@/views/nursery";
import { outlook } from "@/views/outlook";
import { type PedigreeView, pedigreeView } from "@/views/pedigree";
import { pedigreeFile } from "@/views/pedigreeFile";
import { plansOf, plansView } from "@/views/plans";
import { enoughOf, lossesOf, raisedOf, raisingFor, sowingTime, stagesFor } from "@/views/raising";
import { regrowView } from "@/views/regrow";
import { releaseView } from "@/views/release";
import { roguingView } from "@/views/roguing";
import { roundView } from "@/views/round";
import { seasonView } from "@/views/season";
import { drawerPage, seedView } from "@/views/seed";
import { spells, testsToSet } from "@/views/seedCalls";
import { seedTable } from "@/views/seedTable";
import { sharingList, sharingPage } from "@/views/sharing";
import { surpriseView } from "@/views/surprise";
import { seedTasks } from "@/views/tasks/seed";
import { tastingView } from "@/views/tasting";
import { told } from "@/views/tests/told";
import { todayView } from "@/views/today";
import { waysOut } from "@/views/waysOut";
import { weeksView } from "@/views/weeks";
import { familyWorth } from "@/views/worth";
import { yardstickLibrary } from "@/views/yardstickLibrary";
import { demoGarden } from "./tests/demoGarden";

const garden = demoGarden();
const sky = (day: string | null = null) => outlook(garden.db, day);
const idOf = (table: string, code: string) =>
  garden.db.prepare(`SELECT id FROM "${table}" WHERE code = ?`).pluck().get(code) as Id;
const only = (sql: string) => garden.db.prepare(sql).pluck().get() as Id;

const MELONS = "F27-003-0";
/** Any plant of each. */
const ANY = { oneNumber: null, otherNumber: null };
/** A family that a tasting was of. */
const TASTED = "F25-004-4";
const lineOf = (species: string, code: string) => ({ species, lineId: idOf("line", code), lot: null });
/** The hot pepper of 2025. */
const surprise = (asked: { like?: string[]; inheritance?: "recessive" } = {}) =>
  surpriseView(sky(), "F25-002-A", { number: 5, inheritance: null, like: [], unlike: [], ...asked });
/** Asked again once it is said to look like the neighbour bed's Cinder Tooth. */
const surpriseLike = () => surprise({ like: surprise()!.suspects.map(({ key }) => key), inheritance: "recessive" });
const plans = () =>
  ended(
    plansOf(garden.db, {
      lineId: idOf("line", "L27-002-G"),
      genes: 3,
      hidden: 1,
      plants: 60,
      seasons: 7,
      heritability: null,
    }),
  );

/** What the band over a page shows of the year: its bars, by the page. */
const bands = () =>
  Object.entries({
    "a lot": lotPage(sky(), "K26-001-P")!.band,
    ripening: harvestView(sky()).band,
    seed: seedView(sky()).band,
    "a line": lineView(sky(), "L21-012-X")!.band,
    "a family": familyView(sky(), MELONS)!.band,
    nursery: nurseryView(sky()).band,
    roguing: roguingView(sky(), "F27-001-6")!.band,
    tasting: tastingView(sky(), TASTED, { of: null, taster: null })!.band,
    comparing: compareView(sky(), MELONS, { x: null, y: null, plants: [] })!.band,
    release: releaseView(sky(), "L21-001-9")!.band,
    surprise: surprise()!.band,
    weeks: weeksView(sky()).band,
    season: seasonView(sky(), 2028).band,
    ground: groundView(sky(), 2028, null).band,
  }).map(([page, { bars, hidden, start, end }]) => ({ page, start, end, hidden, bars }));

const codes = (table: string, where = "1") =>
  garden.db.prepare(`SELECT code FROM "${table}" WHERE ${where} ORDER BY code`).pluck().all() as string[];

const each = <T>(table: string, of: (code: string) => T) =>
  Object.fromEntries(codes(table).map((code) => [code, of(code)]));
const standing = ({ trueness, rungs, ladders, backcrosses, parts }: LineView) => ({
  trueness,
  rungs,
  ladders: ladders.length,
  backcrosses,
  parts: parts.length,
});
const short = ({ lot, now, test, stays, moves, origins, strangers, possible, stages, losses, time }: LotPage) => ({
  left: lot.left,
  life: lot.life,
  ...{ now, test, origins, strangers, stages, losses, time },
  stays: stays.length,
  moves: moves.length,
  possible: possible.length,
});
const drawnOf = ({ nodes, links, folded }: PedigreeView) => ({
  nodes: nodes.map(({ title, under }) => `${title}: ${under}`),
  links: links.map(({ role, how, label }) => `${role} ${how} ${label}`),
  folded,
});

/** The tenth of each month from the winter before the demo's day to the one after it. */
const MONTHS = Array.from({ length: 14 }, (_, i) => `202${i < 12 ? 7 : 8}-${String((i % 12) + 1).padStart(2, "0")}-10`);

const words = (...parts: unknown[]) => parts.filter((part) => part !== false && part !== undefined).join(" ");

/** What Today asks for through a year, in a line a piece of work. */
const year = () =>
  Object.fromEntries(
    MONTHS.map((day) => {
      const { tasks, late, over, missed, early, next, open, heat, walk } = todayView(sky(day));
      const works = (list: typeof early) =>
        list
          .map(({ works: all, best, last }) =>
            words(all[0]!.act, ...all.map(({ stand }) => stand.code), all[0]!.from, best, last),
          )
          .join("; ");
      const told = {
        tasks: tasks
          .filter(({ kind }) => kind !== "regrow")
          .map((task) =>
            words(
              task.kind,
              task.part,
              task.daysLeft,
              "group" in task && words(task.group.works[0]!.act, ...task.group.works.map(({ stand }) => stand.code)),
              "state" in task && task.state.cross.code,
              "step" in task && `${task.step.action} ${task.from} ${task.to}`,
              "flowers" in task && task.flowers.length,
            ),
          )
          .join("; "),
        late: late.map(({ state, step, daysLeft }) => words(state.cross.code, step.action, daysLeft)).join("; "),
        over: over.map(({ cross }) => cross.code).join(" "),
        open: open
          .map(({ cross, last, toDo, evenings }) => words(cross.code, last?.day, toDo.likely, evenings?.tonight))
          .join("; "),
        missed: works(missed),
        early: works(early),
        next: works(next),
        regrow: tasks.flatMap((task) => (task.kind === "regrow" ? [task.line.lot] : [])).join(" "),
        heat: heat && words(heat.max, heat.from, ...heat.spoils),
        walk: walk && words(...walk.order, walk.metres),
      };
      return [day, Object.fromEntries(Object.entries(told).filter(([, text]) => text))];
    }),
  );

/** Each view on the demo's own day, unless another is said. */
const VIEWS: Record<string, [name: string, view: () => unknown][]> = {
  today: [
    ["today", () => todayView(sky())],
    ["the weeks", () => weeksView(sky())],
    ["the round", () => roundView(sky())],
    ["a year of Today", year],
    ["tasks of seed", () => seedTasks(sky())],
  ],
  harvest: [
    ["harvest", () => harvestView(sky())],
    ["harvest in September", () => harvestView(sky("2027-09-12"))],
    ["pickers", () => pickersList(sky("2027-09-12"), MELONS)],
  ],
  seed: [
    ["seed", () => seedView(sky())],
    ["spells", () => spells(sky())],
    ["tests to set", () => testsToSet(sky("2028-01-10"), 3)],
    ["the table", () => seedTable(sky())],
    ["the drawer", () => drawerPage(sky())],
    ["regrow", () => regrowView(sky("2031-02-01"))],
  ],
  lots: [
    ["a lot of beans", () => lotPage(sky(), "K26-001-P")],
    ["a received lot", () => lotPage(sky(), "K22-003-0")],
    ["a card", () => cardView(sky(), "K26-001-P")],
    ["passports", () => passportFile(sky())],
    ["every lot in short", () => each("lot", (code) => short(lotPage(sky(), code)!))],
  ],
  sharing: [
    ["sharing days", () => sharingList(sky())],
    ["a sharing day", () => sharingPage(sky(), only("SELECT id FROM sharing ORDER BY id"))],
    ["a letter", () => letterView(sky(), only("SELECT id FROM source WHERE kind = 'neighbour'"))],
  ],
  sowing: [
    [
      "raising",
      () => [raisingFor(sky(), lineOf("melon", "L21-012-X")), stagesFor(sky(), lineOf("melon", "L21-012-X"))],
    ],
    ["raised", () => ["S27-003-T", MELONS, "F27-001-6"].map((code) => raisedOf(sky(), standByCode(garden.db, code)!))],
    [
      "losses",
      () =>
        [lineOf("melon", "L21-012-X"), lineOf("runner-bean", "L21-001-9")].map((of) => [
          lossesOf(sky(), of),
          enoughOf(sky(), of),
        ]),
    ],
    [
      "when to sow",
      () => ["melon", "tomato", "leek", "runner-bean"].map((species) => sowingTime(sky("2028-02-20"), species)),
    ],
  ],
  ground: [
    ["a leek sorted", () => groundView(sky(), null, "S27-003-T").stand],
    ["beans on the ground", () => groundView(sky(), null, "F27-001-6").stand],
    ["ground of next year", () => ({ ...groundView(sky(), 2028, null), head: null })],
    [
      "ways out for the beans",
      () => waysOut(garden.db, { standId: idOf("stand", "F27-001-6"), season: 2027, day: "2027-07-09" }),
    ],
  ],
  season: [
    ["season of next year", () => ({ ...seasonView(sky(), 2028), head: null })],
    ["plan of next year", () => ({ ...crossPlanView(sky(), 2028), head: null })],
    ["a cross by several fathers", () => crossView(sky(), "X27-004-6")],
  ],
  calendar: [
    ["calendar", () => calendarView(sky(), null)],
    ["calendar in April", () => calendarView(sky("2027-04-10"), null)],
    ["calendar in October", () => calendarView(sky("2027-10-05"), null)],
  ],
  nursery: [
    ["nursery", () => nurseryView(sky())],
    ["a family", () => familyView(sky(), MELONS)],
    ["a comparison", () => compareView(sky(), MELONS, { x: null, y: null, plants: [1, 2] })],
    ["roguing", () => roguingView(sky(), "F27-001-6")],
    ["roguing of lifted leeks", () => ({ ...roguingView(sky(), "S27-003-T"), stand: null, band: null })],
    ["a family of beans", () => familyView(sky(), "F27-001-6")],
    ["a family of peppers", () => familyView(sky(), "F25-002-A")],
  ],
  tasting: [
    ["a tasting", () => tastingView(sky(), TASTED, { of: only("SELECT id FROM tasting"), taster: null })],
    ["a taster's sheet", () => tastingView(sky(), TASTED, { of: only("SELECT id FROM tasting"), taster: 2 })],
  ],
  worth: [
    [
      "worth",
      () => ended(familyWorth(garden.db, { standId: idOf("stand", MELONS), best: 3, open: false, across: true })),
    ],
    [
      "mating",
      () =>
        matingOf(garden.db, {
          parents: (
            garden.db
              .prepare("SELECT id FROM plant WHERE standId = ? LIMIT 4")
              .pluck()
              .all(idOf("stand", MELONS)) as Id[]
          ).map((plantId) => ({ plantId, share: 0.25 })),
          crosses: 4,
        }),
    ],
    [
      "genotypes",
      () =>
        genotypesView(garden.db, {
          standId: idOf("stand", MELONS),
          yardstickId: only("SELECT yardstickId FROM locus"),
        }),
    ],
    ["yardsticks", () => yardstickLibrary(sky())],
  ],
  lines: [
    ["a mixed line", () => lineView(sky(), "L21-002-6")],
    ["a line that passes", () => lineView(sky(), "L21-001-9")],
    ["release", () => releaseView(sky(), "L21-001-9")],
  ],
  "every line": [["every line as it stands", () => each("line", (code) => standing(lineView(sky(), code)!))]],
  pedigrees: [
    ["a pedigree", () => pedigreeView(sky(), { standId: idOf("stand", MELONS) }, false)],
    ["a pedigree's file", () => pedigreeFile(sky(), "L21-012-X")],
    ["kin", () => kinView(garden.db, { oneId: idOf("stand", MELONS), otherId: idOf("stand", "F27-004-X"), ...ANY })],
    [
      "every pedigree",
      () => each("line", (code) => drawnOf(pedigreeView(sky(), { lineId: idOf("line", code) }, false))),
    ],
  ],
  plans: [
    ["plans", plans],
    ["a page of plans", () => plansView(sky(), "L21-012-X")],
  ],
  surprise: [
    ["a surprise", () => surprise()],
    ["a surprise that looks like its neighbour", () => ({ ...surpriseLike(), stand: null })],
  ],
  bands: [["bands", bands]],
};

test.each(Object.entries(VIEWS))("the whole of what the demo shows: %s", async (page, views) => {
  const text = ([name, view]: (typeof views)[number]): [string, string] => {
    const shown = view();
    return [name, typeof shown === "string" ? shown : told(garden.db, brief(shown))];
  };
  await expect(inParts(views.map(text))).toMatchFileSnapshot(`expected/${page.replaceAll(" ", "-")}.txt`);
});
