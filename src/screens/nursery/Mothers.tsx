"use client";
import { useState } from "react";
import type { Id } from "@/core/custody/id";
import { bulked, mothersCount } from "@/core/seed/bulk";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import Link from "@/ui/Link";
import { Sheet } from "@/ui/Sheet";
import type { Family } from "@/views/family";
import { CommandButton } from "../common/command";
import { SowNext } from "../common/SowNext";
import { allOf, PlantBoxes } from "./ChoosePlants";

type Mother = Family["mothers"][number];
type Props = { view: Pick<Family, "stand" | "mothers"> };

/** Seed that was saved by mother: sown a row each, or put together in stated shares. */
export function Mothers({ view }: Props) {
  const { mothers, stand } = view;
  if (mothers.length === 0) return null;
  const counted = mothers.filter(({ left }) => left !== null && left > 0);
  return (
    <section className="mt-6" aria-label="Seed by mother">
      <h3>Seed by mother</h3>
      <ul className="mt-1 text-sm">
        {mothers.map(({ lotId, code, number, left }) => (
          <li key={lotId}>
            Plant {number}: <Link href={`/seed/${code}`}>{code}</Link>,{" "}
            {left === null ? "not counted yet" : plural(left, "seed")}
          </li>
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap gap-3">
        <SowNext line={stand.lineCode} trigger="Sow the next generation" strong />
        {counted.length > 1 && (
          <Sheet trigger="Put mothers together" title={`Mothers of ${stand.code} together`}>
            {(close) => <Together mothers={counted} close={close} />}
          </Sheet>
        )}
      </div>
    </section>
  );
}

type ChooseProps = { mothers: Mother[]; taken: ReadonlySet<Id>; onChange: (taken: ReadonlySet<Id>) => void };

const Choose = ({ mothers, taken, onChange }: ChooseProps) => (
  <PlantBoxes
    legend="Mothers"
    plants={mothers.map(({ lotId, number, left }) => ({
      id: lotId,
      label: (
        <>
          {number} <span className="text-sm text-soft">({left})</span>
        </>
      ),
    }))}
    chosen={taken}
    onChange={onChange}
  />
);

const lotsOf = (mothers: Mother[]) => allOf(mothers.map(({ lotId: id }) => ({ id })));

function Together({ mothers, close }: { mothers: Mother[]; close: () => void }) {
  const [lots, setLots] = useState(lotsOf(mothers));
  const [shares, setShares] = useState<Record<Id, number>>({});
  const [most, setMost] = useState<number | null>(null);
  const chosen = mothers.filter(({ lotId }) => lots.has(lotId));
  const share = (id: Id) => shares[id] ?? 1;
  const seeds = bulked(
    chosen.map((one) => ({ left: one.left!, share: share(one.lotId) })),
    most ?? undefined,
  );
  const taken = chosen.flatMap(({ lotId }, i) => (seeds[i]! > 0 ? [{ lotId, seeds: seeds[i]! }] : []));
  const all = taken.reduce((sum, one) => sum + one.seeds, 0);
  return (
    <div className="grid grid-cols-1 gap-4">
      <Choose mothers={mothers} taken={lots} onChange={setLots} />
      <table className="w-full">
        <thead className="text-left text-sm text-soft">
          <tr>
            <th scope="col">Mother</th>
            <th scope="col">Parts</th>
            <th scope="col">Seeds</th>
          </tr>
        </thead>
        <tbody>
          {chosen.map(({ lotId, number, code }, i) => (
            <tr key={lotId} className="border-t border-rule">
              <td className="py-1">
                {number} <span className="text-sm text-soft">{code}</span>
              </td>
              <td>
                <input
                  type="number"
                  min={0}
                  max={100}
                  aria-label={`Parts of plant ${number}`}
                  value={share(lotId)}
                  onChange={({ target }) =>
                    setShares({ ...shares, [lotId]: Math.max(0, Math.min(100, Number(target.value) || 0)) })
                  }
                  className="w-20"
                />
              </td>
              <td className="font-bold tabular-nums">{seeds[i]}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <label className="grid gap-1 font-semibold">
        No more than, seeds in all
        <input
          type="number"
          min={1}
          value={most ?? ""}
          onChange={({ target }) => setMost(Number(target.value) > 0 ? Math.floor(Number(target.value)) : null)}
          className="w-32"
        />
      </label>
      {taken.length > 1 ? (
        <>
          <p role="status">
            <strong>{plural(all, "seed")}</strong> of {taken.length} mothers. Where pollen comes from anyone they count,
            sown together, as{" "}
            {fixed(
              mothersCount(
                taken.map((one) => one.seeds),
                false,
              ),
              1,
            )}{" "}
            parents, a row each as{" "}
            {fixed(
              mothersCount(
                taken.map((one) => one.seeds),
                true,
              ),
              1,
            )}
            ; with equal parts{" "}
            {fixed(
              mothersCount(
                taken.map(() => 1),
                true,
              ),
              1,
            )}
            .
          </p>
          <CommandButton command="lot.bulk" input={{ lots: taken }} strong onDone={close}>
            Put them together
          </CommandButton>
        </>
      ) : (
        <p>Two mothers at least are put together.</p>
      )}
      <p className="text-sm text-soft">
        Each lot keeps what is not taken, so that the mothers can still be sown apart.
      </p>
    </div>
  );
}
