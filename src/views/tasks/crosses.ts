import { speciesById } from "@/catalogue/catalogue";
import { addDays } from "@/core/calendar/day";
import { dayPartOf, doingOf, leadDays } from "@/core/pollination/protocol";
import { comingSteps } from "@/core/pollination/steps";
import { plural } from "@/core/units/plural";
import { minutesOfFlowers } from "@/core/work/task";
import { protocolOfCross } from "@/records/flower/commands";
import { flowersUnderWay } from "@/records/flower/queries";
import type { Outlook } from "../outlook";
import { type CrossAt, crossesIn, hand, onDay } from "../pollination";
import { type LinkedTask, taskOn } from "./task";

type Base = Pick<LinkedTask, "id" | "name" | "code" | "place" | "href"> & { of: "cross" };

/** Flowers that a cross still wants, as long as both parents flower. */
function toCover(sky: Outlook, { cross, parents, state }: CrossAt, base: Base): LinkedTask[] {
  const { toDo, last, evenings, method } = state;
  if (state.over || toDo.likely === 0 || !last || last.daysLeft < 0) return [];
  const protocol = protocolOfCross(cross);
  const { mother, father } = parents;
  const [female, male] = [mother.window.female.start, father.window.male.start];
  const from = addDays(female > male ? female : male, -leadDays(protocol));
  return [
    taskOn(sky, {
      ...base,
      key: `cross ${cross.id}`,
      act: "cover",
      what: `${plural(toDo.likely, `more ${method.unit}`)} to cover and pollinate`,
      how: `${method.name}. The last evening to cover is ${last.day}.`,
      minutes: minutesOfFlowers(evenings?.tonight ?? Math.min(cross.perEvening, toDo.likely)),
      part: dayPartOf(protocol.steps[0]!),
      from: evenings || from < sky.today ? sky.today : from,
      last: last.day,
    }),
  ];
}

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
      const { id, code, motherBed: place } = cross;
      const base: Base = { of: "cross", id, name, code, place, href: `/crosses/${code}` };
      const protocol = protocolOfCross(cross);
      const known = onDay(flowers.get(id) ?? [], today, garden.timezone);
      const steps = comingSteps(protocol, known, today, speciesById(cross.species).daysToRipe, marks);
      return [
        ...toCover(sky, at, base),
        ...steps.map(({ step, flowers: these, from, last }) =>
          taskOn(sky, {
            ...base,
            key: `${step.action} ${id} ${from}`,
            act: step.action,
            what: `${step.title}, ${plural(these.length, doingOf(step).onFruit ? "fruit" : protocol.unit)}`,
            how: step.look,
            minutes: minutesOfFlowers(these.length),
            part: dayPartOf(step),
            from,
            last,
            otherwise: step.tooLate,
          }),
        ),
      ];
    });
}
