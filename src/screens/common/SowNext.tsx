"use client";
import { type ReactNode, useState } from "react";
import { toggled } from "@/core/lists/toggled";
import { costsOf } from "@/core/plans/difference";
import { plural } from "@/core/units/plural";
import { seedsOfLot } from "@/core/work/raise";
import { stand as planting, type Stand } from "@/records/stand/stand";
import { Answered } from "@/ui/Answered";
import { Sheet } from "@/ui/Sheet";
import { useGo } from "@/ui/useGo";
import type { LotToSow, NextSowing } from "@/views/nextSowing";
import { RecordForm } from "./RecordForm";
import { bedOffered, costInWords, lotInWords, planInWords, sownName, staysInWords, strangersInWords } from "./sowWords";
import { SOWN_IN } from "./standNames";

type Props = {
  /** The line's code; and a lot's, where it is begun from one. */
  line: string;
  lot?: string;
  /** How it was reckoned to be raised, where it was. */
  so?: Raised;
  trigger: ReactNode;
  strong?: boolean;
  plain?: boolean;
};

/** Plants for which so many seeds are raised so. */
type Raised = Pick<Stand, "sownIn" | "perCell" | "sown"> & { plants: number; seeds: number };

/** The one way to sow the next generation of a line, wherever it is begun. */
export const SowNext = ({ line, lot, so, trigger, strong, plain }: Props) => (
  <Sheet trigger={trigger} title="Sow the next generation" strong={strong} plain={plain}>
    {(close) => (
      <Answered<NextSowing>
        path={`/api/sowing/${line}${lot ? `?lot=${lot}` : ""}`}
        waiting="Looking up its plan and its seed …"
      >
        {(asked) => <Sow asked={asked} so={so} close={close} />}
      </Answered>
    )}
  </Sheet>
);

const typedNumber = (text: string): number | null => (/^\d{1,5}$/.test(text.trim()) ? Number(text) : null);

function Sow({ asked, so, close }: { asked: NextSowing; so?: Raised; close: () => void }) {
  const { line, step, lots, beds, numbered, share, outcrosses } = asked;
  const go = useGo();
  const [plants, setPlants] = useState(String(so?.plants ?? step?.plants ?? 24));
  const [chosen, setChosen] = useState<ReadonlySet<string>>(
    () => new Set(lots.filter((lot) => lot.chosen).map(({ id }) => id)),
  );
  const [typed, setTyped] = useState<Record<string, string>>(
    so ? Object.fromEntries(lots.filter((lot) => lot.chosen).map(({ id }) => [id, String(so.seeds)])) : {},
  );
  if (lots.length === 0) return <p>There is no seed of {line.name} in the drawer that could be sown.</p>;
  const wanted = typedNumber(plants) ?? 0;
  const rows = lots.filter(({ id }) => chosen.has(id));
  const each = Math.ceil(wanted / Math.max(1, rows.length));
  const seedsOf = (lot: LotToSow): number => {
    const own = typedNumber(typed[lot.id] ?? "");
    if (own !== null) return own;
    return each > 0 ? seedsOfLot(each, lot).seeds : 0;
  };
  const sown = rows.map((lot) => ({ lotId: lot.id, seeds: seedsOf(lot), wanted: each || null }));
  const costs = step ? costsOf(step, { plants: wanted, mothers: Math.max(1, rows.length) }, { share, outcrosses }) : [];
  return (
    <>
      <h3 className="break-words text-xl">{sownName(asked)}</h3>
      <p className="text-soft">{planInWords(asked)}</p>
      <label className="my-4 flex flex-wrap items-center gap-2 font-semibold">
        Plants
        <input
          className="!w-24"
          inputMode="numeric"
          value={plants}
          onChange={({ target }) => {
            setPlants(target.value);
            setTyped({});
          }}
        />
      </label>
      <ul className="rows mb-3 border-y border-rule">
        {lots.map((lot) => (
          <li key={lot.id} className="flex flex-wrap items-center gap-x-3 py-1">
            <label className="flex min-h-11 grow items-center gap-2">
              <input type="checkbox" checked={chosen.has(lot.id)} onChange={() => setChosen(toggled(chosen, lot.id))} />
              <span>
                {lotInWords(lot)}
                {strangersInWords(lot) && <span className="block text-sm text-soft">{strangersInWords(lot)}</span>}
              </span>
            </label>
            {chosen.has(lot.id) && (
              <label className="flex items-center gap-2 text-sm text-soft">
                <input
                  className="!w-20"
                  inputMode="numeric"
                  aria-label={`Seeds: ${lotInWords(lot)}`}
                  value={typed[lot.id] ?? String(seedsOf(lot))}
                  onChange={({ target }) => setTyped({ ...typed, [lot.id]: target.value })}
                />
                seeds, {staysInWords(lot.left, seedsOf(lot))}
              </label>
            )}
          </li>
        ))}
      </ul>
      {costs.length > 0 && (
        <ul className="mb-3 border-l-4 border-quince pl-3" aria-label="What differs from the plan">
          {costs.map((cost) => (
            <li key={cost.kind}>{costInWords(cost)}</li>
          ))}
        </ul>
      )}
      {numbered && (
        <p className="mb-3 text-sm text-soft">Each plant gets a number, so that you can score it and keep the best.</p>
      )}
      <RecordForm
        of={planting}
        command="stand.sow"
        draft={`sow-next-${line.id}`}
        values={{
          sown: so?.sown ?? asked.sown,
          bedId: asked.bedId,
          sownIn: so?.sownIn ?? asked.sownIn,
          perCell: so?.perCell ?? null,
          family: numbered ? 1 : 0,
        }}
        units="metric"
        hidden={{ lots: sown }}
        fields={["sown", "bedId"]}
        more={{ "How it is raised": ["sownIn", "trays", "perCell", ...(numbered ? [] : (["family"] as const))] }}
        words={{ sownIn: SOWN_IN }}
        about={{ bedId: { choices: beds.map((bed) => ({ value: bed.id, label: bedOffered(bed, asked.units) })) } }}
        submit={rows.length > 1 ? `Save ${plural(rows.length, "row")}` : "Save sowing"}
        onDone={(answer) => {
          close();
          if (answer.code?.startsWith("F")) go(`/nursery/${answer.code}`);
        }}
      />
    </>
  );
}
