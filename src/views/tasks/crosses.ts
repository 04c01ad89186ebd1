import { speciesById } from "@/catalogue/catalogue";
import { addDays, type Day } from "@/core/calendar/day";
import { dayPartOf, leadDays } from "@/core/pollination/protocol";
import { comingSteps } from "@/core/pollination/steps";
import { plural } from "@/core/units/plural";
import { minutesOfFlowers } from "@/core/work/task";
import { standingBy } from "@/core/work/work";
import { protocolOfCross } from "@/records/flower/commands";
import { flowersUnderWay } from "@/records/flower/queries";
import type { Outlook } from "../outlook";
import { type CrossAt, crossesIn, hand, onDay } from "../pollination";
import type { LinkedTask } from "./task";

/** Flowers that a cross still wants, as long as both parents flower. */
function toCover({ cross, parents, state }: CrossAt, today: Day, base: Base): LinkedTask[] {
  const { toDo, last, evenings, method } = state;
  if (state.over || toDo.likely === 0 || !last || last.daysLeft < 0) return [];
  const protocol = protocolOfCross(cross);
  const { mother, father } = parents;
  const [female, male] = [mother.window.female.start, father.window.male.start];
  const from = addDays(female > male ? female : male, -leadDays(protocol));
  const best = evenings || from < today ? today : from;
  const what = `${plural(toDo.likely, `more ${method.unit}`)} to cover and pollinate`;
  return [
    {
      ...base,
      key: `cross ${cross.id}`,
      act: "cover",
      what,
      how: `${method.name}. The last evening to cover is ${last.day}.`,
      minutes: minutesOfFlowers(evenings?.tonight ?? Math.min(cross.perEvening, toDo.likely)),
      part: dayPartOf(protocol.steps[0]!),
      from: best,
      best,
      last: last.day,
      otherwise: null,
      standing: standingBy({ from: best, best, last: last.day }, today),
    },
  ];
}

type Base = Pick<LinkedTask, "of" | "id" | "name" | "code" | "place" | "at" | "href">;

/** What crosses ask for: flowers to be covered, and the steps that those under way come to, on their days. */
export function crossTasksAhead(sky: Outlook): LinkedTask[] {
  const { db, season, today, garden } = sky;
  const { marks } = hand(sky);
  const flowers = flowersUnderWay(db, season, today, today);
  return crossesIn(sky, season)
    .filter(({ cross }) => !cross.closed && cross.plannedOn <= today)
    .flatMap((at): LinkedTask[] => {
      const { cross } = at;
      const name = cross.kind === "self" ? `${cross.motherName} selfed` : `${cross.motherName} × ${cross.fatherName}`;
      const base: Base = {
        of: "cross",
        id: cross.id,
        name,
        code: cross.code,
        place: cross.motherBed,
        at: null,
        href: `/crosses/${cross.code}`,
      };
      const protocol = protocolOfCross(cross);
      const { daysToRipe } = speciesById(cross.species);
      const known = onDay(flowers.get(cross.id) ?? [], today, garden.timezone);
      const steps = comingSteps(protocol, known, today, daysToRipe, marks).map(
        ({ step, flowers: these, from, last }): LinkedTask => ({
          ...base,
          key: `${step.action} ${cross.id} ${from}`,
          act: step.action,
          what: `${step.title}, ${plural(these.length, step.action === "check" || step.action === "harvest" ? "fruit" : protocol.unit)}`,
          how: step.look,
          minutes: minutesOfFlowers(these.length),
          part: dayPartOf(step),
          from,
          best: from,
          last,
          otherwise: step.tooLate,
          standing: standingBy({ from, best: from, last }, today),
        }),
      );
      return [...toCover(at, today, base), ...steps];
    });
}
