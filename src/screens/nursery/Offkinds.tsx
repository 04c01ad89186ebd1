"use client";
import { Sheet } from "@/ui/Sheet";
import type { Roguing } from "@/views/roguing";
import { CommandButton, CommandForm, type FieldOf } from "../common/command";
import { PictureRow, Pictures } from "../common/Pictures";

const INHERITED = {
  recessive: "Recessive: hidden in plants that look right",
  dominant: "Dominant: every plant that has it shows it",
  unknown: "Nobody knows",
} as const;
const choices = Object.entries(INHERITED).map(([value, label]) => ({ value, label }));

/** What does not belong in the line, so that whoever walks the bed says the same of the same. */
export function Offkinds({ view: { kinds, other, stand } }: { view: Roguing }) {
  return (
    <section aria-label="What does not belong" className="mt-8">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2>What does not belong</h2>
        <Sheet trigger="Describe an off-type" title="An off-type" plain>
          {(close) => (
            <CommandForm
              command="offkind.add"
              draft={`offkind-${stand.lineId}`}
              values={{ name: null, look: null, inheritance: "unknown" }}
              hidden={{ lineId: stand.lineId }}
              submit="Add it"
              onDone={close}
            >
              {(Field) => <OffkindFields Field={Field} />}
            </CommandForm>
          )}
        </Sheet>
      </div>
      {kinds.length === 0 && (
        <p className="mt-2 text-soft">
          Nothing is described yet. A name and how it looks are enough; each is one press on the walk.
        </p>
      )}
      <ul className="rows mt-2 border-y border-rule">
        {kinds.map(({ id, version, name, look, inheritance, photos }) => (
          <li key={id} className="flex items-start justify-between gap-3 py-2">
            <span className="min-w-0 break-words">
              <strong>{name}</strong>
              {look && <span className="block text-sm">{look}</span>}
              <span className="block text-sm text-soft">{INHERITED[inheritance]}</span>
              <PictureRow photos={photos} name={name} />
            </span>
            <Sheet trigger="Change" title={name} plain>
              {(close) => (
                <>
                  <CommandForm
                    command="offkind.change"
                    draft={`offkind-${id}`}
                    values={{ name, look, inheritance }}
                    hidden={{ id, version }}
                    patch
                    submit="Save"
                    onDone={close}
                  >
                    {(Field) => <OffkindFields Field={Field} />}
                  </CommandForm>
                  <Pictures of={{ offkindId: id }} photos={photos} name={name} />
                  <div className="mt-8 border-t border-rule pt-4">
                    <CommandButton command="offkind.drop" input={{ id, version }} onDone={close}>
                      Strike it out
                    </CommandButton>
                  </div>
                </>
              )}
            </Sheet>
          </li>
        ))}
      </ul>
      {other.length > 0 && (
        <p className="mt-2 text-sm text-soft">Reasons given before, without a description: {other.join("; ")}.</p>
      )}
    </section>
  );
}

const OffkindFields = ({ Field }: { Field: FieldOf<"name" | "look" | "inheritance"> }) => (
  <>
    <Field name="name" label="Name" hint="As scarlet flower, split bulb, early bolter." />
    <Field name="look" label="How it looks" type="textarea" hint="And when it can first be told." />
    <Field name="inheritance" label="Inherited" type="select" choices={choices} />
  </>
);
