"use client";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { readCode } from "@/core/custody/code";
import { hearTags } from "@/ui/handScanner";
import { lookAgain } from "@/ui/lookAgain";
import { say } from "@/ui/say";
import type { SeedTable, TableLotView, VesselView } from "@/views/seedTable";
import { useCommand } from "../common/command";

/** How often the table is looked at anew, milliseconds. */
const LOOKED_UP = 20_000;

/** What is done when a lot goes into a vessel: the step that leads there, or a plain move. */
function stepInto(lot: TableLotView, vessel: VesselView) {
  const call = lot.calls.find(({ into, act }) => into === vessel.kind && act !== "begin" && act !== "pack");
  return call && call.act !== "begin" && call.act !== "pack" ? call.act : null;
}

/**
 * Takes the tags that are scanned at the table: first the lot or the vessel it is in, then the vessel it goes into. The
 * step that leads there is recorded with the move; what does not fit is refused by the records.
 */
export function ScanBench({ table }: { table: SeedTable }) {
  const [held, setHeld] = useState<{ lot: TableLotView; from: VesselView | null } | null>(null);
  const { runKeptAloud } = useCommand();
  const router = useRouter();
  // Others work at the same table: what they did is looked up now and then, and when a scan does not fit.
  useEffect(() => {
    const timer = setInterval(() => document.visibilityState === "visible" && void lookAgain(router), LOOKED_UP);
    return () => clearInterval(timer);
  }, [router]);
  const take = (typed: string): boolean => {
    const read = readCode(typed);
    if (!read.ok) return false;
    const { lots, vessels } = table;
    const vessel = vessels.find(({ code }) => code === read.code);
    const lot = lots.find(({ code }) => code === read.code) ?? null;
    if (lot) {
      setHeld({ lot, from: null });
      return true;
    }
    if (!vessel) return false;
    const inside = lots.find(({ vesselId }) => vesselId === vessel.id);
    if (!held) {
      if (inside) setHeld({ lot: inside, from: vessel });
      else {
        say({ message: `${vessel.name} is empty. Scan first what goes into it.` });
        void lookAgain(router);
      }
      return true;
    }
    if (inside?.id === held.lot.id) {
      say({ message: `Lot ${inside.code} lies in ${vessel.name} already.` });
      return true;
    }
    void put(held, vessel);
    return true;
  };
  const put = async ({ lot, from }: NonNullable<typeof held>, vessel: VesselView) => {
    const going = { lotId: lot.id, fromVesselId: from?.id ?? null, vesselId: vessel.id };
    const act = stepInto(lot, vessel);
    const words = `Lot ${lot.code} into ${vessel.name}`;
    const answer = act
      ? await runKeptAloud("table.do", { ...going, act }, words)
      : await runKeptAloud("table.move", going, words);
    if (answer?.ok) setHeld(null);
  };
  const latest = useRef(take);
  latest.current = take;
  useEffect(() => hearTags((code) => latest.current(code)), []);
  if (!held) return null;
  return (
    <p role="status" className="my-3 flex flex-wrap items-center justify-between gap-3 border-2 border-damson p-3">
      <span>
        In hand: <strong>{held.lot.code}</strong> {held.lot.name}
        {held.from && `, from ${held.from.name}`}. Scan the vessel it goes into.
      </span>
      <button type="button" className="leaf" onClick={() => setHeld(null)}>
        Put it down
      </button>
    </p>
  );
}
