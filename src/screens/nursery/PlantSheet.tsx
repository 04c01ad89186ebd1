"use client";
import { ChevronLeft, ChevronRight, X } from "lucide-react";
import { Dialog, ToggleGroup } from "radix-ui";
import { useState } from "react";
import { dayInWords } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { hasEnds } from "@/core/traits/kinds";
import { fixed } from "@/core/writing/numbers";
import type { Mark, Plant } from "@/records/plant/plant";
import Link from "@/ui/Link";
import { Over } from "@/ui/Over";
import { SHEET } from "@/ui/SheetPanel";
import { useKept } from "@/ui/useKept";
import type { BenchPlant, Family } from "@/views/family";
import { useCommand } from "../common/command";
import { Notes } from "../common/Notes";
import { Pictures } from "../common/Pictures";
import { MARKS } from "../common/standNames";
import { ScaleEnds } from "./DrawnScale";
import { LastScoreLine } from "./LastScoreLine";
import { ScoreField } from "./ScoreField";
import type { Scoring } from "./useScoring";

type Props = {
  plant: BenchPlant;
  /** All that are walked, in their order. */
  plants: BenchPlant[];
  view: Family;
  scoring: Scoring;
  onGo: (id: Id | null) => void;
};

/** One plant on a sheet, by thumb: its scores, its mark with a reason, out; and on to the next. */
export function PlantSheet(props: Props) {
  const { plant, onGo } = props;
  return (
    <Over title={`Plant ${plant.number}`} onClose={() => onGo(null)} className={SHEET}>
      <PlantBody key={plant.id} {...props} />
    </Over>
  );
}

function PlantBody({ plant, plants, view, scoring, onGo }: Props) {
  const { yardsticks } = view;
  const at = plants.findIndex((p) => p.id === plant.id);
  const neighbour = (by: number) => plants[at + by]?.id ?? null;
  return (
    <>
      <div className="flex items-center justify-between">
        <Dialog.Title className="text-3xl">
          Plant {plant.number}
          {plant.code !== view.stand.code && <span className="block text-base font-normal">{plant.code}</span>}
        </Dialog.Title>
        <div className="flex gap-2">
          <button
            type="button"
            className="leaf size-12"
            aria-label="Plant before"
            disabled={neighbour(-1) === null}
            onClick={() => onGo(neighbour(-1))}
          >
            <ChevronLeft aria-hidden />
          </button>
          <button
            type="button"
            className="leaf size-12"
            aria-label="Next plant"
            disabled={neighbour(1) === null}
            onClick={() => onGo(neighbour(1))}
          >
            <ChevronRight aria-hidden />
          </button>
          <Dialog.Close className="leaf leaf-plain size-12" aria-label="Close">
            <X aria-hidden />
          </Dialog.Close>
        </div>
      </div>
      <div className="rows mt-4 border-y border-rule">
        {yardsticks.map((y) => (
          <div key={y.id} className="py-3">
            <p className="font-semibold">{y.name}</p>
            {hasEnds(y) && (
              <p className="text-sm text-soft">
                <ScaleEnds drawn={y.drawn} lowEnd={y.lowEnd} highEnd={y.highEnd} />
              </p>
            )}
            <ScoreField plant={plant} yardstick={y} scoring={scoring} />
            <p className="text-sm text-soft">
              {y.parents
                .map(
                  (p) =>
                    `${p.line}: ${p.summary ? `${fixed(p.summary.mean, 1)} (${p.summary.count})` : (p.words ?? "no scores")}`,
                )
                .join("; ")}
            </p>
          </div>
        ))}
      </div>
      <LastScoreLine last={scoring.last} onUndo={() => void scoring.takeBack()} />
      <Marks key={plant.version} plant={plant} code={plant.code} />
      <Pictures
        of={{ plantId: plant.id }}
        photos={view.photos[plant.id] ?? []}
        name={`${plant.code} plant ${plant.number}`}
      />
      <div className="mt-6 flex flex-wrap gap-x-4">
        <Link href={`/nursery/${plant.code}/surprise?plant=${plant.number}`} className="leaf leaf-plain">
          Odd? Trace it
        </Link>
        <Notes of="plantId" id={plant.id} name={`plant ${plant.number}`} />
      </div>
    </>
  );
}

/** What the grower thinks of a plant, kept on the device while the server is away. */
function Marks({ plant, code }: { plant: Plant; code: string }) {
  const { runKept, busy } = useCommand();
  // As it was pressed, until the page is drawn anew with it.
  const [meant, setMeant] = useState<Mark | null>(null);
  const [reason, setReason, clear] = useKept(`reason-${plant.id}`, plant.reason);
  const [trouble, setTrouble] = useState<string | null>(null);
  if (plant.removedOn)
    return (
      <p className="mt-6 text-rust">
        Taken out on {dayInWords(plant.removedOn)}: {plant.reason}. Undo it in the history if that was a slip.
      </p>
    );
  // Why it was kept is not why it goes: only a reason that was written for this mark goes with it.
  const why = (mark: string) => (mark === plant.mark || reason !== plant.reason ? reason : undefined);
  const { id, number } = plant;
  const act = async (mark: Mark, sending: ReturnType<typeof runKept>) => {
    setMeant(mark);
    const answer = await sending;
    const refused = answer && !answer.ok;
    setTrouble(refused ? answer.message : null);
    if (refused) setMeant(null);
    else if (answer) clear();
  };
  return (
    <div className="mt-6">
      <label className="font-semibold">
        Reason
        <input value={reason} onChange={(event) => setReason(event.target.value)} maxLength={600} autoComplete="off" />
      </label>
      {trouble && (
        <p role="alert" className="mt-1 font-semibold text-rust">
          {trouble}
        </p>
      )}
      <ToggleGroup.Root
        type="single"
        aria-label="Mark"
        disabled={busy}
        value={meant ?? plant.mark}
        onValueChange={(mark) =>
          mark &&
          void act(
            mark as Mark,
            runKept(
              "plant.mark",
              { id, mark: mark as Mark, reason: why(mark) },
              `${code} plant ${number}: ${MARKS[mark as Mark].toLowerCase()}`,
            ),
          )
        }
        className="mt-3 grid grid-cols-2 gap-2"
      >
        {Object.entries(MARKS).map(([id, label]) => (
          <ToggleGroup.Item
            key={id}
            value={id}
            className="leaf min-h-12 data-[state=on]:bg-damson data-[state=on]:text-on-damson"
          >
            {label}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      <button
        type="button"
        disabled={busy}
        className="leaf mt-3 min-h-12 w-full border-rust text-rust"
        onClick={() =>
          void act(
            "out",
            runKept("plant.remove", { ids: [id], reason: why("out") }, `${code} plant ${number} taken out`),
          )
        }
      >
        Taken out today
      </button>
    </div>
  );
}
