import { dayInWords } from "@/core/calendar/day";
import type { SeedTask } from "@/views/seedCalls";
import { Tag } from "../common/Tag";

/** What the table or the seed store calls for, in a line; it is done on Seed. */
export function SeedRow({ task: { code, title, until, late } }: { task: SeedTask }) {
  return (
    <li className="flex flex-wrap items-center gap-x-4 py-1">
      <span className="sm:w-34">{code ? <Tag kind="lot" code={code} href={`/seed/${code}`} small /> : "Place"}</span>
      <span className="font-semibold">{title}</span>
      {until && (
        <span className={late ? "text-sm font-bold text-rust" : "text-sm text-soft"}>
          {late ? "perhaps too late since" : "by"} {dayInWords(until)}
        </span>
      )}
    </li>
  );
}
