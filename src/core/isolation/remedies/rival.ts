import { overlapDays } from "../../calendar/day";
import { plural } from "../../units/plural";
import { missedBetweenWalks } from "../emitter";
import type { SceneStand } from "../scene";
import { bloom, type Draft, keeps, type Task } from "./remedy";
import { shift } from "./shift";

/** Days between walks that are tried, the laziest first. */
const WALKS = [7, 4, 3, 2, 1];

/** A year without seed weighs like so many days of waiting. */
export const A_YEAR = 365;

const visitsIn = (stand: SceneStand, rival: SceneStand, every: number) =>
  Math.ceil(overlapDays(stand.window.female, rival.window.male) / every);

/**
 * What can be done about another stand's pollen: sow it at another time, take its flowers off, another year, cages in
 * turn.
 * @example againstRival({ scene: scene([stand(1), stand(2)]), stand: stand(1), ways: newWays() }, stand(2)).map((way)
 *   => way.key) // ["shift 2", "remove 2", "year 2", "alternate 2"]
 */
export function againstRival(task: Task, rival: SceneStand): Draft[] {
  const { stand } = task;
  const drafts: Draft[] = [];
  const moved = rival.school === stand.school || rival.sowing.sown >= task.scene.today ? shift(task, rival) : null;
  if (moved?.feasible) drafts.push(moved);
  const walks = WALKS.find((n) => keeps(task, [{ kind: "remove", standId: rival.id, every: n }])) ?? 1;
  const missed = Math.round(missedBetweenWalks(walks) * 100);
  drafts.push({
    key: `remove ${rival.id}`,
    title: `Take the flowers off ${rival.name} every ${walks === 1 ? "day" : `${walks} days`}`,
    cost: { plants: 0, days: 0, visits: visitsIn(stand, rival, walks) },
    note: `no seed from it; about ${missed} flowers in 100 are missed between walks`,
    feasible: true,
    why: "",
    changes: [{ kind: "remove", standId: rival.id, every: walks }],
  });
  const lasts = rival.seedLasts;
  drafts.push({
    key: `year ${rival.id}`,
    title: `Grow ${rival.name} for seed another year`,
    cost: { plants: rival.plants, days: A_YEAR, visits: 0 },
    note: lasts ? `its kept seed should live ${plural(lasts, "more year")}` : "",
    feasible: (lasts ?? 0) >= 1,
    why: lasts === null ? "no seed of it is kept" : "its kept seed will not live until then",
    changes: [{ kind: "not-this-year", standId: rival.id }],
  });
  if (rival.seedWanted && rival.flowers === "open" && !rival.bed.outside)
    drafts.push({
      key: `alternate ${rival.id}`,
      title: `Cage both it and ${rival.name}, opened on alternate days`,
      cost: { plants: 0, days: 0, visits: bloom(stand) },
      note: "insects serve each in turn; go every day",
      feasible: stand.species.vector !== "wind",
      why: "wind serves no cage",
      changes: [
        { kind: "cover", standId: stand.id, cover: "alternate-cages", mesh: "net" },
        { kind: "cover", standId: rival.id, cover: "alternate-cages", mesh: "net" },
      ],
    });
  return drafts;
}
