import { dayInWords } from "@/core/calendar/day";
import { DAY_PARTS, type DayPart } from "@/core/pollination/protocol";
import { lengthInWords as metres } from "@/core/units/units";
import { hourInWords } from "@/core/writing/hours";
import Link from "@/ui/Link";
import type { Today } from "@/views/today";
import { Cautions } from "../common/Cautions";
import { GardenForm } from "../common/GardenForm";
import { Page } from "../common/Page";
import { Part } from "../common/Part";
import { insectsInWords } from "../common/words";
import { AskRow } from "./AskRow";
import { ChosenCross } from "./ChosenCross";
import { AllMissed, OverRow } from "./OverRow";
import { OwnTasks } from "./OwnTasks";
import { RegrowRow } from "./RegrowRow";
import { SeedRow } from "./SeedRow";
import { NoneDone } from "./StandWork";
import { TaskRows } from "./TaskRow";
import { TastingRow } from "./TastingRow";
import { TodayTabs } from "./TodayTabs";
import { LISTED, WorkList } from "./WorkList";

const bandWords = (sun: Today["sun"]): Record<DayPart, { title: string; when: string }> => ({
  dawn: {
    title: "Dawn",
    when: sun.sunrise
      ? `sun up ${hourInWords(sun.sunrise)}${sun.insects ? `, first insects ${insectsInWords(sun.insects)}` : ""}`
      : "no sunrise today",
  },
  morning: { title: "Morning", when: "while pollen is fresh" },
  noon: { title: "Noon", when: "before the heat" },
  "any-hour": { title: "Any hour", when: "in daylight" },
  evening: { title: "Tonight", when: sun.dusk ? `until dark at ${hourInWords(sun.dusk)}` : "no dusk tonight" },
});

const HEAT_FROM = { station: "weather station", readings: "your readings", normal: "usual for the day" } as const;

/** So many rows of a band can be read; on the busiest days the rest is on the round, and in the weeks ahead. */
const SHOWN = 24;

/** So many calls of the table stand on Today. */
const SHOWN_SEED = 5;

export function TodayScreen(view: Today & { asked: string | null }) {
  const {
    garden,
    day,
    sun,
    heat,
    walk,
    tasks,
    late,
    over,
    regrow,
    tastings,
    seed,
    ask,
    missed,
    early,
    next,
    later,
    open,
    hazards,
    empty,
    band,
  } = view;
  if (garden.version === "")
    return (
      <Page title="Today" band={band} beside={<FirstSteps />}>
        <h2 className="mb-2 text-3xl">Where is your garden?</h2>
        <p className="mb-6 max-w-prose">
          Sunrise, frost and flowering are worked out for this place. Everything stays on this machine.
        </p>
        <div className="max-w-2xl">
          <GardenForm garden={garden} />
        </div>
      </Page>
    );
  const words = bandWords(sun);
  const parts = DAY_PARTS.map((id) => ({
    id,
    ...words[id],
    tasks: tasks.filter((t) => t.part === id),
  }));
  return (
    <Page
      title="Today"
      band={band}
      beside={open.length > 0 ? <ChosenCross open={open} asked={view.asked} /> : <NextThing empty={empty} />}
    >
      <TodayTabs at="/" />
      <p className="mb-5 sm:hidden">
        <strong>{dayInWords(day, "long")}</strong>
        <span className="block text-soft">
          {garden.name}, sun {sun.sunrise ? hourInWords(sun.sunrise) : "–"} to{" "}
          {sun.sunset ? hourInWords(sun.sunset) : "–"}
        </span>
      </p>
      {tasks.some((t) => t.kind === "cross") && (
        <div className="mb-6 flex flex-wrap items-center gap-x-5 gap-y-3">
          <Link href="/round" className="leaf leaf-strong max-sm:min-h-14 max-sm:w-full max-sm:text-xl">
            Walk the round
          </Link>
          <p className="text-sm text-soft">
            {walk && `Beds ${walk.order.join(", ")}: ${metres(walk.metres, garden.units)} between them. `}
            {heat && (
              <span className={heat.spoils.length > 0 ? "font-bold text-rust" : ""}>
                {heat.max} °C at the warmest today ({HEAT_FROM[heat.from]})
                {heat.spoils.length > 0 &&
                  `: pollen of ${heat.spoils.join(" and ")} may be dead by noon, a rule of thumb`}
                .
              </span>
            )}
          </p>
        </div>
      )}
      {tasks.length === 0 && (
        <div className="mb-6">
          <h2>Nothing is due on this day</h2>
          <p className="mt-2 max-w-prose text-soft">
            {next[0]
              ? `The next is from ${dayInWords(next[0].from)}: ${next[0].what.toLowerCase()}, ${next[0].stand.lineName}. `
              : "Sowing, planting, covering, roguing and gathering come here by themselves once stands are sown or planned. "}
            {early.length > 0 && "What can be done early stands below."}
          </p>
        </div>
      )}
      {parts
        .filter((b) => b.tasks.length > 0)
        .map((b) => (
          <Part key={b.id} title={b.title} when={b.when}>
            <TaskRows tasks={b.tasks.slice(0, SHOWN)} day={day} units={garden.units} />
            {b.tasks.length > SHOWN && (
              <li className="py-3 text-soft">
                and {b.tasks.length - SHOWN} more; <Link href="/round">the round</Link> walks through the flowers,{" "}
                <Link href="/weeks">the weeks ahead</Link> list the rest.
              </li>
            )}
          </Part>
        ))}
      {seed.length > 0 && (
        <Part title="Seed" when="on the table and in the drawer">
          {seed.slice(0, SHOWN_SEED).map((task) => (
            <SeedRow key={task.key} task={task} />
          ))}
          {seed.length > SHOWN_SEED && (
            <li className="py-3 text-soft">
              and {seed.length - SHOWN_SEED} more on <Link href="/seed">Seed</Link>.
            </li>
          )}
        </Part>
      )}
      <WorkList title="Too late?" when="its last chance is past" works={missed} day={day} units={garden.units}>
        {missed.length > 0 && <NoneDone works={missed} />}
      </WorkList>
      {late.length > 0 && (
        <Part title="Flowers" when="past their time: what became of them?" label="Flowers not seen to">
          <TaskRows tasks={late} day={day} units={garden.units} />
          <li className="py-3">
            <AllMissed late={late} />
          </li>
        </Part>
      )}
      {over.length > 0 && (
        <Part title="Over" when="no more of their flowers this year" label="Crosses that are over">
          {over.map((state) => (
            <OverRow key={state.cross.id} state={state} day={day} />
          ))}
        </Part>
      )}
      {regrow.length > 0 && (
        <Part title="Regrow" when="nothing of them is sown or planned" label="Lines to regrow">
          {regrow.slice(0, LISTED).map((line) => (
            <RegrowRow key={line.code} line={line} />
          ))}
          {regrow.length > LISTED && (
            <li className="py-3 text-soft">
              and {regrow.length - LISTED} more, as <Link href="/seed">the drawer</Link> says.
            </li>
          )}
        </Part>
      )}
      {tastings.length > 0 && (
        <Part title="Taste" when="begun and not closed" label="Open tastings">
          {tastings.map((tasting) => (
            <TastingRow key={tasting.id} tasting={tasting} />
          ))}
        </Part>
      )}
      {ask.length > 0 && (
        <Part title="Ask" when="before his flowers open" label="Neighbours to ask">
          {ask.map((asking) => (
            <AskRow key={asking.id} asking={asking} />
          ))}
        </Part>
      )}
      <WorkList title="Early" when="can be done before its best day" works={early} day={day} units={garden.units} />
      <WorkList title="Next" when="to come" works={next} day={day} units={garden.units} />
      <OwnTasks later={later} day={day} />
      {sun.tomorrow && tasks.some((t) => t.part === "evening") && (
        <p className="text-soft">
          Tomorrow the sun is up at {sun.tomorrow}: flowers covered tonight wait for that morning.
        </p>
      )}
      <Cautions hazards={hazards} />
    </Page>
  );
}

function FirstSteps() {
  return (
    <>
      <h2>The way from here</h2>
      <ol className="mt-3 list-decimal space-y-2 pl-5">
        <li>Say where the garden is.</li>
        <li>Put beds on the Ground.</li>
        <li>Name your lines, then sow them into stands.</li>
        <li>Plan a cross; each evening and dawn its steps stand here.</li>
        <li>Sow its seed as a family, score it, keep the best.</li>
      </ol>
    </>
  );
}

function NextThing({ empty }: { empty: Today["empty"] }) {
  const next = empty.beds
    ? { words: "Put a first bed on the Ground, then sow a line into it.", href: "/ground", label: "To the Ground" }
    : empty.stands
      ? { words: "Name a line, then sow it as a stand of this season.", href: "/lines", label: "To the Lines" }
      : {
          words: "When two stands flower together, plan a cross between them.",
          href: "/crosses",
          label: "Plan a cross",
        };
  return (
    <>
      <h2>What comes next</h2>
      <p className="my-3">{next.words}</p>
      <Link href={next.href} className="leaf leaf-strong">
        {next.label}
      </Link>
    </>
  );
}
