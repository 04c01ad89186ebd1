import { addDays, type Day, dayInWords } from "@/core/calendar/day";
import { within } from "@/core/units/within";
import Link from "@/ui/Link";
import type { PutOffInput } from "@/views/tasks/task";
import type { LinkTask } from "@/views/today";
import { CommandButton } from "../common/command";
import { Tag } from "../common/Tag";

/** So many days something is put off by a press. */
const A_WEEK = 7;

type PutOffProps = { input: PutOffInput; day: Day; name: string };

/** Not now: asked again in a week. */
export const InAWeek = ({ input, day, name }: PutOffProps) => (
  <CommandButton
    command="deed.put-off"
    input={{ ...input, until: addDays(day, A_WEEK) }}
    plain
    label={`In a week: ${name}`}
  >
    In a week
  </CommandButton>
);

/** What is done on a page of its own, in a line: a call of the table, a test to count, a place, a sharing day. */
export function LinkRow({ task: { task, putOff }, day }: { task: LinkTask; day: Day }) {
  const { of, code, name, what, href, last } = task;
  const late = last !== null && last < day;
  return (
    <li className="flex flex-wrap items-center gap-x-3 py-1">
      <span className="sm:w-[8.25rem]">
        {code ? (
          <Tag kind={of === "line" ? "line" : "lot"} code={code} href={href} small />
        ) : of === "season" ? (
          "Season"
        ) : (
          "Seed"
        )}
      </span>
      <Link href={href} className="font-semibold">
        {name}: {within(what)}
      </Link>
      {last && (
        <span className={late ? "text-sm font-bold text-rust" : "text-sm text-soft"}>
          {late ? "perhaps too late since" : "by"} {dayInWords(last)}
        </span>
      )}
      {putOff && (
        <span className="ml-auto">
          <InAWeek input={putOff} day={day} name={name} />
        </span>
      )}
    </li>
  );
}
