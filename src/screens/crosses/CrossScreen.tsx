import Link from "next/link";
import { addDays, dayInWords } from "@/core/calendar/day";
import { generationName } from "@/core/custody/generation";
import type { Protocol } from "@/core/pollination/steps";
import type { Flower } from "@/records/cross/queries";
import { CommandButton } from "@/ui/CommandButton";
import type { CrossView } from "@/views/crosses";
import { Cautions } from "../common/Cautions";
import { EnoughFruit } from "../common/EnoughFruit";
import { Page } from "../common/Page";
import { Tag } from "../common/Tag";
import { FAULTS, plural } from "../common/words";
import { CrossRecord } from "./CrossRecord";

export function CrossScreen(view: CrossView) {
  const { garden, band, state, flowers, protocol, meeting, lots, hazards } = view;
  const { cross } = state;
  const parent = (name: string, plant: number | null) => `${name}${plant ? ` plant ${plant}` : ""}`;
  return (
    <Page
      at="/crosses"
      title={`Cross ${cross.code}`}
      band={band}
      beside={
        <>
          <h2 className="mb-3 text-2xl">Enough fruit set?</h2>
          <EnoughFruit state={state} />
          <p className="mt-4 text-sm text-soft">
            {meeting.days > 0
              ? `The parents are in flower together for ${meeting.days} days (forecast where not seen).`
              : `The flowerings miss each other by ${meeting.gapDays} days; the ${meeting.first} is first.`}
          </p>
          <Cautions hazards={hazards} />
        </>
      }
    >
      <div className="flex flex-wrap items-center gap-4">
        <Tag kind="cross" code={cross.code} />
        <a href={`/api/tags/cross/${cross.id}`} className="leaf leaf-plain">
          Print its tag
        </a>
        <CommandButton
          command="cross.adjust"
          input={{
            id: cross.id,
            version: cross.version,
            fruitsWanted: cross.fruitsWanted,
            closed: cross.closed ? 0 : 1,
          }}
          plain
        >
          {cross.closed ? "Open it again" : "Close the cross"}
        </CommandButton>
      </div>
      <h2 className="mt-3 break-words text-2xl">
        <Link href={`/ground?stand=${view.parents.mother}`}>{parent(cross.motherName, cross.motherNumber)}</Link> ×{" "}
        {cross.kind === "self" ? (
          "itself"
        ) : (
          <Link href={`/ground?stand=${view.parents.father}`}>{parent(cross.fatherName, cross.fatherNumber)}</Link>
        )}
      </h2>
      <p className="text-soft">
        gives {cross.lineName} {generationName(cross.generation)}; {plural(cross.fruitsWanted, "fruit")} wanted
        {cross.closed ? "; closed" : ""}
      </p>
      {!cross.closed && protocol && <CrossRecord view={view} units={garden.units} />}
      <FlowerTable flowers={flowers} />
      {lots.length > 0 && (
        <section className="mt-8">
          <h3 className="mb-2">Seed from it</h3>
          <ul className="flex flex-wrap gap-3">
            {lots.map((lot) => (
              <li key={lot.id}>
                <Tag kind="lot" code={lot.code} href={`/seed/${lot.id}`} />
              </li>
            ))}
          </ul>
        </section>
      )}
      {protocol && <ProtocolSteps protocol={protocol} ripe={view.daysToRipe} today={view.today} />}
    </Page>
  );
}

const STATES: Record<Flower["state"], string> = {
  covered: "covered, waits for its morning",
  pollinated: "pollinated, not yet looked at",
  unusable: "unusable",
  set: "set",
  failed: "did not set",
  harvested: "harvested",
};

function FlowerTable({ flowers }: { flowers: Flower[] }) {
  if (flowers.length === 0)
    return (
      <p className="mt-6 text-soft">
        No flowers yet. The first step is in the evening: cover the buds that open tomorrow.
      </p>
    );
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reached by keyboard
    <section className="mt-6 max-h-96 overflow-auto" aria-label="Flowers" tabIndex={0}>
      <table className="ruled w-full">
        <thead>
          <tr>
            {["Flower", "Covered", "Pollinated", "Males", "Looked at", "State"].map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {flowers.map((f) => (
            <tr key={f.id}>
              <td>{f.number}</td>
              <td>{dayInWords(f.coveredOn)}</td>
              <td>{f.pollinatedOn ? dayInWords(f.pollinatedOn) : "–"}</td>
              <td>{f.males ?? "–"}</td>
              <td>{f.checkedOn ? dayInWords(f.checkedOn) : "–"}</td>
              <td
                className={
                  f.state === "set" || f.state === "harvested"
                    ? "font-bold text-moss"
                    : f.fault || f.state === "failed"
                      ? "text-rust"
                      : ""
                }
              >
                {STATES[f.state]}
                {f.fault ? `: ${FAULTS[f.fault].toLowerCase()}` : ""}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const WHEN = {
  dawn: "at dawn",
  morning: "in the morning",
  "any-hour": "at any hour",
  evening: "in the evening, before dusk",
} as const;

/** The days each step falls on for a flower covered today; ripening counts from pollination, not from the look at the fruit. */
function timeline(
  protocol: Protocol,
  ripe: { low: number; high: number },
  today: string,
): { from: string; to: string }[] {
  const at = (base: { from: string; to: string }, after: { low: number; high: number }) => ({
    from: addDays(base.from, after.low),
    to: addDays(base.to, after.high),
  });
  const covered = { from: today, to: today };
  const pollinated = at(covered, protocol.steps.find((s) => s.action === "pollinate")!.after);
  return protocol.steps.map((step) => {
    if (step.action === "cover") return covered;
    if (step.action === "pollinate") return pollinated;
    return at(pollinated, step.action === "harvest" ? ripe : step.after);
  });
}

function ProtocolSteps({
  protocol,
  ripe,
  today,
}: {
  protocol: Protocol;
  ripe: { low: number; high: number };
  today: string;
}) {
  const days = timeline(protocol, ripe, today);
  return (
    <section className="mt-10 max-w-3xl">
      <h3>{protocol.name}: a flower covered tonight</h3>
      <ol className="rows mt-3 border-y border-rule">
        {protocol.steps.map((step, i) => {
          const { from, to } = days[i]!;
          return (
            <li key={step.action} className="grid gap-x-5 py-3 sm:grid-cols-[11rem_1fr]">
              <p className="text-sm text-soft">
                <strong className="text-ink">
                  {from === to ? dayInWords(from) : `${dayInWords(from)} to ${dayInWords(to)}`}
                </strong>
                <span className="block">{WHEN[step.band]}</span>
              </p>
              <div>
                <p className="font-semibold">{step.title}</p>
                <p>{step.look}</p>
                <p className="text-sm text-soft">{step.tooLate}</p>
              </div>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
