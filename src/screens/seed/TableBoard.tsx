"use client";
import type { ReactNode } from "react";
import { VESSEL_KINDS, VESSELS } from "@/core/seed/vessels";
import { plural } from "@/core/units/plural";
import type { Units } from "@/core/units/units";
import Link from "@/ui/Link";
import { Sheet } from "@/ui/Sheet";
import type { Moment, SeedTable, TableLotView, VesselView } from "@/views/seedTable";
import { CommandForm } from "../common/command";
import { FRACTION_WORDS } from "../common/seedNames";
import { Tag } from "../common/Tag";
import { choicesOf } from "../common/words";
import { callInWords, whenInWords } from "./moments";
import { CallPress, vesselChoices } from "./TableForms";
import { VesselDrawing } from "./VesselDrawing";

/** Shelves of the table: where fruit waits, where it is wet, where it dries. */
const SHELVES = ["waiting", "wet", "drying"] as const;

/** What a lot does now, in few words. */
function doingInWords({ stage, calls, dry, way }: TableLotView, now: Moment): { words: string; due: boolean } {
  const due = calls.find(({ standing }) => standing === "due" || standing === "late");
  if (due) return { words: due.title.toLowerCase(), due: true };
  if (stage === "drying" && dry) return { words: `dry ${whenInWords(dry.likely, now)}`, due: false };
  const [next] = calls;
  if (next) return { words: `${next.title.toLowerCase()} ${whenInWords(next.from, now)}`, due: false };
  return { words: way?.toLowerCase() ?? stage, due: false };
}

type Props = { table: SeedTable; units: Units };

/** The table as it stands: every vessel with its tag, what is in it, and what it waits for. */
export function TableBoard({ table, units }: Props) {
  const { lots, vessels, now } = table;
  const byVessel = new Map(lots.flatMap((lot) => (lot.vesselId ? [[lot.vesselId, lot] as const] : [])));
  const loose = lots.filter(({ vesselId }) => vesselId === null || !vessels.some(({ id }) => id === vesselId));
  return (
    <section aria-label="The table" className="mt-8">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h2>The table</h2>
        <AddVessel />
      </div>
      <p className="mb-2 text-sm text-soft">
        {lots.length === 0
          ? "Nothing is being cleaned or dried. Fruit whose seed is still in it comes here by itself."
          : `${plural(lots.length, "lot")} on the table. Scan a vessel, then the one it goes into; or press one.`}
      </p>
      {SHELVES.map((shelf) => {
        const here = vessels.filter(({ kind }) => VESSELS[kind].shelf === shelf);
        if (here.length === 0) return null;
        return (
          <div key={shelf} className="mb-2 flex gap-3 bg-[color-mix(in_srgb,var(--rule)_30%,transparent)] p-2">
            <p className="w-14 shrink-0 text-sm text-soft">{shelf}</p>
            <ul className="flex flex-wrap gap-x-3 gap-y-4">
              {here.map((vessel) => (
                <li key={vessel.id}>
                  <VesselSpot
                    vessel={vessel}
                    lot={byVessel.get(vessel.id) ?? null}
                    lots={lots}
                    vessels={vessels}
                    now={now}
                    units={units}
                  />
                </li>
              ))}
            </ul>
          </div>
        );
      })}
      {loose.length > 0 && (
        <ul className="rows border-y border-rule" aria-label="In no vessel">
          {loose.map((lot) => (
            <li key={lot.id} className="flex flex-wrap items-center justify-between gap-3 py-2">
              <span>
                <Tag kind="lot" code={lot.code} href={`/seed/${lot.code}`} small />{" "}
                <span className="font-semibold">{lot.name}</span>{" "}
                <span className="text-soft">
                  {lot.fruits ? `${plural(lot.fruits, "fruit")}, ` : ""}
                  {doingInWords(lot, now).words}; in no vessel
                </span>
              </span>
              <LotSheet lot={lot} lots={lots} vessels={vessels} now={now} units={units} trigger="At work" />
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

type SpotProps = {
  vessel: VesselView;
  lot: TableLotView | null;
  lots: TableLotView[];
  vessels: VesselView[];
  now: Moment;
  units: Units;
};

function VesselSpot({ vessel, lot, lots, vessels, now, units }: SpotProps) {
  const soiled = !lot && vessel.soiledCode !== null;
  const doing = lot && doingInWords(lot, now);
  const face = (
    <span className="block min-h-11 w-32 text-sm">
      <VesselDrawing kind={vessel.kind} stage={lot?.stage ?? null} soiled={soiled} />
      <span className="block font-bold">{lot ? lot.code : vessel.name}</span>
      <span className="block break-words">{lot ? lot.name : VESSELS[vessel.kind].name}</span>
      <span className={doing?.due || soiled ? "block font-bold text-rust" : "block text-soft"}>
        {doing ? doing.words : soiled ? `held ${vessel.soiledCode}: sign it clean` : "clean"}
      </span>
      {lot?.broken && <span className="block font-bold text-rust">chain broken</span>}
    </span>
  );
  if (lot) return <LotSheet lot={lot} lots={lots} vessels={vessels} now={now} units={units} trigger={face} />;
  return (
    <Sheet trigger={face} title={`${vessel.name}, ${vessel.code}`} bare>
      {(close) => (
        <div className="grid gap-4">
          {soiled ? (
            <CommandForm
              command="vessel.clean"
              draft={`clean-${vessel.id}`}
              values={{ by: null }}
              hidden={{ id: vessel.id }}
              kept={`${vessel.name} signed clean`}
              submit="Sign it clean"
              onDone={close}
            >
              {(Field) => (
                <>
                  <p>
                    It held lot {vessel.soiledCode}. Look for seed left in seams, mesh and corners; wash it out; then
                    sign. Until then no other lot goes in.
                  </p>
                  <Field name="by" label="Signed by" hint="Initials, where several work at the table." />
                </>
              )}
            </CommandForm>
          ) : (
            <p>It is clean and empty.</p>
          )}
          <a href={`/api/tags/vessel/${vessel.code}`} className="leaf justify-self-start">
            Print its tag
          </a>
        </div>
      )}
    </Sheet>
  );
}

type LotSheetProps = {
  lot: TableLotView;
  /** All lots on the table. */
  lots: TableLotView[];
  vessels: VesselView[];
  now: Moment;
  units: Units;
  trigger: ReactNode;
};

/** Everything that can be done with a lot on the table. */
function LotSheet({ lot, lots, vessels, now, units, trigger }: LotSheetProps) {
  const kin = lots.filter(({ id, lineId }) => lineId === lot.lineId && id !== lot.id);
  return (
    <Sheet trigger={trigger} title={`${lot.name}, lot ${lot.code}`} bare={typeof trigger !== "string"}>
      {(close) => (
        <div className="grid gap-6">
          <p className="flex flex-wrap gap-3">
            <Link className="leaf" href={`/seed/${lot.code}`}>
              Its page
            </Link>
          </p>
          <ul className="rows border-y border-rule">
            {lot.calls.map((call) => (
              <li key={call.act} className="grid gap-2 py-3">
                <span>
                  <strong>{call.title}.</strong> {call.how} <span className="text-soft">{callInWords(call, now)}</span>
                </span>
                <CallPress lot={lot} call={call} vessels={vessels} units={units} />
              </li>
            ))}
          </ul>
          <CommandForm
            command="table.move"
            draft={`move-${lot.id}`}
            values={{ vesselId: null }}
            hidden={{ lotId: lot.id, fromVesselId: lot.vesselId }}
            kept={`Lot ${lot.code} moved`}
            submit="Move it"
            onDone={close}
          >
            {(Field) => (
              <Field
                name="vesselId"
                label="Into another vessel"
                type="select"
                none="Choose one"
                choices={vesselChoices(vessels, lot.id)}
              />
            )}
          </CommandForm>
          <CommandForm
            command="table.split"
            draft={`split-${lot.id}`}
            values={{ fraction: "floated", share: "10", vesselId: null }}
            shape={({ fraction, share, vesselId }) => ({
              parts: [{ fraction, share: Number(String(share).replace(",", ".")) / 100, vesselId: vesselId || null }],
            })}
            hidden={{ lotId: lot.id }}
            submit="Keep it apart"
            onDone={close}
          >
            {(Field) => (
              <>
                <h3>Keep a fraction apart</h3>
                <Field name="fraction" label="Which" type="select" choices={choicesOf(FRACTION_WORDS)} />
                <Field name="share" label="Share of the lot" type="number" unit="%" />
                <Field
                  name="vesselId"
                  label="Into"
                  type="select"
                  none="No vessel yet"
                  choices={vesselChoices(vessels, lot.id)}
                />
              </>
            )}
          </CommandForm>
          {kin.length > 0 && (
            <CommandForm
              command="table.merge"
              draft={`merge-${lot.id}`}
              values={{ other: kin[0]!.id, vesselId: null }}
              shape={({ other, vesselId }) => ({ lotIds: [lot.id, other], vesselId: vesselId || null })}
              submit="Put them together"
              onDone={close}
            >
              {(Field) => (
                <>
                  <h3>Put it together with another of its line</h3>
                  <Field
                    name="other"
                    label="With"
                    type="select"
                    choices={kin.map(({ id, code, fraction }) => ({
                      value: id,
                      label: `${code}${fraction ? `, ${FRACTION_WORDS[fraction]}` : ""}`,
                    }))}
                  />
                  <Field
                    name="vesselId"
                    label="Into"
                    type="select"
                    none="Where this one lies"
                    choices={vesselChoices(vessels, lot.id)}
                  />
                  <p className="text-sm text-soft">Their shares stay on record, by mass where both were weighed.</p>
                </>
              )}
            </CommandForm>
          )}
          {!lot.broken && (
            <CommandForm
              command="table.break"
              draft={`break-${lot.id}`}
              values={{ why: null }}
              hidden={{ lotId: lot.id }}
              submit="The chain is broken"
              onDone={close}
            >
              {(Field) => (
                <>
                  <h3>Not sure any more whose seed it is?</h3>
                  <Field
                    name="why"
                    label="What happened"
                    hint="A label lost, two cups taken for one another. It stays on its label for ever."
                  />
                </>
              )}
            </CommandForm>
          )}
        </div>
      )}
    </Sheet>
  );
}

function AddVessel() {
  return (
    <Sheet trigger="Add a vessel" title="Give a vessel its tag" plain>
      {(close) => (
        <CommandForm
          command="vessel.add"
          draft="vessel"
          values={{ kind: "cup", name: null }}
          submit="Give it a tag"
          onDone={close}
        >
          {(Field) => (
            <>
              <Field
                name="kind"
                label="Kind"
                type="select"
                choices={VESSEL_KINDS.map((value) => ({ value, label: VESSELS[value].name }))}
              />
              <Field name="name" label="Name" hint="As it is called at the table: cup 4, the fine strainer." />
            </>
          )}
        </CommandForm>
      )}
    </Sheet>
  );
}
