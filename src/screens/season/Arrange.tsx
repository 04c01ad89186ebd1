"use client";
import { useState } from "react";
import { addDays, dayInWords } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { bedInWords } from "@/core/ground/bedInWords";
import type { Change } from "@/core/isolation/change";
import { oneIn } from "@/core/isolation/verdict";
import { toggled } from "@/core/lists/toggled";
import { timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { figure } from "@/core/writing/numbers";
import type { SeenChange } from "@/records/stand/remedy";
import { DayInput } from "@/ui/DayInput";
import { Sheet } from "@/ui/Sheet";
import { Table } from "@/ui/Table";
import type { Season, SeasonStand } from "@/views/season";
import { CommandButton } from "../common/command";
import type { useSeasonWorker } from "./useSeasonWorker";

type Props = { view: Season; worker: ReturnType<typeof useSeasonWorker> };
const SEED = 20_270;
/** How far a sowing may move at first, earlier and later. */
const DAYS_AROUND = 28;

/** Searches sowing days, beds and means that bring every chosen stand under its limit. */
export function Arrange(props: Props) {
  const ready = props.view.stands.filter((s) => s.seedWanted && s.bedId !== null && s.ahead);
  return (
    <Sheet trigger="Arrange the season" title="Arrange the season" at="arrange">
      {(close) =>
        ready.length === 0 ? (
          <p>
            No sowing of this season is still ahead. Plan stands of the coming season on the Ground, with a bed and a
            day to come, and they can be arranged here.
          </p>
        ) : (
          <Search {...props} ready={ready} close={close} />
        )
      }
    </Sheet>
  );
}

function Search({ view, worker, ready, close }: Props & { ready: SeasonStand[]; close: () => void }) {
  const { season } = view;
  const [chosen, setChosen] = useState(() => new Set(ready.map((s) => s.id)));
  const free = view.beds.filter((b) => !b.outside);
  const [beds, setBeds] = useState(() => new Set(free.map((b) => b.id)));
  const [windows, setWindows] = useState<Record<Id, { from: string; to: string }>>(() =>
    Object.fromEntries(
      ready.map((s) => [s.id, { from: addDays(s.sown, -DAYS_AROUND), to: addDays(s.sown, DAYS_AROUND) }]),
    ),
  );
  const [means, setMeans] = useState(() => new Set(["open", "cage", "hand"]));
  const { found, searching: running } = worker;
  const start = () => {
    const list = ready.filter((s) => chosen.has(s.id));
    worker.arrange(
      {
        stands: list.map((s) => s.id),
        windows: list.map((s) => windows[s.id]!),
        step: 7,
        beds: [...beds],
        means: (["open", "cage", "hand"] as const).filter((m) => means.has(m)),
      },
      SEED,
    );
  };
  const over = running && found?.done;
  const versions = new Map(view.stands.map((s) => [s.id, s.version]));
  const asSeen = (change: Change): SeenChange =>
    change.kind === "agree" ? change : { ...change, version: versions.get(change.standId) };
  return (
    <div className="grid gap-5">
      <p className="text-sm text-soft">
        Every chosen stand is to be under its limit and ripe before frost, at the least labour. A search by chance with
        a fixed seed: good, not proven best.
      </p>
      <fieldset>
        <legend className="font-semibold">Stands that must make seed</legend>
        {ready.map((s) => (
          <Tick
            key={s.id}
            label={`${s.code} ${s.name}, ${bedInWords(s.bedName ?? "")}`}
            on={chosen.has(s.id)}
            onChange={() => setChosen(toggled(chosen, s.id))}
          />
        ))}
      </fieldset>
      <details>
        <summary className="cursor-pointer font-semibold">Beds, dates and means it may use</summary>
        <fieldset className="mt-2">
          <legend>Sown between</legend>
          {ready
            .filter((s) => chosen.has(s.id))
            .map((s) => (
              <div key={s.id} className="grid grid-cols-2 sm:grid-cols-[1fr_auto_auto] items-center gap-2 py-1 text-sm">
                <span className="truncate max-sm:col-span-2">{s.name}</span>
                {(["from", "to"] as const).map((end) => (
                  <DayInput
                    key={end}
                    label={`${s.code} ${s.name}, sown ${end === "from" ? "from" : "until"}`}
                    value={windows[s.id]![end]}
                    onChange={(day) => setWindows({ ...windows, [s.id]: { ...windows[s.id]!, [end]: day } })}
                  />
                ))}
              </div>
            ))}
        </fieldset>
        <fieldset className="mt-3 columns-2">
          <legend>Beds</legend>
          {free.map((b) => (
            <Tick key={b.id} label={b.name} on={beds.has(b.id)} onChange={() => setBeds(toggled(beds, b.id))} />
          ))}
        </fieldset>
        <fieldset className="mt-3">
          <legend>Means</legend>
          <Tick label="Cages" on={means.has("cage")} onChange={() => setMeans(toggled(means, "cage"))} />
          <Tick label="Hand pollination" on={means.has("hand")} onChange={() => setMeans(toggled(means, "hand"))} />
        </fieldset>
      </details>
      <div className="flex items-center gap-3">
        <button
          type="button"
          className="leaf leaf-strong"
          disabled={chosen.size === 0 || (running && !found?.done)}
          onClick={start}
        >
          Search
        </button>
        {running && !found?.done && (
          <>
            <progress value={found?.share ?? 0} max={1} aria-label="Search" />
            <button type="button" className="leaf" onClick={worker.stop}>
              Stop
            </button>
          </>
        )}
      </div>
      {running && found && (
        <div aria-live="polite">
          <p>
            {found.done ? "Best found" : "Best so far"} after {figure(found.tried)} plans:{" "}
            {found.judged.over === 0 && found.judged.late === 0
              ? "every stand under its limit and ripe in time"
              : `${plural(found.judged.over, "stand")} over the limit, ${found.judged.late} not ripe in time`}
            ; about {Math.round(found.judged.labour)} visits.
          </p>
          <Compare view={view} found={found} chosen={chosen} />
        </div>
      )}
      {over && found && found.changes.length === 0 && <p>The present plan is the best that was found.</p>}
      {over && found && found.changes.length > 0 && (
        <div className="flex gap-3">
          <CommandButton
            command="stand.remedy"
            input={{ season, changes: found.changes.map(asSeen) }}
            strong
            onDone={close}
          >
            Accept this arrangement
          </CommandButton>
          <button type="button" className="leaf leaf-plain" onClick={close}>
            Leave the plan as it is
          </button>
        </div>
      )}
    </div>
  );
}

function Tick({ label, on, onChange }: { label: string; on: boolean; onChange: () => void }) {
  return (
    <label className="flex items-center gap-2 py-1">
      <input type="checkbox" checked={on} onChange={onChange} />
      {label}
    </label>
  );
}

const MEANS = { cover: "under a cage", hand: "by hand" } as const;

/** The present plan beside the one that was found. */
function Compare({
  view,
  found,
  chosen,
}: {
  view: Season;
  found: NonNullable<Props["worker"]["found"]>;
  chosen: Set<Id>;
}) {
  const bed = (id: Id) => view.beds.find((b) => b.id === id)?.name;
  return (
    <Table heads={["Stand", "Now", "Then", "Strangers", "Ripe in time"]}>
      {view.stands
        .filter((s) => chosen.has(s.id))
        .map((s) => {
          const now = view.tried.find((t) => t.id === s.id)!;
          const then = found.after.find((t) => t.id === s.id)!;
          const guard = found.changes.find(
            (c) => "standId" in c && c.standId === s.id && (c.kind === "cover" || c.kind === "hand"),
          );
          const words = [
            then.sown === now.sown ? "" : `sown ${dayInWords(then.sown)}`,
            then.bedId === now.bedId ? "" : bedInWords(bed(then.bedId) ?? ""),
            guard ? MEANS[guard.kind as keyof typeof MEANS] : "",
          ].filter(Boolean);
          return (
            <tr key={s.id}>
              <td>{s.name}</td>
              <td>
                {dayInWords(now.sown)}, {bedInWords(s.bedName ?? "")}
              </td>
              <td>{words.join(", ") || "as it is"}</td>
              <td>
                {now.share ? oneIn(now.share.likely) : "not asked"} →{" "}
                {then.share ? oneIn(then.share.likely) : "covered"}
              </td>
              <td>{timesInTen(then.ripening.chance)}</td>
            </tr>
          );
        })}
    </Table>
  );
}
