"use client";
import { useState } from "react";
import { dayInWords } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { doingOf } from "@/core/pollination/protocol";
import { UNDER_WAY } from "@/core/pollination/tally";
import { hourInWords } from "@/core/writing/hours";
import { SheetPanel } from "@/ui/Sheet";
import type { CrossView, FlowerRow } from "@/views/crosses";
import { CommandForm } from "../common/command";
import { FAULTS, STATES } from "../common/crossWords";
import { Pager } from "../common/Pager";
import { LOST_WHYS } from "../common/results";
import { Tag } from "../common/Tag";
import { choicesOf, percent } from "../common/words";

/** Every flower of a cross with its days; pressed, it takes a fault, a loss or a note. */
export function FlowerTable({ view, opened: number }: { view: CrossView; opened: number | null }) {
  const { flowers, cut, protocol } = view;
  const [opened, setOpened] = useState<Id | null>(flowers.find((f) => f.number === number)?.id ?? null);
  const chosen = flowers.find((f) => f.id === opened);
  if (flowers.length === 0)
    return (
      <p className="mt-6 text-soft">
        No {protocol.unit} is covered yet. First: {protocol.steps[0]!.title.toLowerCase()}.
      </p>
    );
  const gathers = protocol.steps.some((step) => doingOf(step).gathers);
  const heads = ["Tag", "Covered", ...(gathers ? ["Pollen bagged"] : []), "Pollinated", "Males", "Looked at", "State"];
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reached by keyboard
    <section className="mt-6 max-h-[32rem] overflow-auto" aria-label="Flowers" tabIndex={0}>
      <table className="ruled w-full">
        <thead>
          <tr>
            {heads.map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {flowers.map((f) => (
            <tr key={f.id}>
              <td className="whitespace-nowrap">
                <button
                  type="button"
                  className="cursor-pointer"
                  aria-label={`Open flower ${f.number}`}
                  onClick={() => setOpened(f.id)}
                >
                  <Tag kind="flower" code={f.code} small />
                </button>
                {f.plantNumber && <span className="ml-2 text-sm text-soft">plant {f.plantNumber}</span>}
              </td>
              <td>{dayInWords(f.coveredOn)}</td>
              {gathers && <td>{f.gatheredOn ? dayInWords(f.gatheredOn) : "–"}</td>}
              <td className="whitespace-nowrap">
                {f.pollinatedOn
                  ? `${dayInWords(f.pollinatedOn)}${f.pollinatedAt ? `, ${hourInWords(f.pollinatedAt)}` : ""}`
                  : "–"}
                {f.passes > 1 && <span className="text-soft"> ×{f.passes}</span>}
              </td>
              <td>{f.males ?? "–"}</td>
              <td>{f.checkedOn ? dayInWords(f.checkedOn) : "–"}</td>
              <td className={toneOf(f)}>
                {STATES[f.state]}
                {f.fault ? `: ${FAULTS[f.fault].toLowerCase()}` : ""}
                {f.lostWhy ? `: ${f.lostWhy}` : ""}
                {f.note && <span className="block font-normal text-ink">{f.note}</span>}
                {f.fathers.length > 0 && <span className="block font-normal text-ink">{fathersOf(f)}</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {chosen && <FlowerSheet key={chosen.id} flower={chosen} view={view} onClose={() => setOpened(null)} />}
      <Pager path={`/crosses/${view.state.cross.code}`} cut={cut} />
    </section>
  );
}

const fathersOf = ({ fathers }: FlowerRow): string =>
  `father perhaps ${fathers.map((f) => `${f.name ?? "a stranger"} ${percent(f.share)}`).join(", ")}`;

function toneOf({ state, fault }: FlowerRow): string {
  if (fault || state === "failed" || state === "lost") return "text-rust";
  return state === "set" || state === "harvested" ? "font-bold text-moss" : "";
}

type SheetProps = { flower: FlowerRow; view: CrossView; onClose: () => void };

/** What can be found of one flower at any time: a fault, its loss, who else may be the father, a note. */
function FlowerSheet({ flower, view, onClose }: SheetProps) {
  const { cross } = view.state;
  const pollinated = flower.pollinatedOn !== null;
  const underWay = UNDER_WAY.has(flower.state);
  const faults = Object.fromEntries(
    Object.entries(FAULTS).filter(([key]) => pollinated || (key !== "wrong-father" && key !== "unsure")),
  );
  return (
    <SheetPanel title={`Flower ${flower.number} of ${cross.code}`} onClose={onClose}>
      <p className="mb-4 flex flex-wrap items-center gap-3">
        <Tag kind="flower" code={flower.code} />
        <a href={`/api/tags/flower/${flower.code}`} className="leaf leaf-plain">
          Print its tag
        </a>
      </p>
      <p className="mb-6">
        {STATES[flower.state]}
        {flower.fault ? `, ${FAULTS[flower.fault].toLowerCase()}` : ""}. Covered {dayInWords(flower.coveredOn, "long")}.
      </p>
      {underWay && (
        <CommandForm
          command="flower.record"
          draft={`fault-${flower.id}`}
          values={{ result: "", why: null, note: flower.note, other: false }}
          hidden={{ crossId: cross.id }}
          shape={({ result, why, note }) => ({
            on: view.today,
            results: [{ id: flower.id, result, ...(result === "lost" ? { why } : {}), ...(note ? { note } : {}) }],
          })}
          submit="Save"
          onDone={onClose}
        >
          {(Field) => (
            <>
              <Field
                name="result"
                label="What was found"
                type="select"
                none="Choose"
                choices={[...choicesOf(faults), { value: "lost", label: "Lost" }]}
                hint={
                  pollinated
                    ? "A fault stays on the flower: its fruit is never counted as the cross, and is brought in apart."
                    : "Before it is pollinated a flower with a fault is given up."
                }
              />
              <Field
                name="why"
                label="If lost, why"
                type="select"
                none="–"
                choices={LOST_WHYS.map((value) => ({ value, label: value }))}
              />
              <Field name="note" label="Note" type="textarea" />
            </>
          )}
        </CommandForm>
      )}
      {pollinated && (
        <section className="mt-8 border-t border-rule pt-4">
          <h3>Who may be the father</h3>
          <CommandForm
            command="candidate.set"
            draft={`fathers-${flower.id}`}
            values={{ share: flower.fathers.find((f) => f.standId === view.parents.father.id)?.share ?? 0.5 }}
            hidden={{ of: "flower", id: flower.id, role: "father", version: flower.version }}
            shape={({ share }) => ({
              candidates: [
                { standId: view.parents.father.id, share: Number(share) },
                ...(Number(share) < 1 ? [{ share: 1 - Number(share) }] : []),
              ],
            })}
            submit="Save the shares"
            onDone={onClose}
          >
            {(Field) => (
              <Field
                name="share"
                label={`Share thought to be ${cross.fatherName}'s`}
                type="number"
                hint="Between 0 and 1; the rest is a stranger's. It goes with the fruit into its lot."
              />
            )}
          </CommandForm>
        </section>
      )}
    </SheetPanel>
  );
}
