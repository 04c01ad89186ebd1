"use client";
import { useState } from "react";
import type { Store } from "@/records/store/store";
import { FilePick } from "@/ui/FilePick";
import { Sheet } from "@/ui/Sheet";
import { useCommand } from "../common/command";

/** A thermo-hygrometer's log read into a place: its file, or the simulated logger that ships with the program. */
export function Logger({ store, today }: { store: Store; today: string }) {
  return (
    <Sheet trigger="Read a logger" title={`The air in ${store.name}`} plain>
      {(close) => <ReadLogger store={store} today={today} onDone={close} />}
    </Sheet>
  );
}

function ReadLogger({ store, today, onDone }: { store: Store; today: string; onDone: () => void }) {
  const { runAloud, busy } = useCommand();
  const [said, setSaid] = useState("");
  const read = async (text: string) => {
    setSaid("");
    const answer = await runAloud("air.read", { storeId: store.id, text });
    if (answer?.ok) onDone();
    else if (answer) setSaid(answer.message ?? "");
  };
  const simulated = async () => {
    setSaid("");
    try {
      const response = await fetch(`/api/devices/hygrometer/${store.id}`);
      const text = await response.text();
      if (!response.ok) setSaid(text);
      else await read(text);
    } catch {
      setSaid("The logger was pulled out before it was read through. Nothing was kept; plug it in again.");
    }
  };
  return (
    <div className="grid gap-5">
      <p className="max-w-prose">
        A line a reading: <code>2027-07-09T06:00,14.2,38</code> — time, °C, % humidity. Lines without a reading, and
        readings that no air can have, are left out and named. A day that was read before is put right.
      </p>
      <FilePick label="The logger's file" accept=".csv,.txt,text/csv,text/plain" onText={read} />
      {said && (
        <p role="alert" className="border-l-4 border-rust pl-3 font-semibold text-rust">
          {said}
        </p>
      )}
      <section>
        <h3>No logger?</h3>
        <p className="mb-2 mt-1 text-sm text-soft">
          A simulated one ships with the program: made-up air around what is usual here, of the year up to {today}.
        </p>
        <button type="button" className="leaf min-h-12" disabled={busy} onClick={() => void simulated()}>
          Read the simulated logger
        </button>
      </section>
    </div>
  );
}
