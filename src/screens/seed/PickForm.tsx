"use client";
import type { Id } from "@/core/custody/id";
import { useFormHeard } from "@/ui/formHere";
import { Sheet } from "@/ui/Sheet";
import type { HarvestStand } from "@/views/harvest";
import { Choices } from "../common/Choices";
import { CommandButton, CommandForm, type FieldOf } from "../common/command";
import { choicesOf } from "../common/words";

const STATES = {
  sound: "Sound",
  soft: "Soft: its seed is mostly sound",
  rotting: "Rotting: take the seed out at once",
  dropped: "Dropped",
};
const VERDICTS = {
  matches: "As its line should be",
  "set-aside": "Not: set aside, to be eaten",
  uncertain: "Found between plants: mother uncertain",
};

export type Picked = Pick<
  HarvestStand,
  "id" | "version" | "code" | "name" | "chosen" | "description" | "passesWanted" | "passes" | "when"
>;

/** Numbers of plants as people write them: 3, 7 12. */
const numbersIn = (text: unknown) => (String(text ?? "").match(/\d+/g) ?? []).map(Number);

/** One pass through a stand: how many fruits, of which plants, as they should be or not. */
export function PickForm({ id, version, code, name, chosen, description, passesWanted, passes, when }: Picked) {
  const idOf = new Map(chosen.map((plant) => [plant.number, plant.id]));
  return (
    <Sheet trigger="Pick" title={`${name}, ${code}`} strong={when === "now"}>
      {(close) => (
        <div className="grid gap-6">
          <CommandForm
            command="pick.add"
            draft={`pick-${id}`}
            values={{
              verdict: "matches",
              fruits: 1,
              state: "sound",
              plants: chosen.map(({ number }) => number).join(", "),
              kind: "open",
              otherStandId: null,
              why: null,
              on: null,
            }}
            hidden={{ standId: id }}
            shape={({ plants, ...typed }) => ({
              ...typed,
              plantIds:
                typed.verdict === "uncertain" ? [] : numbersIn(plants).flatMap((n) => idOf.get(n) ?? ([] as Id[])),
            })}
            submit="Picked"
            onDone={close}
          >
            {(Field) => (
              <>
                {description && (
                  <p className="border-l-4 border-moss pl-3">
                    <strong>It should be:</strong> {description}
                  </p>
                )}
                <Field name="verdict" label="The fruit is" type="select" choices={choicesOf(VERDICTS)} />
                <Why Field={Field} standId={id} />
                <div className="grid grid-cols-2 gap-4">
                  <Field
                    name="fruits"
                    label={chosen.length > 0 ? "Fruits of each plant" : "Fruits or heads"}
                    type="number"
                  />
                  <Field name="state" label="State" type="select" choices={choicesOf(STATES)} />
                </div>
                {chosen.length > 0 && (
                  <Field
                    name="plants"
                    label="Of plants"
                    hint={`Chosen: ${chosen.map(({ number }) => number).join(", ")}. A lot for each; empty for all together.`}
                  />
                )}
                <Field name="on" label="On" type="date" hint="Empty for today." />
              </>
            )}
          </CommandForm>
          <CommandForm
            command="pick.passes"
            draft={`passes-${id}`}
            values={{ passesWanted }}
            hidden={{ id, version }}
            submit="Save"
            onDone={close}
          >
            {(Field) => (
              <Field
                name="passesWanted"
                label="Passes for seed"
                type="number"
                hint="After so many the rest may be eaten. Empty: as it comes."
              />
            )}
          </CommandForm>
          {passes > 0 && (
            <CommandButton command="pick.release" input={{ id, version, released: 1 }} onDone={close}>
              Release the rest for eating
            </CommandButton>
          )}
        </div>
      )}
    </Sheet>
  );
}

/** What the verdict asks for beside it. */
function Why({ Field, standId }: { Field: FieldOf<"why" | "otherStandId">; standId: Id }) {
  const verdict = useFormHeard("values").getValues("verdict") as string;
  if (verdict === "set-aside")
    return (
      <Field name="why" label="What does not match" hint="Shape, colour, size, taste: it is learned from later." />
    );
  if (verdict === "uncertain")
    return (
      <Choices of="stands">
        {(stands) => (
          <Field
            name="otherStandId"
            label="Or it is of"
            type="select"
            none="A stranger"
            choices={stands.filter(({ id }) => id !== standId).map(({ id, label }) => ({ value: id, label }))}
          />
        )}
      </Choices>
    );
  return null;
}
