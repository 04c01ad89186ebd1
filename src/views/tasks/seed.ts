import type { Outlook } from "../outlook";
import { desiccantsToChange, testsToCount } from "../seedCalls";
import { seedTable, type TimedCall } from "../seedTable";
import { type LinkedTask, taskOn } from "./task";

/** What is late at the table, or with a test, is still to be done. */
const TABLE_STANDING = { late: "due", due: "due", early: "early", ahead: "ahead" } as const;

/** What lots on the table call for, by the hour. */
function tableTasks(sky: Outlook): LinkedTask[] {
  const { lots, now } = seedTable(sky);
  const task = ({ id, name, code }: (typeof lots)[number], call: TimedCall) =>
    taskOn(sky, {
      of: "lot",
      id,
      key: `${call.act} ${id}`,
      act: call.act,
      what: call.title,
      how: [call.how, ...call.cautions.map(({ caution }) => caution)].filter(Boolean).join(" "),
      from: call.from.day,
      best: call.best.day,
      last: call.last?.day ?? null,
      otherwise: call.otherwise,
      name,
      code,
      at: call.best.hours > now.hours ? call.best.clock : null,
      standing: TABLE_STANDING[call.standing],
      href: `/seed/${code}`,
    });
  return lots.flatMap((lot) => lot.calls.map((call) => task(lot, call)));
}

/** What seed asks for, on the table and in the drawer. */
export const seedTasks = (sky: Outlook): LinkedTask[] => [
  ...tableTasks(sky),
  ...testsToCount(sky).map(({ test, from, last }) =>
    taskOn(sky, {
      of: "test",
      id: test.id,
      key: `seed ${test.id}`,
      act: "count",
      what: "Count the germination test",
      from,
      last,
      standing: from <= sky.today ? "due" : "ahead",
      name: test.lineName,
      code: test.lotCode,
      href: `/seed/${test.lotCode}`,
    }),
  ),
  ...desiccantsToChange(sky).map(({ id, name, due }) =>
    taskOn(sky, {
      of: "place",
      id,
      key: `seed ${id}`,
      act: "desiccant",
      what: "Change the desiccant",
      from: due,
      name,
      href: "/seed/drawer",
    }),
  ),
];
