"use client";
import clsx from "clsx";
import { dayInWords } from "@/core/calendar/day";
import { generationName } from "@/core/custody/generation";
import type { BookEntry } from "@/views/book";
import { Tag } from "../common/Tag";

type LineProps = { entry: BookEntry; on: boolean; onChoose: (entry: BookEntry) => void };

export function Line({ entry, on, onChoose }: LineProps) {
  const { code, mother, father, line, generation, backcrosses, closed, first, last, pollinated, set, doubtful } = entry;
  return (
    <tr className={clsx("cursor-pointer", on && "bg-rule/50")} onClick={() => onChoose(entry)}>
      <td className="whitespace-nowrap">
        <button type="button" className="cursor-pointer" aria-label={`Read ${code}`} aria-pressed={on}>
          <Tag kind="cross" code={code} small />
        </button>
      </td>
      <td className="max-w-40 truncate" title={mother}>
        {mother}
      </td>
      <td className="max-w-40 truncate" title={`${father}, gives ${line} ${generationName(generation, backcrosses)}`}>
        {father}
      </td>
      <td className="whitespace-nowrap">
        {first ? (first === last ? dayInWords(first) : `${dayInWords(first)} – ${dayInWords(last!)}`) : "–"}
        {closed === 1 && <span className="text-soft"> closed</span>}
      </td>
      <td>{pollinated}</td>
      <td>
        {set}
        {doubtful > 0 && <span className="text-rust"> +{doubtful}?</span>}
      </td>
      <td>{entry.lost}</td>
      <td>{entry.seeds ?? "–"}</td>
    </tr>
  );
}
