"use client";
import { pointsFromLines, pointsToLines } from "@/core/ground/pointsText";
import type { Point } from "@/core/ground/shape";
import { BARRIER_FACTORS, type BarrierKind } from "@/core/isolation/barrier";
import type { BarrierRow } from "@/records/ground/queries";
import { CommandButton, CommandForm } from "../common/command";
import { choicesOf } from "../common/words";

const KINDS: Record<BarrierKind, string> = {
  hedge: "Hedge or row of trees",
  wall: "Wall or close fence",
  building: "Building",
  tunnel: "Tunnel or glasshouse",
};

/** A barrier's form: its line as drawn, or typed point by point. */
export function BarrierForm({ barrier, path, onDone }: { barrier?: BarrierRow; path: Point[]; onDone: () => void }) {
  return (
    <>
      <CommandForm
        command={barrier ? "barrier.change" : "barrier.add"}
        draft={barrier ? `barrier-${barrier.id}` : `barrier-${pointsToLines(path)}`}
        values={{
          name: barrier?.name,
          kind: barrier?.kind ?? "hedge",
          factor: barrier?.factor,
          path: pointsToLines(path),
        }}
        shape={(typed) => ({ ...typed, path: pointsFromLines(String(typed.path)) ?? typed.path })}
        patch={barrier !== undefined}
        hidden={barrier && { id: barrier.id, version: barrier.version }}
        submit={barrier ? "Save" : "Draw it"}
        onDone={onDone}
      >
        {(Field) => (
          <>
            <Field name="name" label="Name" hint="As the household calls it: the beech hedge." />
            <Field name="kind" label="What it is" type="select" choices={choicesOf(KINDS)} />
            <Field
              name="factor"
              label="Share of pollen that passes"
              type="number"
              hint={`From 0 to 1. Empty takes a working value: ${Object.entries(BARRIER_FACTORS)
                .map(([kind, factor]) => `${kind} ${factor}`)
                .join(", ")}.`}
            />
            <Field
              name="path"
              label="Its line"
              type="textarea"
              unit="metres from the garden's corner"
              hint="One point a line, east and north with a comma between, as 12.5, 3."
            />
          </>
        )}
      </CommandForm>
      {barrier && (
        <p className="mt-6">
          <CommandButton command="barrier.remove" input={{ id: barrier.id, version: barrier.version }} plain>
            Take it off the ground
          </CommandButton>
        </p>
      )}
    </>
  );
}
