"use client";
import { useState } from "react";
import { type Day, dayInWords } from "@/core/calendar/day";
import { addressOfStand } from "@/core/custody/address";
import type { Units } from "@/core/units/units";
import type { BedWork, StandWork } from "@/views/work";
import { CommandButton } from "../common/command";
import { Row } from "../common/Part";
import { Tag } from "../common/Tag";
import { sentence } from "../common/words";
import { DoneTogether, NotNow } from "./GroupPresses";
import { Done } from "./WorkPresses";
import { lastInWords, nameOf, rowInWords, titleOf, whereAndHowLong } from "./words";

type Props = { group: BedWork; day: Day; units: Units };

const TagOf = ({ work: { stand } }: { work: StandWork }) => (
  <Tag kind={stand.family ? "family" : "stand"} code={stand.code} href={addressOfStand(stand)} />
);

/** Where, how long, until when; how; and what is lost otherwise. */
function Said({ group, day }: Omit<Props, "units">) {
  const [work] = group.works as [StandWork, ...StandWork[]];
  const last = lastInWords(group, day);
  const { standing, how, otherwise, from, best } = work;
  return (
    <>
      {sentence(whereAndHowLong(group).join(" · "))}
      {standing === "ahead" && ` · from ${dayInWords(from)}`}
      {standing === "early" && best > day && ` · best from ${dayInWords(best)}`}
      {last && (
        <>
          {" · "}
          <span className={last.urgent ? "font-bold text-rust" : ""}>{last.words}</span>
        </>
      )}
      {". "}
      {how} {last && otherwise ? `Later, ${otherwise}.` : ""}
    </>
  );
}

/** Work of one act in one bed: a row, which opens to its plantings where they are several. */
export function WorkRow({ group, day, units }: Props) {
  const { works } = group;
  const [first] = works as [StandWork, ...StandWork[]];
  const [opened, setOpened] = useState(false);
  const open = first.standing !== "ahead";
  const several = works.length > 1;
  return (
    <>
      <Row
        tag={
          several ? (
            <button
              type="button"
              aria-expanded={opened}
              className="min-h-11 text-left font-semibold text-damson underline"
              onClick={() => setOpened(!opened)}
            >
              {opened ? "Close" : `Show the ${works.length}`}
              <span className="sr-only">: {titleOf(group)}</span>
            </button>
          ) : (
            <TagOf work={first} />
          )
        }
        title={titleOf(group)}
        said={<Said group={group} day={day} />}
      >
        {open && (
          <span className="flex flex-wrap items-center justify-end gap-2 max-sm:col-span-2 max-sm:justify-start">
            <NotNow group={group} day={day} />
            {several ? <DoneTogether group={group} day={day} /> : <Done work={first} day={day} units={units} />}
          </span>
        )}
      </Row>
      {opened && several && (
        <li className="pb-3 sm:pl-6">
          <ul className="rows">
            {works.map((work) => (
              <Row key={work.key} tag={<TagOf work={work} />} title={nameOf(work)} said={rowInWords(work)}>
                {open && <Done work={work} day={day} units={units} />}
              </Row>
            ))}
          </ul>
        </li>
      )}
    </>
  );
}

/** What is past is asked once, all together. */
export function NoneDone({ groups }: { groups: BedWork[] }) {
  const works = groups.flatMap((group) => group.works.map(({ act, stand }) => ({ standId: stand.id, act })));
  return (
    <CommandButton command="deed.missed" input={{ works }}>
      {works.length === 1 ? "It was not done" : `Mark all ${works.length} as not done`}
    </CommandButton>
  );
}
