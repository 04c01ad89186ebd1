"use client";
import { type KeyboardEvent, useState } from "react";
import { plural } from "@/core/units/plural";
import { Sheet } from "@/ui/Sheet";
import type { Roguing } from "@/views/roguing";
import { useCommand } from "../common/command";

/** A walk that passes each plant: it belongs, or goes out with its reason. Works with the server away. */
export function RogueWalk({ view }: { view: Roguing }) {
  return (
    <Sheet trigger="Walk it plant by plant" title={`${view.stand.code}: does it belong?`} strong at="walk">
      {(close) => <Walk view={view} close={close} />}
    </Sheet>
  );
}

function Walk({ view, close }: { view: Roguing; close: () => void }) {
  const { stand, kinds, other } = view;
  // The plants as they stood when the walk began: those that go out on it stay in the count.
  const [plants] = useState(view.standing);
  const [at, setAt] = useState(0);
  const [out, setOut] = useState(0);
  const [other1, setOther] = useState("");
  const [byWhom, setByWhom] = useState("");
  const [trouble, setTrouble] = useState<string | null>(null);
  const { runKept, busy } = useCommand();
  const plant = plants[at];
  const reasons = [...kinds.map(({ name }) => name), ...other];

  const goesOut = async (reason: string) => {
    if (!plant || !reason) return;
    const answer = await runKept(
      "plant.remove",
      { ids: [plant.id], reason },
      `${stand.code} plant ${plant.number} out: ${reason}`,
    );
    if (answer && !answer.ok) {
      setTrouble(Object.values(answer.fields ?? {})[0] ?? answer.message);
      return;
    }
    setTrouble(null);
    setOther("");
    setOut(out + 1);
    setAt(at + 1);
  };
  const done = async () => {
    const words = `${stand.code} rogued: ${plural(out, "plant")} out of ${plants.length}`;
    const answer = await runKept(
      "deed.done",
      { standId: stand.id, act: "rogue", counted: out, looked: plants.length, byWhom: byWhom.trim() },
      words,
    );
    if (answer?.ok) close();
    else if (answer) setTrouble(Object.values(answer.fields ?? {})[0] ?? answer.message);
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.target instanceof HTMLInputElement) return;
    const reason = /^[1-9]$/.test(event.key) ? reasons[Number(event.key) - 1] : undefined;
    if (reason) void goesOut(reason);
  };
  if (!plant)
    return (
      <div className="grid gap-4">
        <p className="text-lg">
          All {plants.length} looked at: {out === 0 ? "every one belongs" : `${plural(out, "plant")} out`}.
        </p>
        {trouble && (
          <p role="alert" className="font-semibold text-rust">
            {trouble}
          </p>
        )}
        <label>
          <span className="block font-semibold">Looked at by</span>
          <input value={byWhom} maxLength={80} autoComplete="off" onChange={(event) => setByWhom(event.target.value)} />
        </label>
        <button type="button" className="leaf leaf-strong min-h-14 text-lg" disabled={busy} onClick={() => void done()}>
          Save the walk
        </button>
        <button type="button" className="leaf min-h-12" onClick={() => setAt(Math.max(0, plants.length - 1))}>
          Back to the last one
        </button>
      </div>
    );
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: digits are a second way to the buttons in it
    <div className="grid grid-cols-1 gap-4" onKeyDown={onKey}>
      <p className="flex items-baseline justify-between">
        <strong className="font-head text-5xl">Plant {plant.number}</strong>
        <span className="text-soft">
          {at + 1} of {plants.length}, {out} out
        </span>
      </p>
      <button
        type="button"
        className="leaf leaf-strong min-h-16 text-xl"
        disabled={busy}
        onClick={() => setAt(at + 1)}
        // biome-ignore lint/a11y/noAutofocus: in a walk the next press is the one that is made most
        autoFocus
      >
        It belongs
      </button>
      <div className="grid gap-2" role="group" aria-label="It goes out">
        {reasons.map((reason, i) => (
          <button
            key={reason}
            type="button"
            disabled={busy}
            className="leaf min-h-13 border-rust text-left text-rust"
            onClick={() => void goesOut(reason)}
          >
            <span aria-hidden className="mr-2 text-soft max-sm:hidden">
              {i < 9 ? i + 1 : ""}
            </span>
            Out: {reason}
          </button>
        ))}
      </div>
      <label>
        <span className="block font-semibold">Out for another reason</span>
        <span className="flex gap-2">
          <input value={other1} maxLength={60} autoComplete="off" onChange={(event) => setOther(event.target.value)} />
          <button
            type="button"
            className="leaf min-h-12 shrink-0 border-rust text-rust"
            disabled={busy || !other1.trim()}
            onClick={() => void goesOut(other1.trim())}
          >
            Out
          </button>
        </span>
      </label>
      {trouble && (
        <p role="alert" className="font-semibold text-rust">
          {trouble}
        </p>
      )}
      <button type="button" className="leaf min-h-12" disabled={at === 0} onClick={() => setAt(at - 1)}>
        One back
      </button>
    </div>
  );
}
