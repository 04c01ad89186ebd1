import { speciesById } from "@/catalogue/catalogue";
import { dayInWords } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { flowersAtAll } from "@/core/flowering/facts";
import { cornersOf, gap } from "@/core/ground/shape";
import { degreeOf } from "@/core/isolation/crossing";
import { lengthInWords } from "@/core/units/units";
import { sources } from "@/records/ground/queries";
import type { Outlook } from "./outlook";
import { sceneOf } from "./scene";

/** So many stands are named. */
const NAMED = 6;

/**
 * A letter to a neighbour whose plants cross with what is grown for seed here: what it is, how near, when it flowers, and
 * what would help, the lightest first. Null where there is no such source.
 */
export function letterView(sky: Outlook, sourceId: Id): string | null {
  const kept = sources(sky.db).find(({ id }) => id === sourceId);
  if (!kept) return null;
  const { garden, season: now } = sky;
  const season = kept.askSeason ?? now;
  const scene = sceneOf(sky, season);
  const source = scene.sources.find(({ id }) => id === sourceId)!;
  const { name } = speciesById(kept.species);
  const reached = scene.stands
    .filter((stand) => stand.seedWanted && !stand.bed.outside && flowersAtAll(stand.window))
    .filter((stand) => degreeOf(stand.species, source.species) !== null)
    .sort((a, b) => a.window.start.localeCompare(b.window.start));
  const growing = reached.slice(0, NAMED).map((stand) => {
    const metres = gap(cornersOf(stand.bed), source.outline);
    const { start, end } = stand.window;
    const far = lengthInWords(Math.max(1, Math.round(metres)), garden.units);
    return `- ${stand.name} (${stand.species.name}), about ${far} from yours, in flower ${dayInWords(start)} to ${dayInWords(end)}`;
  });
  const first = reached[0]?.window.start;
  const last = reached
    .map(({ window }) => window.end)
    .sort()
    .at(-1);
  return [
    `${garden.name}, ${dayInWords(sky.today, "long")}`,
    "",
    "Dear neighbour,",
    "",
    `I grow my own seed here. Pollen of your ${name.toLowerCase()} can reach it, and seed that it fathers`,
    "does not come true.",
    "",
    ...(growing.length > 0
      ? [`In ${season} I grow for seed:`, "", ...growing]
      : [`In ${season} nothing that crosses with it is sown here for seed yet.`]),
    ...(reached.length > NAMED ? [`- and ${reached.length - NAMED} more`] : []),
    "",
    "Would one of these be possible for you? The first is the least trouble:",
    "",
    "1. Tell me when yours flower, so that I can cover mine for those days.",
    `2. Take the flowers off yours ${first && last ? `from ${dayInWords(first)} to ${dayInWords(last)}` : "while mine flower"}; I gladly come and do it.`,
    "3. Grow the same variety as I do; I give you the seed or the plants.",
    "4. Grow something else that year, and have a share of what I harvest.",
    "",
    "Whatever you decide is fine; only tell me, so that I know. The days are forecasts and may move by a week or two.",
    "",
    "With thanks,",
    "",
    "",
  ].join("\n");
}
