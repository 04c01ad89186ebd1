"use client";
import type { ReactNode } from "react";
import type { Day } from "@/core/calendar/day";
import { massTyped, type Units } from "@/core/units/units";
import type { Act } from "@/core/work/work";
import { Answered } from "@/ui/Answered";
import Link from "@/ui/Link";
import { Sheet } from "@/ui/Sheet";
import type { BedsForStand } from "@/views/bedsToSow";
import type { StandWork } from "@/views/work";
import { CommandButton, CommandForm } from "../common/command";
import { AmountFields, PollenField } from "../common/fields";
import { bedOffered } from "../common/sowWords";
import { WINTERS } from "../common/standNames";
import { choicesOf } from "../common/words";
import { nameOf } from "./words";

type Props = { work: StandWork; day: Day; units: Units };

/** What is counted when an act is done; the others are one press. */
export const COUNTED: Partial<Record<Act, string>> = {
  sow: "Seeds sown",
  "look-up": "Came up",
  thin: "Plants that stay",
  "prick-out": "Pricked out",
  "plant-out": "Plants planted out",
  lift: "How many are stored",
  "look-store": "Still sound",
  replant: "How many went out",
  "count-living": "Plants that live",
};

/** A count that is seen, and none that was meant. */
export const NOT_GUESSED: ReadonlySet<Act> = new Set(["look-up", "rogue", "count-living"]);

/** What is asked of an act beside its day and count: it opens a form, where the others are one press. */
export const ASKED: ReadonlySet<Act> = new Set(["first-flower", "sexes", "gather", "rogue", "winter-way"]);

/** Ripe seed is gathered as a whole, in passes, or cut to ripen on. */
const GATHERED = [
  { value: "gather", label: "All of it" },
  { value: "pick", label: "A pass; more ripens yet" },
  { value: "cut", label: "Cut whole, to ripen under a roof" },
];
const SEXES = [
  { value: "", label: "not looked at" },
  { value: "male", label: "A male one" },
  { value: "female", label: "A female one" },
];

/** To the bench, which has all rows of a bed. */
export const ScoreLink = ({ code }: { code: string }) => (
  <Link href={`/nursery/${code}`} className="leaf leaf-strong">
    Score<span className="sr-only"> {code}</span>
  </Link>
);

/** To the family, where what is kept is marked. */
export const ChooseLink = ({ code }: { code: string }) => (
  <Link href={`/nursery/${code}#several`} className="leaf leaf-strong">
    Choose<span className="sr-only"> {code}</span>
  </Link>
);

/** Done today: one press, or a count where something is counted, or a lot where seed is put away. */
export function Done({ work, day, units }: Props) {
  const { act, stand } = work;
  const { id: standId } = stand;
  // What is scored is done by being scored.
  if (act === "score") return <ScoreLink code={stand.code} />;
  if (act === "choose") return <ChooseLink code={stand.code} />;
  if (act === "keep") return <MakeLot work={work} day={day} units={units} />;
  if (act in COUNTED || ASKED.has(act))
    return (
      <Sheet
        trigger={
          <>
            {act === "first-flower" ? "Seen" : "Done"} <span className="sr-only">: {work.what}</span>
          </>
        }
        title={`${work.what}: ${nameOf(work)}`}
      >
        {(close) => <DoneForm work={work} day={day} close={close} />}
      </Sheet>
    );
  return (
    <CommandButton command="deed.done" input={{ standId, act, on: day }} label={`Done: ${work.what}, ${nameOf(work)}`}>
      Done
    </CommandButton>
  );
}

type BedsAsked = BedsForStand;

/** The bed that something goes into: its own, or the one that has room and rest. */
export const BedAsked = ({ code, children }: { code: string; children: (where: BedsAsked) => ReactNode }) => (
  <Answered<BedsAsked> path={`/api/beds/${code}`} waiting="Looking which bed has room …">
    {children}
  </Answered>
);

/** Beds to choose from, each with its room. */
export const bedChoices = ({ beds, units }: BedsAsked) =>
  beds.map((bed) => ({ value: bed.id, label: bedOffered(bed, units) }));

export function DoneForm(props: Omit<Props, "units"> & { close: () => void }) {
  const { act, stand } = props.work;
  if (act !== "plant-out") return <Form {...props} where={null} />;
  return <BedAsked code={stand.code}>{(where) => <Form {...props} where={where} />}</BedAsked>;
}

type FormProps = Omit<Props, "units"> & { close: () => void; where: BedsAsked | null };

function Form({ work, day, close, where }: FormProps) {
  const { act, stand, count } = work;
  const counted = COUNTED[act] ?? (act === "rogue" && !stand.family ? "Plants removed" : undefined);
  return (
    <CommandForm
      command="deed.done"
      draft={`deed-${act}-${stand.id}`}
      values={{
        on: day,
        ...(act === "rogue" ? { looked: count } : {}),
        ...(counted ? { counted: NOT_GUESSED.has(act) ? null : count } : {}),
        ...(where ? { bedId: where.bedId } : {}),
        ...(act === "winter-way" ? { overwinter: null } : {}),
        ...(act === "gather" ? { act } : {}),
        ...(act === "first-flower" && stand.oneSex ? { sex: null } : {}),
        ...(act === "sexes" ? { males: null, females: null } : {}),
        ...(act === "prick-out" ? { crates: null } : {}),
        ...(act === "plant-out" ? { spare: null } : {}),
        ...(act === "lift" ? { storedIn: null } : {}),
      }}
      hidden={{ standId: stand.id, ...(act === "gather" ? {} : { act }) }}
      submit="Save"
      onDone={close}
    >
      {(Field) => (
        <>
          {where && (
            <Field name="bedId" label="Bed" type="select" none="In trays for now" choices={bedChoices(where)} />
          )}
          {act === "rogue" && (
            <Field
              name="looked"
              label="Plants looked at"
              type="number"
              hint="Only those count towards whether the line comes true."
            />
          )}
          {act === "rogue" && stand.family && (
            <p>
              What does not belong is taken out by its number:{" "}
              <Link href={`/nursery/${stand.code}/roguing`} className="font-semibold">
                look them over plant by plant
              </Link>
              .
            </p>
          )}
          {act === "winter-way" && (
            <Field
              name="overwinter"
              label="Over the winter"
              type="select"
              none="Choose a way"
              choices={choicesOf(WINTERS)}
            />
          )}
          {counted && (
            <Field
              name="counted"
              label={counted}
              type="number"
              hint={act === "rogue" ? "0 where all belonged." : "Left empty, it is not counted."}
            />
          )}
          {act === "gather" && (
            <Field
              name="act"
              label="What was gathered"
              type="select"
              choices={GATHERED.filter(({ value }) => stand.dry || value !== "cut")}
            />
          )}
          {act === "first-flower" && stand.oneSex && (
            <Field name="sex" label="Which opened first" type="select" choices={SEXES} />
          )}
          {act === "sexes" && (
            <>
              <Field name="males" label="Males that stay" type="number" />
              <Field name="females" label="Females" type="number" />
            </>
          )}
          {act === "prick-out" && (
            <Field name="crates" label="Crates they stand in" type="number" hint="Each gets a tag." />
          )}
          {act === "plant-out" && (
            <Field
              name="spare"
              label="Sound ones to spare"
              type="number"
              hint="Not needed, given away: they were not lost."
            />
          )}
          {act === "lift" && <Field name="storedIn" label="Stored in" hint="As: cellar, third crate." />}
          <Field
            name="on"
            label={act === "first-flower" ? "First open flower" : "Done on"}
            type="date"
            hint={act === "first-flower" ? "It replaces the forecast." : undefined}
          />
        </>
      )}
    </CommandForm>
  );
}

/** Seed that was gathered becomes a lot. */
/** Its seed as one lot, or a lot of each plant that is kept. */
function MakeLot({ work, day, units }: Props) {
  const { stand } = work;
  const { kept, selfs } = stand;
  return (
    <Sheet
      trigger={
        <>
          Make the lot <span className="sr-only">: {nameOf(work)}</span>
        </>
      }
      title={`Seed of ${nameOf(work)}`}
    >
      {(close) => (
        <CommandForm
          command="lot.save"
          draft={`keep-${stand.id}`}
          values={{ kind: selfs ? "self" : "open", gathered: day, seeds: null, mass: null, note: null }}
          hidden={{ standId: stand.id, plantIds: kept }}
          factors={{ mass: massTyped(1, units) }}
          submit={kept.length > 1 ? `Make ${kept.length} lots` : "Make the lot"}
          onDone={close}
        >
          {(Field) => (
            <>
              <PollenField Field={Field} />
              <Field name="gathered" label="Gathered on" type="date" />
              <AmountFields Field={Field} units={units} each={kept.length > 1} />
              <Field name="note" label="Note" />
            </>
          )}
        </CommandForm>
      )}
    </Sheet>
  );
}
