"use client";
import { Sheet } from "@/ui/Sheet";
import type { Release } from "@/views/release";
import { CommandForm } from "../common/command";

type Props = Pick<Release, "line" | "alike">;

/** The name that it goes by from now on, and how it is described. */
export function ReleaseForm({ line, alike }: Props) {
  return (
    <Sheet trigger="Give it its name" title={`${line.name} as a variety`} strong>
      {(close) => (
        <CommandForm
          command="line.release"
          draft={`release-${line.id}`}
          values={{ name: line.name, description: line.description }}
          hidden={{ id: line.id, version: line.version }}
          submit="It goes by this name"
          onDone={close}
        >
          {(Field) => (
            <>
              {alike.length > 0 && (
                <p className="border-l-4 border-quince pl-3">
                  Like the name of {alike.map(({ name, code }) => `${name} (${code})`).join(", ")}.
                </p>
              )}
              <Field
                name="name"
                label="Name"
                hint="Held against your own lines only. Whether it is free elsewhere, a register where you live can say."
              />
              <Field name="description" label="Description" type="textarea" hint="What it looks like true to type." />
            </>
          )}
        </CommandForm>
      )}
    </Sheet>
  );
}
