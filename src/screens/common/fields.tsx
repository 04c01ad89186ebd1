import type { Id } from "@/core/custody/id";
import { massUnit, type Units } from "@/core/units/units";
import { later } from "@/ui/later";
import { Meanwhile } from "@/ui/Meanwhile";
import type { Pick } from "@/ui/PickField";
import { Choices } from "./Choices";
import type { FieldOf } from "./command";

const PickField = later(async () => (await import("@/ui/PickField")).PickField);

type PickProps = { label?: string; none?: string; choices: Pick[] };

/** One species of some. */
export const SpeciesPick = ({ label = "Species", none = "Type any of its names", choices }: PickProps) => (
  // By itself, so that the rest of the form stays in hand while it comes.
  <Meanwhile>
    <PickField name="species" label={label} none={none} choices={choices} />
  </Meanwhile>
);

/** A species, by its name here or by another; `kin` offers what grows wild too. */
export const SpeciesField = ({ kin = false, none }: { kin?: boolean; none?: string }) => (
  <Choices of="species">
    {(choices) => <SpeciesPick none={none} choices={kin ? [...choices.species, ...choices.kin] : choices.species} />}
  </Choices>
);

type LineProps = { Field: FieldOf<"lineId">; lines: { id: Id; name: string; species: string }[] };

/** The line of a stand or a lot. */
export const LineField = ({ Field, lines }: LineProps) => (
  <Field
    name="lineId"
    label="Line"
    type="select"
    none="Choose a line"
    choices={lines.map((l) => ({ value: l.id, label: `${l.name}, ${l.species.toLowerCase()}` }))}
  />
);

const POLLEN = [
  { value: "open", label: "Open: whatever flew" },
  { value: "self", label: "Their own: bagged, or a crop that selfs" },
];

/** Whose pollen made the seed. */
export const PollenField = ({ Field }: { Field: FieldOf<"kind"> }) => (
  <Field name="kind" label="Pollen" type="select" choices={POLLEN} />
);

/** Seed by count or by mass; `each` where it is meant for every plant by itself. */
type AmountProps = { Field: FieldOf<"seeds" | "mass">; units: Units; each?: boolean };
export const AmountFields = ({ Field, units, each = false }: AmountProps) => (
  <div className="grid grid-cols-2 gap-4">
    <Field name="seeds" label={each ? "Seeds of each" : "Seeds, counted"} type="number" />
    <Field
      name="mass"
      label={each ? "or mass of each" : "or weighed"}
      type="number"
      unit={massUnit(units)}
      hint={each ? undefined : "Mass is turned into a range of seeds."}
    />
  </div>
);
