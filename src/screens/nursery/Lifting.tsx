"use client";
import { dayInWords } from "@/core/calendar/day";
import { generationName } from "@/core/custody/generation";
import { SORTED, SORTED_OUT, type SortedOut } from "@/core/selection/lifting";
import { plural } from "@/core/units/plural";
import { Sheet } from "@/ui/Sheet";
import { Table } from "@/ui/Table";
import type { Lifting as LiftingView, Roguing } from "@/views/roguing";
import { CommandForm, type FieldOf } from "../common/command";
import { percent } from "../common/words";

type Props = { view: Roguing; lifting: LiftingView };
type Sorted = LiftingView["sorts"][number];

const WORDS = { lift: "At lifting", replant: "At replanting" } as const;
const totalOf = (one: Pick<Sorted, "fit" | SortedOut>) => one.fit + SORTED.reduce((sum, why) => sum + one[why], 0);

/** Bulbs and roots, which are rogued at lifting and once more at replanting. */
export function Lifting({ view: { stand }, lifting }: Props) {
  const { next, sorts } = lifting;
  return (
    <section aria-label="Lifting and replanting" className="mt-7">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h3>Lifting and replanting</h3>
        {next && (
          <Sheet
            trigger={next === "lift" ? "Sort what was lifted" : "Sort what is replanted"}
            title={`${stand.code} ${WORDS[next].toLowerCase()}`}
            strong
          >
            {(close) => (
              <CommandForm
                command="sorting.add"
                draft={`sorting-${stand.id}-${next}`}
                values={{ ...NOTHING, bands: null, sortedOn: null }}
                hidden={{ standId: stand.id, moment: next }}
                submit="Save"
                onDone={close}
              >
                {(Field) => <Counts Field={Field} />}
              </CommandForm>
            )}
          </Sheet>
        )}
      </div>
      <p className="mt-1 max-w-prose">{storeInWords(lifting)}</p>
      {sorts.length > 0 && (
        <div className="mt-3">
          <Table heads={["When", "Back or stored", "Sorted out", "Size taken", ""]}>
            {sorts.map((one) => (
              <tr key={one.id}>
                <td>
                  <strong>{dayInWords(one.sortedOn, "long")}</strong> {generationName(one.generation, one.backcrosses)}
                  <span className="block text-sm text-soft">
                    {one.code}, {WORDS[one.moment].toLowerCase()}
                  </span>
                </td>
                <td>
                  {one.fit} of {totalOf(one)}, {percent(one.fit / totalOf(one))}
                </td>
                <td>
                  {SORTED.filter((why) => one[why] > 0)
                    .map((why) => `${one[why]} ${SORTED_OUT[why].toLowerCase()}`)
                    .join("; ") || "none"}
                </td>
                <td>{one.bands}</td>
                <td>
                  <SetRight one={one} />
                </td>
              </tr>
            ))}
          </Table>
        </div>
      )}
    </section>
  );
}

const NOTHING = { fit: null, small: null, large: null, split: null, odd: null, bolted: null, rotten: null };

/** What to store, or what will come of what is stored. */
function storeInWords({ now: { lift, replant }, wanted, store, out, winters }: LiftingView): string {
  const rests = winters === 0 ? "by the usual range" : `by ${plural(winters, "winter")} of yours and the usual range`;
  if (replant) return `${plural(replant.fit, "root")} stand again.`;
  if (lift && out) {
    const short = out.likely < wanted ? ` That is fewer than the ${wanted} wanted.` : "";
    return `Of ${lift.fit} stored ${out.low} to ${out.high} come out sound nine times in ten, most likely ${out.likely}; ${rests}.${short}`;
  }
  return `Store ${plural(store, "sound root")} so that ${wanted} are there at replanting, nine times in ten; ${rests}. Too small ones are useless, the largest are eaten; never only a few: take from the middle.`;
}

function Counts({ Field }: { Field: FieldOf<"fit" | (typeof SORTED)[number] | "bands" | "sortedOn"> }) {
  return (
    <>
      <Field name="fit" label="Sound, true, of the right size" type="number" />
      <div className="grid grid-cols-2 gap-x-4">
        {SORTED.map((why) => (
          <Field key={why} name={why} label={SORTED_OUT[why]} type="number" />
        ))}
      </div>
      <Field name="bands" label="Size taken" hint="As 60 to 200 g, or a hen’s egg to a fist." />
      <Field name="sortedOn" label="Day" type="date" hint="Empty: today." />
    </>
  );
}

function SetRight({ one }: { one: Sorted }) {
  const { id, version, fit, small, large, split, odd, bolted, rotten, bands, sortedOn } = one;
  return (
    <Sheet trigger="Change" title={`${one.code}, ${WORDS[one.moment].toLowerCase()}`} plain>
      {(close) => (
        <CommandForm
          command="sorting.change"
          draft={`sorting-${id}`}
          values={{ fit, small, large, split, odd, bolted, rotten, bands, sortedOn }}
          hidden={{ id, version }}
          patch
          submit="Save"
          onDone={close}
        >
          {(Field) => <Counts Field={Field} />}
        </CommandForm>
      )}
    </Sheet>
  );
}
