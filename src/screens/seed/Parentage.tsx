"use client";
import { Sheet } from "@/ui/Sheet";
import type { LotPage } from "@/views/lot";
import { CommandForm } from "../common/command";
import { percent } from "../common/words";

type Props = Pick<LotPage, "lot" | "candidates" | "possible">;

/** Who may have been mother or father of a lot, in shares, where nobody can be sure. */
export function Parentage({ lot, candidates, possible }: Props) {
  const choices = possible.map((p) => ({ value: p.id, label: p.label }));
  return (
    <section className="mt-6 max-w-2xl">
      <h3 className="mb-1">Parents in doubt</h3>
      {lot.doubt && (
        <p className="mb-2 border-l-4 border-rust pl-3">
          From flowers with a fault ({lot.doubt.replaceAll("-", " ")}): never counted as the cross.
        </p>
      )}
      {candidates.length > 0 ? (
        <ul>
          {candidates.map((c) => (
            <li key={c.id}>
              {c.role}, perhaps {c.name ?? "a stranger"}
              {c.number ? ` plant ${c.number}` : ""} {c.code}: <strong>{percent(c.share)}</strong>
            </li>
          ))}
        </ul>
      ) : (
        <p className="text-soft">
          None. Where berries fell between two plants, or pollen was unsure, say who it may be.
        </p>
      )}
      <div className="mt-2">
        <Sheet trigger="Say who it may be" title={`Parents of ${lot.code}`} plain>
          {(close) => (
            <CommandForm
              command="candidate.set"
              draft={`parents-${lot.id}`}
              values={{ role: "mother", first: null, share: 0.5, second: null }}
              hidden={{ of: "lot", id: lot.id, version: lot.version }}
              shape={({ role, first, share, second }) => ({
                role,
                candidates: [
                  { standId: first ? String(first) : null, share: Number(share) },
                  ...(Number(share) < 1 ? [{ standId: second ? String(second) : null, share: 1 - Number(share) }] : []),
                ],
              })}
              submit="Save"
              onDone={close}
            >
              {(Field) => (
                <>
                  <Field
                    name="role"
                    label="Which parent"
                    type="select"
                    choices={["mother", "father"].map((value) => ({ value, label: value }))}
                  />
                  <Field name="first" label="Perhaps" type="select" none="A stranger" choices={choices} />
                  <Field name="share" label="Share thought to be its own" type="number" hint="Between 0 and 1." />
                  <Field name="second" label="The rest" type="select" none="A stranger" choices={choices} />
                </>
              )}
            </CommandForm>
          )}
        </Sheet>
      </div>
    </section>
  );
}
