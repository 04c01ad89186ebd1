"use client";
import clsx from "clsx";
import { useState } from "react";
import { dayInWords } from "@/core/calendar/day";
import { inTenShort, timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import Link from "@/ui/Link";
import { useGrowing } from "@/ui/useThere";
import type { Cell, CrossPlan, PlanGroup, PlanParent, Relation } from "@/views/crossPlan";
import { setInWords } from "../common/crossWords";
import { Page } from "../common/Page";
import { SeasonPicker } from "../common/SeasonPicker";
import { Tag } from "../common/Tag";
import { sentence } from "../common/words";
import { CrossTabs } from "./CrossTabs";
import { PlanCross } from "./PlanCross";

/** So many groups fill a screen; the rest is drawn when the page is there. */
const AT_FIRST = 5;

const RELATIONS: Record<Relation, string> = {
  self: "Selfing, or sibs of one stand",
  sib: "Sibs",
  backcross: "Backcross",
  cross: "Cross",
};

/** How close two parents are, in words a grower knows. */
function kinshipInWords(kinship: number): string {
  if (kinship >= 0.5) return "as near as selfing";
  if (kinship >= 0.24) return "as near as full sibs";
  if (kinship >= 0.12) return "as near as half sibs";
  return kinship > 0.01 ? "distant kin" : "unrelated, as far as is known";
}

/** The same in two words, for a cell. */
function kinInShort(kinship: number): string {
  if (kinship >= 0.5) return "as selfed";
  if (kinship >= 0.24) return "as sibs";
  if (kinship >= 0.12) return "half sibs";
  return kinship > 0.01 ? "distant kin" : "no kin";
}

/** Mothers against fathers of a season: can they, do they meet, how near are they, what is done. */
export function PlanMatrix({ garden, band, season, seasons, groups, head }: CrossPlan) {
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const drawn = useGrowing(groups, AT_FIRST);
  return (
    <Page
      title="Mothers and fathers"
      band={band}
      beside={
        <>
          {chosen && <Pair {...chosen} />}
          <PlanCross season={season} since={head} chosen={chosen} />
        </>
      }
    >
      <CrossTabs at="/crosses/plan" />
      <div className="mb-5 flex flex-wrap items-center justify-between gap-4">
        <h2 className="text-2xl">Who with whom?</h2>
        <SeasonPicker path="/crosses/plan" season={season} seasons={seasons} latitude={garden.latitude} />
      </div>
      {groups.length === 0 && (
        <p className="max-w-prose">
          Nothing grows in this season yet. Sow two lines on the Ground, and they meet here.
        </p>
      )}
      {drawn.map((group) => (
        <Matrix key={group.group} group={group} chosen={chosen} onChoose={setChosen} />
      ))}
      {groups.length > 0 && (
        <p className="max-w-prose text-sm text-soft">
          In a cell: the chance that both flower together for three days or more, from the forecasts&apos; ranges; below
          it how near kin the two are, which is how inbred their offspring will be; then flowers to do, or what has set
          of what is wanted. A dot marks a cross that was planned.
        </p>
      )}
    </Page>
  );
}

type Chosen = { cell: Cell; mother: PlanParent; father: PlanParent };
type MatrixProps = { group: PlanGroup; chosen: Chosen | null; onChoose: (chosen: Chosen) => void };

function Matrix({ group, chosen, onChoose }: MatrixProps) {
  const cells = new Map(group.cells.map((cell) => [`${cell.mother} ${cell.father}`, cell]));
  const { parents } = group;
  return (
    <section className="mb-9" aria-label={group.group}>
      <h3 className="mb-2">{group.group}</h3>
      <section
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reached by keyboard
        tabIndex={0}
        className="relative overflow-x-auto"
        aria-label={`${group.group}, mothers against fathers`}
      >
        <table className="matrix">
          <thead>
            <tr>
              <td className="min-w-40 pr-2 text-right text-soft">mother ↓ father →</td>
              {parents.map((p) => (
                <th key={p.id} scope="col" className="min-w-24 max-w-28 px-1 pb-1 text-left align-bottom font-semibold">
                  <span className="line-clamp-2 break-words">{p.name}</span>
                  <span className="block font-normal text-soft">{p.code}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {parents.map((mother, i) => (
              <tr key={mother.id}>
                <th scope="row" className="max-w-52 pr-3 text-left font-semibold">
                  <span className="line-clamp-2 break-words">{mother.name}</span>
                  <span className="font-normal text-soft">
                    {mother.code}, from {dayInWords(mother.start)}
                  </span>
                </th>
                {parents.map((father, j) => {
                  const cell = cells.get(`${i} ${j}`);
                  return (
                    <td key={father.id}>
                      {cell ? (
                        <CellButton
                          cell={cell}
                          on={chosen?.cell === cell}
                          onPress={() => onChoose({ cell, mother, father })}
                        />
                      ) : (
                        <span className="block p-2 text-soft">do not cross</span>
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      {group.hidden > 0 && (
        <p className="mt-1 text-sm text-soft">{plural(group.hidden, "more stand")} not shown; the form lists all.</p>
      )}
    </section>
  );
}

function CellButton({ cell, on, onPress }: { cell: Cell; on: boolean; onPress: () => void }) {
  const { meets, kinship, planned, possible, relation } = cell;
  return (
    <button type="button" onClick={onPress} aria-pressed={on} disabled={!possible}>
      <span className={clsx("font-bold", meets >= 0.8 ? "text-moss" : meets >= 0.3 ? "text-ink" : "text-rust")}>
        {relation === "self" ? "self" : inTenShort(meets)}
        {planned && (
          <>
            <span aria-hidden className="ml-1 inline-block size-2 rounded-full bg-damson" />
            <span className="sr-only"> planned</span>
          </>
        )}
      </span>
      <span className="text-soft">{kinInShort(kinship)}</span>
      {planned && <span>{planned.toDo > 0 ? `${planned.toDo} to do` : setInWords(planned.set, planned.wanted)}</span>}
      {!possible && <span className="text-soft">not by hand</span>}
    </button>
  );
}

function Pair({ cell, mother, father }: Chosen) {
  const { planned, kinship, relation, degree, meets } = cell;
  return (
    <section className="mb-8 border-b border-rule pb-5">
      <h2 className="break-words">
        {mother.name} × {father.name}
      </h2>
      <p className="mt-2">
        {RELATIONS[relation]}; they cross {degree}. <strong>{sentence(timesInTen(meets))}</strong> they flower together.
        Kinship {fixed(kinship, 2)}: {kinshipInWords(kinship)}.
      </p>
      {planned && (
        <ul className="mt-3 flex flex-wrap items-center gap-2">
          {planned.codes.map((code) => (
            <li key={code}>
              <Tag kind="cross" code={code} href={`/crosses/${code}`} small />
            </li>
          ))}
          <li className="text-sm text-soft">
            {planned.set} set, {planned.under} waiting, {planned.wanted} wanted
          </li>
        </ul>
      )}
      {!planned && meets < 0.8 && (
        <p className="mt-2 text-sm">
          Plan it, and its page lists the sowings, cutting back and stored pollen that would make them meet.{" "}
          <Link href="/season">Season</Link> shows both flowerings.
        </p>
      )}
    </section>
  );
}
