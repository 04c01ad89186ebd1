"use client";
import { plural } from "@/core/units/plural";
import { CommandButton } from "@/ui/CommandButton";
import type { TruenessView } from "@/views/trueness";

/** Reasons for which plants were removed, each to be called an off-type or not: until then the test stays open. */
export function Undecided({ lineId, undecided }: { lineId: string } & Pick<TruenessView, "undecided">) {
  return (
    <section aria-label="Not decided" className="mt-4">
      <h3>Were these off-types?</h3>
      <ul>
        {undecided.map(({ reason, plants }) => (
          <li key={reason} className="border-rule border-b py-2">
            <p className="break-words">
              {plural(plants, "plant")} removed: <strong>{reason || "no reason given"}</strong>
            </p>
            <div className="mt-1 flex flex-wrap gap-2">
              {reason !== "" && (
                <CommandButton
                  command="offkind.add"
                  input={{ lineId, name: reason.slice(0, 60) }}
                  label={`${reason}: an off-type`}
                >
                  Off-type
                </CommandButton>
              )}
              <CommandButton
                command="loss.add"
                input={{ lineId, reason }}
                label={`${reason || "No reason given"}: not an off-type`}
              >
                Not an off-type
              </CommandButton>
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
