"use client";
import { Sheet } from "@/ui/Sheet";
import type { Roguing } from "@/views/roguing";
import { CommandForm } from "../common/command";

const fieldOf = (i: number) => `removed${i}` as const;
type Walked = Record<"looked" | "on" | "byWhom" | ReturnType<typeof fieldOf>, string>;
const begun = (reasons: string[], on: string): Walked => ({
  ...Object.fromEntries(reasons.map((_, i) => [fieldOf(i), ""])),
  looked: "",
  on,
  byWhom: "",
});

/** A walk through plants without numbers: how many were looked at, what was removed of each kind, by whom. */
export function WalkForm({ view: { stand, kinds, other, today } }: { view: Roguing }) {
  const reasons = [...new Set([...kinds.map(({ name }) => name), ...other, "another off-type"])];
  return (
    <Sheet trigger="Record a walk" title={`Record a walk through ${stand.code}`} strong at="walk">
      {(close) => (
        <CommandForm
          command="deed.done"
          draft={`walk-${stand.id}`}
          values={begun(reasons, today)}
          shape={({ looked, on, byWhom, ...removed }) => {
            const found = reasons.flatMap((reason, i) => {
              const plants = Number(removed[fieldOf(i)] || 0);
              return plants > 0 ? [{ reason: reason.slice(0, 60), plants }] : [];
            });
            return {
              standId: stand.id,
              act: "rogue",
              looked,
              on,
              byWhom,
              found,
              counted: found.length === 0 ? 0 : null,
            };
          }}
          kept={`${stand.code} walked for off-types`}
          submit="Save"
          onDone={close}
        >
          {(Field) => (
            <>
              <Field name="looked" label="Plants looked at" type="number" />
              <fieldset className="grid gap-3">
                <legend className="font-semibold">Removed, by kind</legend>
                {reasons.map((reason, i) => (
                  <Field key={reason} name={fieldOf(i)} label={reason} type="number" />
                ))}
              </fieldset>
              <Field name="on" label="Day" type="date" />
              <Field name="byWhom" label="Looked at by" />
            </>
          )}
        </CommandForm>
      )}
    </Sheet>
  );
}
