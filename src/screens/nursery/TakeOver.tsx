"use client";
import { useState } from "react";
import type { Id } from "@/core/custody/id";
import { Sheet } from "@/ui/Sheet";
import { Choices } from "../common/Choices";
import { CommandButton } from "../common/command";

type Props = { id: Id; name: string; used: Id[] };

/** A yardstick taken over by another line. */
export const TakeOver = ({ id, name, used }: Props) => (
  <Sheet trigger="Take over" title={name} plain>
    {(close) => (
      <Choices of="lines">
        {(lines) => <Choosing id={id} lines={lines.filter((one) => !used.includes(one.id))} close={close} />}
      </Choices>
    )}
  </Sheet>
);

type ChoosingProps = { id: Id; lines: { id: Id; name: string; species: string }[]; close: () => void };

function Choosing({ id, lines, close }: ChoosingProps) {
  const [lineId, setLineId] = useState(lines[0]?.id ?? "");
  if (lines.length === 0) return <p>Every line uses it already.</p>;
  return (
    <div className="grid gap-4">
      <label className="grid gap-1 font-semibold">
        Line
        <select value={lineId} onChange={({ target }) => setLineId(target.value)}>
          {lines.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}, {one.species.toLowerCase()}
            </option>
          ))}
        </select>
      </label>
      <CommandButton command="yardstick.take" input={{ lineId, usual: [], own: [id] }} strong onDone={close}>
        Use it there
      </CommandButton>
    </div>
  );
}
