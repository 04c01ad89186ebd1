"use client";
import type { Id } from "@/core/custody/id";
import { Sheet } from "@/ui/Sheet";
import { CommandForm } from "../common/command";

type SetProps = { lotId: Id; code: string; seeds: number; wake: string | null; strong?: boolean };

/** Seeds are laid out to germinate. */
export function SetTest({ lotId, code, seeds, wake, strong }: SetProps) {
  return (
    <Sheet trigger="Set a test" title={`Test lot ${code}`} strong={strong}>
      {(close) => (
        <CommandForm
          command="test.set"
          draft={`test-${lotId}`}
          values={{ sown: seeds, warmth: null, woken: false, on: null, note: null }}
          hidden={{ lotId }}
          submit="Set it"
          onDone={close}
        >
          {(Field) => (
            <>
              <p className="max-w-prose">
                Count the seeds out, lay them on damp paper, close it in so that it does not dry. {wake}
              </p>
              <Field name="sown" label="Seeds tested" type="number" hint="They are taken from the lot." />
              <Field name="warmth" label="Warmth" type="number" unit="°C" hint="As far as you know it." />
              {wake && <Field name="woken" label="Woken first, as its kind wants it" type="checkbox" />}
              <Field name="on" label="Set on" type="date" hint="Empty for today." />
              <Field name="note" label="Note" />
            </>
          )}
        </CommandForm>
      )}
    </Sheet>
  );
}

type CountProps = { testId: Id; code: string; sown: number; up: number; over: boolean };

/** How many are up by today, all together. */
export function CountTest({ testId, code, sown, up, over }: CountProps) {
  return (
    <Sheet trigger="Count" title={`How many of ${sown} are up?`} strong>
      {(close) => (
        <CommandForm
          command="test.count"
          draft={`count-${testId}`}
          values={{ up, on: null, last: over }}
          hidden={{ testId }}
          submit="Save"
          onDone={close}
        >
          {(Field) => (
            <>
              <p>Lot {code}. Count all that came up so far, those you took away too.</p>
              <Field name="up" label="Up so far" type="number" />
              <Field name="on" label="Counted on" type="date" hint="Empty for today." />
              <Field name="last" label="This was the last count: the rest will not come" type="checkbox" />
            </>
          )}
        </CommandForm>
      )}
    </Sheet>
  );
}
