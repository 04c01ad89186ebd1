"use client";
import { type Line, line as lineRecord } from "@/records/line/line";
import { useFormHeard } from "@/ui/formHere";
import { Sheet } from "@/ui/Sheet";
import { SpeciesField } from "../common/fields";
import { RecordForm } from "../common/RecordForm";
import { ANTHERS, HARMS, SCHOOLS, STATUSES } from "../common/standNames";

/** Wild kin is a status, not a harm of its own. */
const { wild: _, ...LINE_HARMS } = HARMS;

export function LineForm({ line }: { line?: Line }) {
  return (
    <Sheet
      trigger={line ? "Change the line" : "Add a line"}
      title={line ? line.name : "A new line"}
      strong={!line}
      at={line ? undefined : "line"}
    >
      {(close) => (
        <RecordForm
          of={lineRecord}
          command={line ? "line.change" : "line.add"}
          row={line}
          values={{ school: "keep-pure", status: "open-pollinated", harm: "none", anthers: "as-species", cloned: 0 }}
          draft={line ? `line-${line.id}` : "line"}
          units="metric"
          fields={["name", "species", "school", "status", "description"]}
          more={{
            "Where it comes from": ["origin", "year"],
            "How it is judged": ["purity", "harm", "anthers", "cloned"],
          }}
          words={{ school: SCHOOLS, status: STATUSES, harm: LINE_HARMS, anthers: ANTHERS }}
          about={{
            species: () => <SpeciesField />,
            anthers: { hint: "Only for melons, cucumbers and their like: it decides whether buds are emasculated." },
          }}
          submit="Save"
          onDone={close}
        >
          <HybridWarning />
        </RecordForm>
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
