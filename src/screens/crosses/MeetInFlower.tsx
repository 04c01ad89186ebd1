import { dayInWords } from "@/core/calendar/day";
import type { WayToMeet } from "@/core/pollination/meetInFlower";
import { timesInTen } from "@/core/units/odds";
import type { CrossView } from "@/views/crosses";
import { CommandButton } from "../common/command";
import { STORAGE_WORDS } from "../common/crossWords";
import { reckonedPercent, sentence, spanInWords } from "../common/words";

/** Whether the parents meet in flower, and the ways out when they don't. */
export function MeetInFlower({ view }: { view: CrossView }) {
  const { meeting, meets, meetWanted, ways, state } = view;
  const { cross } = state;
  return (
    <section className="mt-6 border-t border-rule pt-4">
      <h3>Do they meet in flower?</h3>
      <p className="mt-1">
        {meeting.days > 0
          ? `Together for about ${meeting.days} days.`
          : `They miss each other by ${meeting.gapDays} days; the ${meeting.first} is first.`}{" "}
        <strong>{sentence(timesInTen(meets))}</strong> they share three days or more, by the forecasts&apos; ranges; a
        rule of thumb.
      </p>
      {cross.storage && (
        <p className="mt-2 border-l-4 border-dusk pl-3">
          With pollen kept {STORAGE_WORDS[cross.storage]}
          {cross.storedOn ? `, gathered ${dayInWords(cross.storedOn)}` : "; not gathered yet"}.
        </p>
      )}
      {meets < meetWanted && ways.length === 0 && !cross.storage && (
        <p className="mt-2 text-soft">
          No sowing, cutting back or stored pollen still lets them meet {timesInTen(meetWanted)}.
        </p>
      )}
      {ways.length > 0 && (
        <ul className="rows mt-3 border-y border-rule">
          {ways.map((way) => (
            <li key={wayKey(way)} className="py-3">
              <p className="font-semibold">{wayTitle(way, cross)}</p>
              <p className="text-sm text-soft">
                {wayCost(way)} Then they meet <strong className="text-ink">{timesInTen(way.chance)}</strong>.
              </p>
              <WayButton way={way} view={view} />
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

const wayKey = (way: WayToMeet) => (way.kind === "store" ? `store ${way.storage}` : way.kind);

function wayTitle(way: WayToMeet, { motherName, fatherName }: { motherName: string; fatherName: string }): string {
  switch (way.kind) {
    case "sow-mother":
      return `Sow ${motherName} on ${dayInWords(way.day)} instead`;
    case "sow-father":
      return `Sow ${fatherName} on ${dayInWords(way.day)} instead`;
    case "sow-father-again":
      return `Sow ${fatherName} a second time on ${dayInWords(way.day)}`;
    case "cut-back":
      return `Cut ${way.who === "mother" ? motherName : fatherName} back on ${dayInWords(way.day)}`;
    case "store":
      return `Keep pollen of ${fatherName} ${STORAGE_WORDS[way.storage]}`;
  }
}

function wayCost(way: WayToMeet): string {
  switch (way.kind) {
    case "sow-mother":
    case "sow-father":
    case "sow-father-again":
      return `Any day from ${spanInWords(way.from, way.to)} does; the mother's seed ripens before frost ${timesInTen(way.ripens)}.`;
    case "cut-back":
      return `Flowers again ${way.back.low} to ${way.back.high} days later (our working value); some of the crop is lost.`;
    case "store":
      return `Gather by ${dayInWords(way.gatherBy)}; after ${way.days} days ${reckonedPercent(way.left.low)} to ${reckonedPercent(way.left.high)} of it still works (working values), so more flowers are needed.`;
  }
}

function WayButton({ way, view }: { way: WayToMeet; view: CrossView }) {
  const { cross } = view.state;
  if (way.kind === "store")
    return (
      <CommandButton command="cross.adjust" input={{ id: cross.id, version: cross.version, storage: way.storage }}>
        Plan it so
      </CommandButton>
    );
  if (way.kind === "cut-back")
    return (
      <CommandButton
        command="cross.cut-back"
        input={{
          crossId: cross.id,
          parent: way.who,
          on: way.day,
          version: view.parents[way.who].version,
        }}
      >
        Plan the cut
      </CommandButton>
    );
  if (way.kind === "sow-father-again")
    return (
      <CommandButton command="cross.sow-again" input={{ crossId: cross.id, sown: way.day, version: cross.version }}>
        Plan the sowing
      </CommandButton>
    );
  const parent = way.kind === "sow-mother" ? "mother" : "father";
  return (
    <CommandButton
      command="cross.sow-on"
      input={{ crossId: cross.id, sown: way.day, parent, version: view.parents[parent].version }}
    >
      Move the sowing
    </CommandButton>
  );
}
