"use client";
import { useEffect } from "react";
import { bedInWords } from "@/core/ground/bedInWords";
import { FIRST_BED } from "@/core/ground/rows";
import { lengthTyped, lengthUnit } from "@/core/units/units";
import type { Start } from "@/records/start/commands";
import { useFormHeard } from "@/ui/formHere";
import { Sheet } from "@/ui/Sheet";
import { useGo } from "@/ui/useGo";
import type { ChoicesOf } from "@/views/choices";
import { Choices } from "./Choices";
import { CommandForm } from "./command";
import { SpeciesPick } from "./fields";
import { START_WORDS } from "./startWords";
import { sentence } from "./words";

/** Three ways to begin, each one sheet that asks all it needs. */
export const Starts = () => (
  <ul className="grid gap-3 sm:grid-cols-3">
    {(["keep", "cross", "mix"] as const).map((start) => (
      <li key={start} className="flex flex-col items-start border-t border-ink pt-3">
        <p className="mb-3 grow text-soft">{START_WORDS[start].what}</p>
        <StartSheet start={start} strong={start === "cross"} />
      </li>
    ))}
  </ul>
);

/** One way to begin. */
export const StartSheet = ({ start, strong }: { start: Start; strong?: boolean }) => (
  <Sheet trigger={START_WORDS[start].title} title={START_WORDS[start].title} strong={strong}>
    {(close) => <StartForm start={start} close={close} />}
  </Sheet>
);

export function StartForm({ start, close }: { start: Start; close: () => void }) {
  return <Choices of="start">{(choices) => <Form start={start} close={close} {...choices} />}</Choices>;
}

type Props = ChoicesOf<"start"> & { start: Start; close: () => void };

function Form({ start, close, species, beds, units }: Props) {
  const go = useGo();
  const words = START_WORDS[start];
  const unit = lengthUnit(units);
  const factor = lengthTyped(1, units);
  const shown = (metres: number) => Number((metres / factor).toFixed(2));
  return (
    <CommandForm
      command="start.begin"
      draft={`start-${start}`}
      values={{
        species: null,
        name: null,
        father: null,
        bedId: beds[0]?.id ?? null,
        width: shown(FIRST_BED.width),
        length: shown(FIRST_BED.length),
        sown: null,
        wanted: null,
      }}
      factors={{ width: factor, length: factor }}
      hidden={{ start }}
      submit="Save"
      onDone={(answer) => {
        close();
        go(start === "cross" ? `/crosses/${answer.code}` : `/lines/${answer.code}`);
      }}
    >
      {(Field) => (
        <>
          <SpeciesPick label="What do you grow?" choices={species} />
          <UsualOf species={species} />
          <div className="grid items-start gap-4 sm:grid-cols-2">
            <Field name="name" label={words.name} hint={words.unnamed} />
            {start === "cross" && <Field name="father" label="Father" hint="The line whose pollen is taken." />}
            {beds.length > 0 ? (
              <Field
                name="bedId"
                label="Bed"
                type="select"
                none="A new bed"
                choices={beds.map(({ id, name }) => ({ value: id, label: sentence(bedInWords(name)) }))}
              />
            ) : (
              <div className="grid grid-cols-2 gap-4">
                <Field name="width" label="Bed, wide" type="number" unit={unit} />
                <Field name="length" label="Long" type="number" unit={unit} />
              </div>
            )}
            <Field name="sown" label="Sow on" type="date" hint="As usual for it here. Change it if it grows already." />
            <Field name="wanted" label={start === "cross" ? "Plants of each" : "Plants"} type="number" />
          </div>
        </>
      )}
    </CommandForm>
  );
}

/** Once a species is chosen, its usual day here and its number of plants stand in the form, unless something else was typed. */
function UsualOf({ species }: Pick<Props, "species">) {
  const { getValues, setValue, getFieldState } = useFormHeard("values");
  const chosen = species.find(({ value }) => value === getValues("species"));
  useEffect(() => {
    if (!chosen) return;
    for (const name of ["sown", "wanted"] as const)
      if (!getFieldState(name).isDirty) setValue(name, String(chosen[name]), { shouldDirty: false });
  }, [chosen, getFieldState, setValue]);
  return null;
}
