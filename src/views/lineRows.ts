import { speciesById } from "@/catalogue/catalogue";
import type { Day } from "@/core/calendar/day";
import { generationName } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import type { AskedOfList, Listed, Listing } from "@/core/lists/listed";
import { byWords, inOrder } from "@/core/lists/order";
import type { NextStep } from "@/core/plans/nextStep";
import type { Risk } from "@/core/plans/risk";
import type { LifeState } from "@/core/seed/life";
import type { LineSummary } from "@/records/line/queries";
import { livingOf, longestLived } from "./drawer";
import { lineStandings, linesKnown } from "./linePlan";
import { listOf } from "./list";
import type { Outlook } from "./outlook";
import { regrowList } from "./regrow";
import { type Due, dueOf, dueWork, type StandWork } from "./work";

/** Where a line stands today: what grows of it, what is planned, its seed, and what it asks for. */
export type LineRow = LineSummary & {
  speciesName: string;
  /** Generations are named; none where they are not counted. */
  growing: { generations: string[]; beds: string[] } | null;
  /** Of its seed that is alive, the lot that keeps longest. */
  seed: { gathered: Day; until: Day | null; state: LifeState } | null;
  /** Work that is due: what, until when, and how many pieces more. */
  due: (Due & { code: string; family: boolean }) | null;
  /** Its seed fades, or is its next generation, and nothing is sown of it. */
  sow: "old" | "next" | null;
  /** Its next step; `lost` is none. */
  step: NextStep;
  /** What endangers it. */
  risk: Risk | null;
};

type Show = "waits" | "growing" | "seed" | "nothing" | "ended";
type Order = "waits" | "name" | "species" | "grown" | "code";

const waits = ({ due, sow, step, risk, endedOn }: LineRow) =>
  endedOn === null && (step === "lost" || risk === "no-seed-coming" || due !== null || sow !== null);

/** What waits first: what has no next step, work by its last chance, what should be sown; then what grows, what is planned, seed alone. */
const rank = (row: LineRow): number => {
  if (row.endedOn !== null) return 6;
  if (row.step === "lost" || row.risk === "no-seed-coming") return -1;
  if (row.due) return 0;
  if (row.sow) return row.sow === "old" ? 1 : 2;
  if (row.growing) return 3;
  return row.planned ? 4 : 5;
};
const byName = (a: LineRow, b: LineRow) => byWords(a.name, b.name);
const LATER = "9999";

const LISTING: Listing<LineRow, Show, Order> = {
  wordsOf: ({ name, code, speciesName }) => `${name} ${code} ${speciesName}`,
  shows: {
    waits,
    growing: ({ growing }) => growing !== null,
    seed: ({ growing, seed, endedOn }) => growing === null && seed !== null && endedOn === null,
    nothing: ({ growing, planned, seed, endedOn }) => !growing && !planned && !seed && endedOn === null,
    ended: ({ endedOn }) => endedOn !== null,
  },
  orders: {
    waits: (a, b) => rank(a) - rank(b) || inOrder(a.due?.last ?? LATER, b.due?.last ?? LATER) || byName(a, b),
    name: byName,
    species: (a, b) => byWords(a.speciesName, b.speciesName) || byName(a, b),
    grown: (a, b) => (b.lastSeason ?? 0) - (a.lastSeason ?? 0) || byName(a, b),
    code: (a, b) => inOrder(a.code, b.code),
  },
};

/** What is due first, with the stand that it is done on. */
function dueOfLine(works: StandWork[]): NonNullable<LineRow["due"]> {
  const { more, ...first } = dueOf(works);
  const { code, family } = works[0]!.stand;
  return { ...first, code, family: family === 1, more };
}

/** Every line with where it stands. */
export const lineRows = (sky: Outlook): LineRow[] =>
  sky.once("line rows", () => {
    const { today, season } = sky;
    const stands = [...sky.standsOf(season), ...sky.standsOf(season + 1)].filter((s) => !s.outside && !s.endedOn);
    const lineOf = new Map<Id, Id>(stands.map(({ id, lineId }) => [id, lineId]));
    const here = groupBy(stands, (s) => s.lineId);
    const work = groupBy(dueWork(sky), ({ stand }) => lineOf.get(stand.id)!);
    const standings = lineStandings(sky);
    const sow = new Map(regrowList(sky).map(({ lineId, why }) => [lineId, why]));
    return [...linesKnown(sky).values()].map((line): LineRow => {
      const of = here.get(line.id) ?? [];
      const { step, risk } = standings.get(line.id)!;
      const growing = of.filter(({ planned, sown }) => planned === 0 && sown <= today);
      const due = work.get(line.id);
      const best = longestLived(livingOf(sky).get(line.id) ?? []);
      return {
        ...line,
        speciesName: speciesById(line.species).name,
        growing:
          growing.length > 0
            ? {
                generations: [...new Set(growing.map((s) => generationName(s.generation, s.backcrosses)))].filter(
                  Boolean,
                ),
                beds: [...new Set(growing.flatMap((s) => s.bedName ?? []))],
              }
            : null,
        seed: best ? { gathered: best.gathered, until: best.life.until.likely, state: best.life.state } : null,
        due: due ? dueOfLine(due) : null,
        sow: sow.get(line.id) ?? null,
        step,
        risk,
      };
    });
  });

/** Lines as they are asked for, with how many go on and how many of them wait for something. */
export function lineList(
  sky: Outlook,
  asked: AskedOfList,
): { list: Listed<LineRow, Show, Order>; going: number; waiting: number } {
  return {
    list: listOf(sky, "line list", () => lineRows(sky), LISTING, asked),
    ...sky.once("lines counted", () => {
      const rows = lineRows(sky);
      return {
        going: rows.filter(({ endedOn }) => endedOn === null).length,
        waiting: rows.filter(waits).length,
      };
    }),
  };
}
