"use client";
import { type KeyboardEvent, type PointerEvent, useMemo, useRef, useState } from "react";
import { addDays, dayInWords, daysBetween } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { frostShades } from "@/ui/bandParts";
import Link from "@/ui/Link";
import { useGrowing } from "@/ui/useThere";
import type { Season, SeasonStand } from "@/views/season";
import { useCommand } from "../common/command";
import { SCHOOLS } from "../common/standNames";
import { Arrange } from "./Arrange";
import { Choose } from "./Choose";
import { figuresInWords, Row } from "./SeasonRow";
import { useScene, useSeasonWorker } from "./useSeasonWorker";

/** So many stands are drawn at first. */
const AT_FIRST = 16;

type Moving = { id: Id; days: number };

/** The band at full height: every stand's windows, its ground, frost and clashes; sowings ahead can be dragged. */
export function SeasonBoard(view: Season) {
  const { band, stands, season, before, garden } = view;
  const { runAloud } = useCommand();
  const worker = useSeasonWorker(useScene(season, view.head), view.tried);
  const [moving, setMoving] = useState<Moving | null>(null);
  const [show, setShow] = useState({ species: "", bed: "", school: "" });
  const track = useRef<HTMLDivElement>(null);
  const grip = useRef<number | null>(null);
  const byId = useMemo(() => new Map(worker.tried.map((t) => [t.id, t])), [worker.tried]);
  const days = band.light.length;
  const share = (day: string) => (daysBetween(band.start, day) / days) * 100;

  const shift = (id: Id, by: number) => {
    const stand = stands.find((s) => s.id === id)!;
    const sown = addDays(stand.sown, by);
    if (sown < band.today) return;
    setMoving({ id, days: by });
    worker.ask([{ kind: "resow", standId: id, sown }]);
  };
  const drop = () => {
    setMoving(null);
    worker.ask([]);
  };
  const keep = async ({ id, days: by }: Moving) => {
    const stand = stands.find((s) => s.id === id)!;
    if (by === 0) return drop();
    const changes = [{ kind: "resow" as const, standId: id, sown: addDays(stand.sown, by), version: stand.version }];
    await runAloud("stand.remedy", { season, changes });
    setMoving(null);
  };
  const onKey = (event: KeyboardEvent, stand: SeasonStand) => {
    const at = moving?.id === stand.id ? moving.days : 0;
    const step = { ArrowLeft: -1, ArrowRight: 1, PageDown: -7, PageUp: 7 }[event.key];
    if (step) {
      event.preventDefault();
      shift(stand.id, at + step);
    } else if (event.key === "Enter" && moving) void keep(moving);
    else if (event.key === "Escape") drop();
  };
  const dayUnder = (event: PointerEvent) => {
    const box = track.current!.getBoundingClientRect();
    return Math.round(((event.clientX - box.left) / box.width) * days);
  };
  const hold = {
    down: (event: PointerEvent, stand: SeasonStand) => {
      grip.current = dayUnder(event) - (moving?.id === stand.id ? moving.days : 0);
      (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    },
    move: (event: PointerEvent, stand: SeasonStand) => {
      if (grip.current !== null) shift(stand.id, dayUnder(event) - grip.current);
    },
    up: () => {
      grip.current = null;
      if (moving) void keep(moving);
    },
  };

  // The first rows fill a screen; the rest is drawn when the page is there.
  const shown = useGrowing(stands, AT_FIRST).filter(
    (s) =>
      (!show.species || s.species === show.species) &&
      (!show.bed || s.bedName === show.bed) &&
      (!show.school || s.school === show.school),
  );
  const groups = [...groupBy(shown, (s) => s.group)];
  const choices = (of: (s: SeasonStand) => string | null) =>
    [...new Set(stands.map(of).filter((x) => x !== null))].sort();
  const frosts = frostShades(band.start, band.end, band.lastFrost, band.firstFrost);
  return (
    <>
      <div className="print:hidden mb-4 flex flex-wrap items-end gap-4 px-4 sm:px-7">
        <Choose
          label="Species"
          value={show.species}
          choices={choices((s) => s.species)}
          onChange={(species) => setShow({ ...show, species })}
        />
        <Choose
          label="Bed"
          value={show.bed}
          choices={choices((s) => s.bedName)}
          onChange={(bed) => setShow({ ...show, bed })}
        />
        <Choose
          label="Approach"
          value={show.school}
          choices={Object.keys(SCHOOLS)}
          words={SCHOOLS}
          onChange={(school) => setShow({ ...show, school })}
        />
        <Link className="leaf" href={`/season?season=${season}${before ? "" : "&before=1"}`}>
          {before ? "This season only" : "With the season before"}
        </Link>
        <Arrange view={view} worker={worker} />
        <a className="leaf leaf-plain" href={`/api/calendar?season=${season}`}>
          Calendar file
        </a>
        <button type="button" className="leaf leaf-plain" onClick={() => window.print()}>
          Print
        </button>
      </div>
      <p className="px-4 text-sm text-soft sm:px-7">
        Upper bar: pollen shed; lower bar: stigmas open; pale: the widest they may be; thin line: the ground it takes.
        Hatched rust: strange pollen meets it beyond your limit. Sowings ahead can be dragged, or moved by arrow keys
        and kept with Enter.
      </p>
      {worker.failed && (
        <p role="alert" className="px-4 pt-2 text-rust sm:px-7">
          What reckons the season stopped in this browser; the figures are those the page came with. Reload to try
          again.
        </p>
      )}
      <div ref={track} className="relative mt-3 overflow-hidden border-y border-ink">
        {frosts.map((shade) => (
          <div
            key={shade.from}
            aria-hidden
            className="pointer-events-none absolute inset-y-0 text-dusk"
            style={{
              left: `${share(shade.from)}%`,
              width: `${share(shade.to) - share(shade.from)}%`,
              opacity: shade.doubt ? 0.1 : 0.2,
              backgroundImage: "repeating-linear-gradient(135deg, currentColor 0 1px, transparent 1px 9px)",
            }}
          />
        ))}
        {band.today >= band.start && band.today <= band.end && (
          <div
            aria-hidden
            className="pointer-events-none absolute inset-y-0 w-0.5 bg-damson"
            style={{ left: `${share(band.today)}%` }}
          />
        )}
        {groups.map(([group, list]) => (
          <section key={group} aria-label={group} className="border-b border-rule pb-2">
            <h3 className="px-4 pt-3 text-sm text-soft sm:px-7">{group}</h3>
            {list.map((stand) => (
              <Row
                key={stand.id}
                stand={stand}
                tried={byId.get(stand.id) ?? null}
                moved={moving?.id === stand.id ? moving.days : 0}
                share={share}
                season={season}
                end={band.end}
                hold={hold}
                onKey={onKey}
              />
            ))}
          </section>
        ))}
      </div>
      {moving && (
        <p role="status" className="sticky bottom-0 z-20 border-t border-ink bg-leaf px-4 py-3 sm:px-7">
          <strong>{stands.find((s) => s.id === moving.id)?.name}</strong>: sown{" "}
          {dayInWords(addDays(stands.find((s) => s.id === moving.id)!.sown, moving.days))},{" "}
          {moving.days === 0 ? "as it was" : `${Math.abs(moving.days)} days ${moving.days > 0 ? "later" : "earlier"}`}.{" "}
          {figuresInWords(byId.get(moving.id))} Enter keeps it, Escape drops it.
        </p>
      )}
      {stands.some((s) => s.bedId === null) && (
        <p className="px-4 pt-3 text-sm text-soft sm:px-7">
          Stands in trays have no place on the ground; what pollen reaches them is not reckoned.
        </p>
      )}
      <p className="px-4 pt-3 text-sm text-soft sm:px-7">{frostWords(garden.name, view.frosts)}</p>
    </>
  );
}

function frostWords(place: string, frosts: Season["frosts"]): string {
  if (!frosts) return `No frost is known at ${place}.`;
  const from = {
    readings: `${frosts.seasons} seasons of readings`,
    stated: "the days you stated, the spread a working value",
    normals: "the monthly normals",
  }[frosts.from];
  const day = (text: string) => dayInWords(`2027-${text}`);
  return `Last frost about ${day(frosts.last.day)} (${Math.round(2 * frosts.last.spread)} days either side), first about ${day(frosts.first.day)} (${Math.round(2 * frosts.first.spread)}): from ${from}.`;
}
