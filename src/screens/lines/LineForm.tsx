"use client";
import { useWatch } from "react-hook-form";
import type { Line } from "@/records/line/queries";
import { CommandForm, Field } from "@/ui/CommandForm";
import { Sheet } from "@/ui/Sheet";
import { choicesOf, SCHOOLS, STATUSES } from "../common/words";

type Props = { line?: Line; species: { id: string; name: string }[] };

export function LineForm({ line, species }: Props) {
  return (
    <Sheet trigger={line ? "Change the line" : "Add a line"} title={line ? line.name : "A new line"} strong={!line}>
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
          }}
          hidden={line && { id: line.id, version: line.version }}
          submit={line ? "Keep" : "Add the line"}
          onDone={close}
        >
          <Field name="name" label="Name" />
          <Field
            name="species"
            label="Species"
            type="select"
            none="Choose a species"
            choices={species.map((s) => ({ value: s.id, label: s.name }))}
          />
          <Field
            name="school"
            label="School"
            type="select"
            choices={choicesOf(SCHOOLS)}
            hint="How isolation, numbers and off-types are judged for it."
          />
          <Field name="status" label="Status" type="select" choices={choicesOf(STATUSES)} />
          <HybridWarning />
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
  const [school, status] = useWatch({ name: ["school", "status"] }) as string[];
  if (school !== "keep-pure" || status !== "f1-hybrid") return null;
  return (
    <p role="status" className="border-l-4 border-quince pl-3">
      Seed of a bought F1 hybrid does not come true: its seedlings split into all kinds. To undo it into a stable line,
      choose the school cross and fix.
    </p>
  );
}
