"use client";
import type { Line } from "@/records/line/line";
import { useFormHeard } from "@/ui/formHere";
import { Sheet } from "@/ui/Sheet";
import { CommandForm, Field } from "../common/command";
import { SpeciesField } from "../common/fields";
import { ANTHERS, HARMS, SCHOOLS, STATUSES } from "../common/standNames";
import { choicesOf } from "../common/words";

/** Wild kin is a status, not a harm of its own. */
const { wild: _, ...LINE_HARMS } = HARMS;

type Props = { line?: Line };

export function LineForm({ line }: Props) {
  return (
    <Sheet
      trigger={line ? "Change the line" : "Add a line"}
      title={line ? line.name : "A new line"}
      strong={!line}
      at={line ? undefined : "line"}
    >
      {(close) => (
        <CommandForm
          command={line ? "line.change" : "line.add"}
          draft={line ? `line-${line.id}` : "line"}
          values={{
            name: line?.name,
            species: line?.species,
            school: line?.school ?? "keep-pure",
            status: line?.status ?? "open-pollinated",
            origin: line?.origin,
            year: line?.year,
            description: line?.description,
            purity: line?.purity === null || line === undefined ? null : Number((line.purity * 100).toFixed(2)),
            harm: line?.harm ?? "none",
            anthers: line?.anthers ?? "as-species",
            cloned: line?.cloned ?? 0,
          }}
          factors={{ purity: 0.01 }}
          hidden={line && { id: line.id, version: line.version }}
          submit={line ? "Keep" : "Add the line"}
          onDone={close}
        >
          <Field name="name" label="Name" />
          <SpeciesField />
          <Field
            name="school"
            label="School"
            type="select"
            choices={choicesOf(SCHOOLS)}
            hint="How isolation, numbers and off-types are judged for it."
          />
          <Field name="status" label="Status" type="select" choices={choicesOf(STATUSES)} />
          <HybridWarning />
          <Field
            name="cloned"
            label="One plant, multiplied by runners, tubers or cuttings"
            type="checkbox"
            hint="Then it is judged by itself, not by its seed."
          />
          <div className="grid grid-cols-2 gap-4">
            <Field
              name="purity"
              label="Purity wanted"
              type="number"
              unit="% true seed"
              hint="Empty: by the garden's level of care."
            />
            <Field name="harm" label="Would its pollen harm others?" type="select" choices={choicesOf(LINE_HARMS)} />
            <Field
              name="anthers"
              label="Do its fruiting flowers carry anthers?"
              type="select"
              choices={choicesOf(ANTHERS)}
              hint="Only for melons, cucumbers and their like: it decides whether buds are emasculated."
            />
          </div>
          <div className="grid grid-cols-[1fr_7rem] gap-4">
            <Field name="origin" label="Origin" />
            <Field name="year" label="Year" type="number" />
          </div>
          <Field
            name="description"
            label="Description"
            type="textarea"
            hint="The aim, or what it looks like true to type."
          />
        </CommandForm>
      )}
    </Sheet>
  );
}

function HybridWarning() {
  const [school, status] = useFormHeard("values").getValues(["school", "status"]) as string[];
  if (school !== "keep-pure" || status !== "f1-hybrid") return null;
  return (
    <p role="status" className="border-l-4 border-quince pl-3">
      Seed of a bought F1 hybrid does not come true: its seedlings split into all kinds. To undo it into a stable line,
      choose the school cross and fix.
    </p>
  );
}
