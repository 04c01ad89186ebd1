"use client";
import { dayOfYearTyped } from "@/core/writing/days";
import { bearingInWords, coordinateInWords } from "@/core/writing/places";
import type { Garden } from "@/records/garden/garden";
import { Sheet } from "@/ui/Sheet";
import { GardenForm } from "../common/GardenForm";
import { CARE, localeInWords, RIPE, STATIONS, UNITS_WORDS } from "../common/gardenWords";
import { percent } from "../common/words";

/** The garden as it is kept: where it lies, its frosts, and how it is written and judged. */
export function TheGarden({ garden }: { garden: Garden }) {
  const { name, latitude, longitude, lastFrost, firstFrost, windFrom, ripeWanted } = garden;
  const rows: [string, string][] = [
    ["Lies at", `${coordinateInWords(latitude, "latitude")}, ${coordinateInWords(longitude, "longitude")}`],
    [
      "Frost",
      lastFrost && firstFrost
        ? `usually last ${dayOfYearTyped(lastFrost)}, first ${dayOfYearTyped(firstFrost)}`
        : "none to reckon with",
    ],
    ["Wind", windFrom === null ? "from everywhere" : `mostly from ${bearingInWords(windFrom)}`],
    ["Weather", STATIONS[garden.station]],
    ["Time zone", garden.timezone],
    ["Units", UNITS_WORDS[garden.units]],
    ["Days and numbers", localeInWords(garden.locale)],
    ["Care in isolation", CARE[garden.care]],
    ["Ripe before frost", (RIPE.find(([share]) => share === ripeWanted)?.[1] ?? percent(ripeWanted)).toLowerCase()],
  ];
  return (
    <>
      <div className="mb-2 flex max-w-2xl flex-wrap items-center justify-between gap-3">
        <h2 className="min-w-0 break-words text-2xl">{name}</h2>
        <Sheet trigger="Change the garden" title="The garden">
          {(close) => <GardenForm garden={garden} onDone={close} />}
        </Sheet>
      </div>
      <dl className="rows max-w-2xl border-y border-rule">
        {rows.map(([term, value]) => (
          <div key={term} className="grid grid-cols-[9rem_1fr] gap-3 py-2">
            <dt className="text-soft">{term}</dt>
            <dd className="min-w-0 break-words">{value}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}
