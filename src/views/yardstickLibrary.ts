import type { Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { allYardsticks, type KeptYardstick } from "@/records/yardstick/queries";
import { type Band, band } from "./band";
import type { Outlook } from "./outlook";

/** One version of a yardstick in one line: what its scores mean. */
export type YardstickVersion = Pick<
  KeptYardstick,
  "id" | "name" | "unit" | "lowEnd" | "highEnd" | "categories" | "scored" | "retiredOn"
>;
/** A yardstick as one line uses it, its present version first. */
export type YardstickUse = { lineId: Id; lineName: string; lineCode: string; versions: YardstickVersion[] };
/** What is called the same and measured the same, whichever lines use it. */
export type LibraryEntry = Pick<KeptYardstick, "kind" | "unit" | "drawn" | "stage" | "often"> & {
  /** One to take over: that of the line with most scores. */
  id: Id;
  name: string;
  uses: YardstickUse[];
  scored: number;
};

export type YardstickLibrary = { band: Band; today: Day; entries: LibraryEntry[] };

const latest = (use: YardstickUse): YardstickVersion => use.versions[0]!;
const scoredIn = ({ versions }: YardstickUse): number => versions.reduce((sum, { scored }) => sum + scored, 0);

/** A line's yardsticks, each with the versions that came before it. */
function usesOf(all: KeptYardstick[]): (YardstickUse & { now: KeptYardstick })[] {
  const byId = new Map(all.map((one) => [one.id, one]));
  const former = new Set(all.flatMap(({ formerId }) => formerId ?? []));
  return all
    .filter(({ id }) => !former.has(id))
    .map((now) => {
      const versions: KeptYardstick[] = [];
      for (let one: KeptYardstick | undefined = now; one; one = one.formerId ? byId.get(one.formerId) : undefined)
        versions.push(one);
      const { lineId, lineName, lineCode } = now;
      return { now, lineId, lineName, lineCode, versions };
    });
}

/** Every yardstick of the garden, by name and kind, with the lines that use it and the versions it went through. */
export function yardstickLibrary(sky: Outlook): YardstickLibrary {
  const uses = usesOf(allYardsticks(sky.db));
  const groups = groupBy(uses, ({ now: { name, kind, unit } }) => `${name.toLowerCase()} ${kind} ${unit}`);
  const entries = [...groups.values()].map((of): LibraryEntry => {
    const byScores = [...of].sort((a, b) => scoredIn(b) - scoredIn(a));
    const { name, kind, unit, drawn, stage, often } = byScores[0]!.now;
    return {
      ...{ name, kind, unit, drawn, stage, often },
      id: latest(byScores[0]!).id,
      uses: byScores.map(({ now: _, ...use }) => use),
      scored: of.reduce((sum, use) => sum + scoredIn(use), 0),
    };
  });
  return {
    band: band(sky, sky.season, []),
    today: sky.today,
    entries: entries.sort((a, b) => (a.name.toLowerCase() < b.name.toLowerCase() ? -1 : 1)),
  };
}
