"use client";
import type { Id } from "@/core/custody/id";
import { massTyped, type Units } from "@/core/units/units";
import { Choices } from "../common/Choices";
import { CommandForm } from "../common/command";
import { AmountFields } from "../common/fields";

type Props = { lot: { id: Id; code: string; broken: boolean; brokenWhy: string }; units: Units; onDone: () => void };

/** Clean, dry seed goes into its packets and into a place; the label says all that is known of it. */
export function PackForm({ lot, units, onDone }: Props) {
  return (
    <Choices of="stores">
      {(stores) => (
        <CommandForm
          command="packet.make"
          draft={`pack-${lot.id}`}
          values={{
            seeds: null,
            mass: null,
            packets: 1,
            each: null,
            reserves: 0,
            storeId: stores[0]?.id ?? null,
            on: null,
          }}
          factors={{ mass: massTyped(1, units) }}
          hidden={{ lotId: lot.id }}
          submit="Into packets"
          onDone={onDone}
        >
          {(Field) => (
            <>
              {lot.broken && (
                <p className="border-l-4 border-rust pl-3">
                  <strong>The chain of this lot is broken:</strong> {lot.brokenWhy} Every label will say so.
                </p>
              )}
              <AmountFields Field={Field} units={units} />
              <div className="grid grid-cols-3 gap-4">
                <Field name="packets" label="Packets" type="number" />
                <Field name="each" label="Seeds in each" type="number" />
                <Field name="reserves" label="Reserves" type="number" hint="The last ones." />
              </div>
              <Field
                name="storeId"
                label="Into which place"
                type="select"
                none="Nowhere yet"
                choices={stores.map(({ id, name }) => ({ value: id, label: name }))}
              />
              <Field name="on" label="On" type="date" hint="Empty for today." />
            </>
          )}
        </CommandForm>
      )}
    </Choices>
  );
}
