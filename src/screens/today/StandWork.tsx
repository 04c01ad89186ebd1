"use client";
import { addDays, type Day, dayInWords } from "@/core/calendar/day";
import { addressOfStand } from "@/core/custody/address";
import { bedInWords } from "@/core/ground/bedInWords";
import { minutesInWords } from "@/core/units/minutes";
import type { Units } from "@/core/units/units";
import type { StandWork } from "@/views/work";
import { CommandButton } from "../common/command";
import { Row } from "../common/Part";
import { Tag } from "../common/Tag";
import { sentence } from "../common/words";
import { Done, nameOf, Otherwise } from "./WorkPresses";

/** What hurries, or what comes of it otherwise. */
function urgencyOf({ last, otherwise, standing }: StandWork, day: Day): { words: string; urgent: boolean } {
  if (!last) return { words: "", urgent: false };
  const why = otherwise ? `: ${otherwise}` : "";
  if (standing === "missed") return { words: `Its last chance was ${dayInWords(last)}${why}.`, urgent: true };
  if (last <= addDays(day, 2))
    return { words: `Last chance ${last === day ? "today" : dayInWords(last)}${why}.`, urgent: true };
  return { words: `Until ${dayInWords(last)}; after that ${otherwise ?? "it is too late"}.`, urgent: false };
}

type Props = { work: StandWork; day: Day; units: Units };

/** A piece of work on a stand: what, where, until when, and a press that it is done. */
export function StandRow({ work, day, units }: Props) {
  const { stand, what, minutes, best, from, standing } = work;
  const urgency = urgencyOf(work, day);
  return (
    <Row
      tag={<Tag kind={stand.family ? "family" : "stand"} code={stand.code} href={addressOfStand(stand)} />}
      title={
        <>
          {what}: {nameOf(work)}
        </>
      }
      said={
        <>
          {stand.bedName ? `${sentence(bedInWords(stand.bedName))}. ` : "In trays. "}
          {work.how} {standing === "early" && best > day ? `Best from ${dayInWords(best)}. ` : ""}
          {standing === "ahead" ? `From ${dayInWords(from)}. ` : ""}
          {standing === "missed" ? "" : `About ${minutesInWords(minutes)}. `}
          <span className={urgency.urgent ? "font-bold text-rust" : ""}>{urgency.words}</span>
        </>
      }
    >
      {standing !== "ahead" && (
        <span className="flex flex-wrap items-center justify-end gap-2 max-sm:col-span-2 max-sm:justify-start">
          <Otherwise work={work} day={day} units={units} />
          <Done work={work} day={day} units={units} />
        </span>
      )}
    </Row>
  );
}

/** What is past is asked once, all together. */
export function NoneDone({ works }: { works: StandWork[] }) {
  const list = works.map(({ act, stand }) => ({ standId: stand.id, act }));
  return (
    <CommandButton command="deed.missed" input={{ works: list }}>
      {works.length === 1 ? "It was not done" : `None of these ${works.length} was done`}
    </CommandButton>
  );
}
