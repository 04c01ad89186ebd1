"use client";
import { type Day, dayInWords } from "@/core/calendar/day";
import { addressOfStand } from "@/core/custody/address";
import type { Units } from "@/core/units/units";
import type { BedWork, StandWork } from "@/views/work";
import { CommandButton } from "../common/command";
import { Row } from "../common/Part";
import { Tag } from "../common/Tag";
import { sentence } from "../common/words";
import { DoneTogether, NotNow } from "./GroupPresses";
import { OpeningRow } from "./OpeningRow";
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
  const open = first.standing !== "ahead";
  const several = works.length > 1;
  const title = titleOf(group);
  const said = <Said group={group} day={day} />;
  const press = open && (
    <span className="flex flex-wrap items-center justify-end gap-2 max-sm:col-span-2 max-sm:justify-start">
      <NotNow group={group} day={day} />
      {several ? <DoneTogether group={group} day={day} /> : <Done work={first} day={day} units={units} />}
    </span>
  );
  if (!several)
    return (
      <Row tag={<TagOf work={first} />} title={title} said={said}>
        {press}
      </Row>
    );
  return (
    <OpeningRow count={works.length} title={title} said={said} press={press}>
      {works.map((work) => (
        <Row key={work.key} tag={<TagOf work={work} />} title={nameOf(work)} said={rowInWords(work)}>
          {open && <Done work={work} day={day} units={units} />}
        </Row>
      ))}
    </OpeningRow>
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
