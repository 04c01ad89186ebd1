"use client";
import { useState } from "react";
import { addDays, type Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import type { Act } from "@/core/work/work";
import { readNumber } from "@/core/writing/numbers";
import { dayNow } from "@/ui/press";
import { Sheet } from "@/ui/Sheet";
import { useKept } from "@/ui/useKept";
import type { BedWork, StandWork } from "@/views/work";
import { CommandButton, CommandForm, useCommand } from "../common/command";
import { Trouble, WhichDay, wide } from "../common/recordParts";
import { ASKED, BedAsked, bedChoices, ChooseLink, COUNTED, DoneForm, NOT_GUESSED, ScoreLink } from "./WorkPresses";
import { nameOf, titleOf } from "./words";

type Props = { group: BedWork; day: Day };

/** What can't be told of several plantings at once: each is told by itself, where the row opens. */
const EACH: ReadonlySet<string> = new Set([...(["keep", "first-flower", "sexes", "winter-way"] satisfies Act[])]);

/** Done with all of them today in one press, or counted, or only some, in one sheet. */
export function DoneTogether({ group, day }: Props) {
  const { act, stand } = group.works[0]!;
  const works = group.works.map((work) => ({ standId: work.stand.id }));
  if (act === "score") return <ScoreLink code={stand.code} />;
  if (act === "choose") return <ChooseLink code={stand.code} />;
  if (EACH.has(act)) return null;
  if (act in COUNTED || ASKED.has(act))
    return (
      <Sheet trigger={<DoneWords group={group} />} title={titleOf(group)}>
        {(close) => <SomeDone group={group} day={day} onDone={close} />}
      </Sheet>
    );
  return (
    <CommandButton command="deed.done-together" input={{ act, on: day, works }} label={`Done: ${titleOf(group)}`}>
      All {works.length} done
    </CommandButton>
  );
}

const DoneWords = ({ group }: { group: BedWork }) => (
  <>
    Done<span className="sr-only">: {titleOf(group)}</span>
  </>
);

/** A planting by name, and by its mother where rows are of several. */
const rowName = (work: StandWork): string =>
  work.stand.mother === null ? `${nameOf(work)}, ${work.stand.code}` : `Seed of plant ${work.stand.mother}`;

const COUNTS = ["looked", "counted"] as const;
type Told = { done: boolean; counted: string; looked: string };

type SomeProps = Props & { onDone: () => void };

function SomeDone(props: SomeProps) {
  const { act, stand } = props.group.works[0]!;
  if (act !== "plant-out") return <Some {...props} />;
  return (
    <BedAsked code={stand.code}>
      {(where) => <Some {...props} beds={bedChoices(where)} proposed={where.bedId} />}
    </BedAsked>
  );
}

type Beds = { beds?: ReturnType<typeof bedChoices>; proposed?: Id | null };

/** Which of several plantings an act was done with, how many each, and when: one press keeps all. */
function Some({ group, day, onDone, beds = [], proposed = null }: SomeProps & Beds) {
  const { works } = group;
  const { act } = works[0]!;
  const rogued = act === "rogue";
  const counted = rogued ? "Plants removed" : COUNTED[act];
  const [bedId, setBedId] = useState(proposed);
  const { run, busy } = useCommand();
  const usual = (work: StandWork): Told => ({
    done: true,
    counted: counted && !NOT_GUESSED.has(act) && work.count !== null ? String(work.count) : "",
    looked: rogued && work.count !== null ? String(work.count) : "",
  });
  const [told, setTold, clear] = useKept<Record<string, Told>>(`together-${group.key}`, {});
  const [ago, setAgo] = useState(0);
  const [trouble, setTrouble] = useState<string | null>(null);
  const of = (work: StandWork) => told[work.stand.id] ?? usual(work);
  const chosen = works.filter((work) => of(work).done);
  const save = async () => {
    const read = chosen.map((work) => {
      const numbers = [readNumber(of(work).counted), readNumber(of(work).looked)];
      const [count, looked] = numbers.map((number) => (number.kind === "read" ? number.value : null));
      return { standId: work.stand.id, counted: count, looked, numbers };
    });
    const unread = read.findIndex(({ numbers }) => numbers.some(({ kind }) => kind === "unread" || kind === "asked"));
    if (unread >= 0) return setTrouble(`${rowName(chosen[unread]!)}: write the count in figures.`);
    const input = { act, on: addDays(dayNow(), -ago), works: read.map(({ numbers: _, ...work }) => work), bedId };
    const answer = await run("deed.done-together", input);
    if (!answer) return;
    if (!answer.ok) return setTrouble(answer.message);
    clear();
    onDone();
  };
  return (
    <div>
      <WhichDay day={day} ago={ago} onChange={setAgo} />
      <ul className="rows border-t border-ink">
        {works.map((work) => (
          <li key={work.key} className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-3 py-2">
            <label className="flex min-h-12 items-center gap-3">
              <input
                type="checkbox"
                className="size-6"
                checked={of(work).done}
                onChange={({ target }) => setTold({ ...told, [work.stand.id]: { ...of(work), done: target.checked } })}
              />
              <span className="font-semibold">{rowName(work)}</span>
            </label>
            <span className="flex gap-2">
              {COUNTS.filter((count) => (count === "looked" ? rogued : counted)).map((count) => (
                <input
                  key={count}
                  inputMode="numeric"
                  className="min-h-12 w-20 text-lg"
                  aria-label={`${count === "looked" ? "Plants looked at" : counted}: ${rowName(work)}`}
                  value={of(work)[count]}
                  disabled={!of(work).done}
                  onFocus={({ target }) => target.select()}
                  onChange={({ target }) =>
                    setTold({ ...told, [work.stand.id]: { ...of(work), [count]: target.value } })
                  }
                />
              ))}
            </span>
          </li>
        ))}
      </ul>
      {counted && (
        <p className="mt-2 text-sm text-soft">
          {rogued ? "Plants looked at, then plants removed" : counted}. A field left empty is not counted.
        </p>
      )}
      {beds.length > 0 && (
        <label className="mt-3 grid gap-1 font-semibold">
          Bed
          <select value={bedId ?? ""} onChange={({ target }) => setBedId(target.value || null)}>
            <option value="">In trays for now</option>
            {beds.map(({ value, label }) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </select>
        </label>
      )}
      <Trouble message={trouble} />
      <button type="button" className={wide} disabled={busy || chosen.length === 0} onClick={() => void save()}>
        Save {chosen.length === works.length ? `all ${works.length}` : `${chosen.length} of ${works.length}`}
      </button>
    </div>
  );
}

/** Done on another day or with some, put off, or left, and why. */
export function NotNow({ group, day }: Props) {
  const { works, key } = group;
  const [first] = works as [StandWork, ...StandWork[]];
  const { act } = first;
  const standIds = works.map(({ stand }) => stand.id);
  const title = titleOf(group);
  return (
    <Sheet
      trigger={
        <>
          Not now <span className="sr-only">: {title}</span>
        </>
      }
      title={title}
      plain
    >
      {(close) => (
        <div className="grid gap-8">
          {works.length === 1 && act !== "keep" && (
            <section>
              <h3 className="mb-2">It was done already</h3>
              <DoneForm work={first} day={addDays(day, -1)} close={close} />
            </section>
          )}
          {works.length > 1 && !EACH.has(act) && (
            <section>
              <h3 className="mb-2">Some were done, or on another day</h3>
              <SomeDone group={group} day={day} onDone={close} />
            </section>
          )}
          <section>
            <h3 className="mb-2">Put off</h3>
            <CommandForm
              command="deed.put-off"
              draft={`put-off-${key}`}
              values={{ until: addDays(day, 7) }}
              hidden={{ standIds, act }}
              submit="Put off"
              onDone={close}
            >
              {(Field) => <Field name="until" label="Until" type="date" />}
            </CommandForm>
          </section>
          <section>
            <h3 className="mb-2">Leave it</h3>
            <CommandForm
              command="deed.leave"
              draft={`leave-${key}`}
              values={{ how: "cannot", why: null }}
              hidden={{ standIds, act }}
              submit="Leave it"
              onDone={close}
            >
              {(Field) => (
                <>
                  <Field
                    name="how"
                    label="For how long"
                    type="select"
                    choices={[
                      { value: "cannot", label: "It can't be done this time" },
                      { value: "never", label: works.length === 1 ? "Never with this planting" : "Never with these" },
                    ]}
                  />
                  <Field name="why" label="Why" hint="As: too wet, no netting. It is read again next year." />
                </>
              )}
            </CommandForm>
          </section>
        </div>
      )}
    </Sheet>
  );
}
