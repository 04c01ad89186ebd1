import { addDays, dayInWords } from "@/core/calendar/day";
import { addressOfStand } from "@/core/custody/address";
import { generationName } from "@/core/custody/generation";
import { parentName } from "@/core/custody/parents";
import { dayPartOf, doingOf, type Petals, type Protocol } from "@/core/pollination/protocol";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import Link from "@/ui/Link";
import type { CrossView } from "@/views/crosses";
import { Cautions } from "../common/Cautions";
import { CommandButton } from "../common/command";
import { DAY_PART_WORDS } from "../common/crossWords";
import { StageRow } from "../common/drawings/FlowerStage";
import { EnoughFruit } from "../common/EnoughFruit";
import { Notes } from "../common/Notes";
import { Page } from "../common/Page";
import { SowNext } from "../common/SowNext";
import { Tag } from "../common/Tag";
import { inHundred, listInWords, percent } from "../common/words";
import { CrossRecord } from "./CrossRecord";
import { CrossSettings } from "./CrossSettings";
import { CrossTabs } from "./CrossTabs";
import { FlowerTable } from "./FlowerTable";
import { MeetInFlower } from "./MeetInFlower";
import { TagSheet } from "./TagSheet";

export function CrossScreen(view: CrossView & { opened: number | null }) {
  const { garden, band, state, protocol, lots, hazards, fathers, effective } = view;
  const { cross } = state;
  return (
    <Page
      title={`Cross ${cross.code}`}
      band={band}
      beside={
        <>
          <h2 className="mb-3 text-2xl">{state.opens ? "Not in flower yet" : "Enough fruit set?"}</h2>
          <EnoughFruit state={state} />
          <MeetInFlower view={view} />
          {effective && (
            <p className="mt-4 border-l-4 border-dusk pl-3">
              {effective.males} males and {plural(effective.females, "female")} count as{" "}
              <strong>{fixed(effective.size, 1)} plants</strong>: 4mf/(m+f). More of the rarer sex raises it most.
            </p>
          )}
          <Cautions hazards={hazards} />
        </>
      }
    >
      <CrossTabs at="/crosses" />
      <div className="flex flex-wrap items-center gap-4">
        <Tag kind="cross" code={cross.code} />
        <TagSheet cross={cross.code} flowers={view.cut.total} />
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
        <CrossSettings view={view} />
        <Notes of="crossId" id={cross.id} name={`cross ${cross.code}`} />
      </div>
      <h2 className="mt-3 break-words text-2xl">
        <Link href={addressOfStand(view.parents.mother)}>{parentName(cross.motherName, cross.motherNumber)}</Link> ×{" "}
        {cross.kind === "self" ? (
          "itself"
        ) : (
          <Link href={addressOfStand(view.parents.father)}>{parentName(cross.fatherName, cross.fatherNumber)}</Link>
        )}
      </h2>
      {fathers.length > 0 && (
        <p>
          Pollen mixed of{" "}
          {fathers
            .map((f) => `${parentName(f.name ?? "a stranger", f.number)} ${f.code ?? ""} (${percent(f.share)})`)
            .join(", ")}
        </p>
      )}
      <p className="text-soft">
        gives {cross.lineName} {generationName(cross.generation, cross.backcrosses)};{" "}
        {plural(cross.fruitsWanted, "fruit")} wanted
        {cross.closed ? "; closed" : ""}. {protocol.name}.
      </p>
      <p className="mt-1 break-words text-sm">
        <strong className="font-mono font-normal">{view.notation}</strong>
        <span className="text-soft">
          {" "}
          · inbreeding of the offspring {inHundred(view.inbreeding)}, as far back as the records go; taking{" "}
          {view.founders}
        </span>
      </p>
      {cross.males !== null && cross.malesOn && (
        <p className="mt-1 text-sm text-soft">
          Of the father {cross.males} made ready {dayInWords(cross.malesOn)}
          {cross.fetchedOn && `, fetched ${dayInWords(cross.fetchedOn)}`}.
        </p>
      )}
      {view.note && <p className="mt-2 max-w-prose whitespace-pre-wrap border-l-4 border-rule pl-3">{view.note}</p>}
      {view.unsown.length > 0 ? (
        <p className="mt-4">
          Nothing to do here before {listInWords(view.unsown)} {view.unsown.length > 1 ? "are" : "is"} sown.
        </p>
      ) : (
        !cross.closed && <CrossRecord view={view} units={garden.units} />
      )}
      {view.unsown.length === 0 && <FlowerTable key={view.opened} view={view} opened={view.opened} />}
      {lots.some((lot) => lot.onTable === 0 && lot.endedOn === null) && (
        <p className="mt-4">
          <SowNext line={lots[0]!.lineCode} trigger="Sow its seed" strong />
        </p>
      )}
      {lots.length > 0 && (
        <section className="mt-8">
          <h3 className="mb-2">Seed from it</h3>
          <ul className="flex flex-wrap gap-x-4 gap-y-2">
            {lots.map((lot) => (
              <li key={lot.id} className="flex items-center gap-2">
                <Tag kind="lot" code={lot.code} href={`/seed/${lot.code}`} />
                {lot.doubt && <span className="text-sm font-bold text-rust">in doubt</span>}
              </li>
            ))}
          </ul>
        </section>
      )}
      <ProtocolSteps
        protocol={protocol}
        ripe={view.daysToRipe}
        today={state.opens ?? view.today}
        petals={state.petals}
      />
    </Page>
  );
}

/** The days each step falls on for a flower covered today; ripening counts from pollination. */
function timeline(protocol: Protocol, ripe: { low: number; high: number }, today: string) {
  let before = { from: today, to: today };
  let pollinated = before;
  return protocol.steps.map((step) => {
    const { ripens, pollinates } = doingOf(step);
    const since = ripens ? pollinated : before;
    const after = ripens ? ripe : step.after;
    before = { from: addDays(since.from, after.low), to: addDays(since.to, after.high) };
    if (pollinates) pollinated = before;
    return before;
  });
}

type StepsProps = { protocol: Protocol; ripe: { low: number; high: number }; today: string; petals: Petals };

function ProtocolSteps({ protocol, ripe, today, petals }: StepsProps) {
  const days = timeline(protocol, ripe, today);
  return (
    <section className="mt-10 max-w-3xl">
      <h3>{protocol.name}, step by step</h3>
      <p className="text-soft">{protocol.why}</p>
      <ol className="rows mt-3 border-y border-rule">
        {protocol.steps.map((step, i) => {
          const { from, to } = days[i]!;
          return (
            <li key={step.action} className="grid gap-x-5 py-3 sm:grid-cols-[11rem_1fr]">
              <p className="text-sm text-soft">
                <strong className="text-ink">
                  {from === to ? dayInWords(from) : `${dayInWords(from)} to ${dayInWords(to)}`}
                </strong>
                <span className="block">{DAY_PART_WORDS[dayPartOf(step)]}</span>
                {step.again && (
                  <span className="block">
                    {step.again.times} times, every {step.again.every.low}
                    {step.again.every.high > step.again.every.low && ` to ${step.again.every.high}`} days
                  </span>
                )}
              </p>
              <div>
                <p className="font-semibold">{step.title}</p>
                <p>{step.look}</p>
                <p className="text-sm text-soft">{step.tooLate}</p>
                {step.drawing && step.stages && (
                  <details className="mt-1">
                    <summary className="cursor-pointer text-sm font-semibold text-damson">Drawn</summary>
                    <div className="mt-2 max-w-md">
                      <StageRow drawing={step.drawing} stages={step.stages} petals={petals} />
                    </div>
                  </details>
                )}
              </div>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
