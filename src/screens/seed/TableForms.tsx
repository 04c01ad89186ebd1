"use client";
import { VESSELS, type VesselKind } from "@/core/seed/vessels";
import { massTyped, type Units } from "@/core/units/units";
import { Sheet } from "@/ui/Sheet";
import type { SeedTable, TableLotView, TimedCall } from "@/views/seedTable";
import { CommandButton, CommandForm, type FieldOf } from "../common/command";
import { PackForm } from "./PackForm";

type Vessels = SeedTable["vessels"];

/** Vessels a lot may go into, said with what stands against the others. */
export function vesselChoices(vessels: Vessels, lotId: string, kind: string | null = null) {
  const rank = (one: Vessels[number]) => (kind === null || one.kind === kind ? 0 : 1);
  return [...vessels]
    .sort((a, b) => rank(a) - rank(b))
    .map(({ id, name, lotId: held, soiledCode }) => ({
      value: id,
      label: `${name}${held && held !== lotId ? ", holds another lot" : soiledCode && !held ? `, held ${soiledCode}: not clean` : ""}`,
    }));
}

type IntoProps = { Field: FieldOf<"vesselId">; vessels: Vessels; lotId: string; kind: VesselKind | null };

function Into({ Field, vessels, lotId, kind }: IntoProps) {
  return (
    <Field
      name="vesselId"
      label={kind ? `Into which ${VESSELS[kind].name.toLowerCase()}` : "Into"}
      type="select"
      none="It stays where it is"
      choices={vesselChoices(vessels, lotId, kind)}
    />
  );
}

type Props = { lot: TableLotView; call: TimedCall; vessels: Vessels; units: Units; strong?: boolean };

/** The press that a call of the table asks for. */
export function CallPress({ lot, call, vessels, units, strong = call.standing !== "ahead" }: Props) {
  const { act, title, into } = call;
  if (act === "pack")
    return (
      <Sheet trigger="Into packets" title={`Packets of lot ${lot.code}`} strong={strong}>
        {(close) => <PackForm lot={lot} units={units} onDone={close} />}
      </Sheet>
    );
  if (act === "begin")
    return (
      <Sheet trigger="Begin" title={`Clean lot ${lot.code}`} strong={strong}>
        {(close) => (
          <CommandForm
            command="table.begin"
            draft={`begin-${lot.id}`}
            values={{ way: lot.ways[0]!.value, warmth: 20, starter: false, vesselId: null }}
            hidden={{ lotId: lot.id }}
            kept={`${lot.code}: begun`}
            submit="Begin"
            onDone={close}
          >
            {(Field) => (
              <>
                <Field name="way" label="How" type="select" choices={lot.ways} />
                <Field
                  name="warmth"
                  label="Warmth of the room"
                  type="number"
                  unit="°C"
                  hint="A ferment takes half as long for ten degrees more."
                />
                <Field name="starter" label="With a little of a finished ferment" type="checkbox" />
                <Into Field={Field} vessels={vessels} lotId={lot.id} kind={null} />
              </>
            )}
          </CommandForm>
        )}
      </Sheet>
    );
  if (act === "nail")
    return (
      <span className="flex flex-wrap gap-2">
        <CommandButton
          command="table.do"
          input={{ lotId: lot.id, act: "nail", value: 0 }}
          kept={`${lot.code}: no dent`}
          strong={strong}
        >
          No dent: dry
        </CommandButton>
        <CommandButton
          command="table.do"
          input={{ lotId: lot.id, act: "nail", value: 1 }}
          kept={`${lot.code}: not dry yet`}
        >
          Not yet
        </CommandButton>
      </span>
    );
  if (!into)
    return (
      <CommandButton
        command="table.do"
        input={{ lotId: lot.id, act }}
        strong={strong}
        kept={`${title}: ${lot.code}`}
        label={`${title}: ${lot.code}`}
      >
        Done
      </CommandButton>
    );
  return (
    <Sheet trigger={DOING[act] ?? "Done"} title={`${title}: ${lot.code}`} strong={strong}>
      {(close) => (
        <CommandForm
          command="table.do"
          draft={`do-${lot.id}-${act}`}
          values={{ vesselId: null, ...(act === "rinse" ? { value: 3 } : {}), note: null }}
          hidden={{ lotId: lot.id, act }}
          kept={`${title}: ${lot.code}`}
          submit={DOING[act] ?? "Done"}
          onDone={close}
        >
          {(Field) => (
            <>
              <p className="max-w-prose">{call.how}</p>
              <Into Field={Field} vessels={vessels} lotId={lot.id} kind={into} />
              {act === "rinse" && <Field name="value" label="How many times" type="number" />}
              <Field name="note" label="Note" />
            </>
          )}
        </CommandForm>
      )}
    </Sheet>
  );
}

const DOING: Partial<Record<TimedCall["act"], string>> = {
  open: "Opened",
  thresh: "Threshed",
  rinse: "Rinsed",
  spread: "Spread",
};

/** Grams on the scale: seed without its plate. */
export function WeighIn({ lotId, code, units }: { lotId: string; code: string; units: Units }) {
  return (
    <Sheet trigger="Weigh it" title={`Weigh lot ${code}`}>
      {(close) => (
        <CommandForm
          command="table.do"
          draft={`weigh-${lotId}`}
          values={{ value: null }}
          factors={{ value: massTyped(1, units) }}
          hidden={{ lotId, act: "weigh" }}
          kept={`Weight of lot ${code}`}
          submit="Save"
          onDone={close}
        >
          {(Field) => (
            <Field
              name="value"
              label="Seed without its plate"
              type="number"
              unit={units === "metric" ? "g" : "oz"}
              hint="Two or three weigh-ins a day apart tell when it will be dry."
            />
          )}
        </CommandForm>
      )}
    </Sheet>
  );
}
