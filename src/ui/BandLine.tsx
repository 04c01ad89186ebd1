"use client";
import { ChevronDown } from "lucide-react";
import { useState } from "react";
import { dayInWords } from "@/core/calendar/day";
import { type BandProps, SeasonBand } from "./SeasonBand";
import { StandsOn } from "./StandsOn";

/** The band on the phone: one line that opens. */
export function BandLine(band: BandProps) {
  const [open, setOpen] = useState(false);
  return (
    <div className="sm:hidden">
      <button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className="flex min-h-11 w-full items-center justify-between gap-3 border-b border-ink px-4 text-sm"
      >
        <span className="font-bold">{dayInWords(band.today, "long")}</span>
        <span className="ml-auto truncate text-soft">
          {band.place}
          {band.demo && " · demo"}
        </span>
        <ChevronDown aria-hidden size={18} className={open ? "rotate-180" : ""} />
      </button>
      {open && <SeasonBand {...band} />}
      {band.pinned && !open && (
        <p className="border-b border-rule px-4 py-2">
          <StandsOn day={band.today} look={band.look} />
        </p>
      )}
    </div>
  );
}
