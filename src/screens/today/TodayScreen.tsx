import { dayInWords } from "@/core/calendar/day";
import { addressOfStand } from "@/core/custody/address";
import { bedInWords } from "@/core/ground/bedInWords";
import { DAY_PARTS, type DayPart } from "@/core/pollination/protocol";
import { unfolded } from "@/core/work/work";
import { hourInWords } from "@/core/writing/hours";
import Link from "@/ui/Link";
import type { Task, Today } from "@/views/today";
import type { BedWork } from "@/views/work";
import { Cautions } from "../common/Cautions";
import { GardenForm } from "../common/GardenForm";
import { Page } from "../common/Page";
import { Part } from "../common/Part";
import { Starts } from "../common/Starts";
import { insectsInWords } from "../common/words";
import { ChosenCross, inFlower } from "./ChosenCross";
import { Folded } from "./Folded";
import { AllMissed, OverRow } from "./OverRow";
import { OwnTasks } from "./OwnTasks";
import { NoneDone } from "./StandWork";
import { TaskRows } from "./TaskRow";
import { TodayMap } from "./TodayMap";
import { TodayTabs } from "./TodayTabs";
import { WorkList } from "./WorkList";
import {
  dayInOneSentence,
  earlyInWords,
  lateInWords,
  nextInWords,
  overdueInWords,
  titleOf,
  waitingInWords,
} from "./words";

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
  evening: {
    title: "Tonight",
    when: `${sun.dusk ? `until dark at ${hourInWords(sun.dusk)}` : "no dusk tonight"}${sun.tomorrow ? `; sun up tomorrow at ${hourInWords(sun.tomorrow)}` : ""}`,
  },
});

const HEAT_FROM = { station: "weather station", readings: "your readings", normal: "usual for the day" } as const;

/** So many rows of a day can be read and done; what can wait is folded away beyond them. */
const ROWS = 20;

export function TodayScreen(view: Today & { asked: string | null; bed: string | null }) {
  const {
    garden,
    day,
    sun,
    heat,
    map,
    bed,
    tasks,
    late,
    over,
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
  const flowering = inFlower(open, view.asked);
  const { shown, waiting } = unfolded(tasks, ROWS);
  const parts = DAY_PARTS.map((id) => ({ id, ...words[id], tasks: shown.filter((task) => task.part === id) }));
  return (
    <Page
      title="Today"
      band={band}
      beside={
        <>
          <TodayMap map={map} chosen={bed} />
          {flowering.length > 0 ? (
            <ChosenCross open={flowering} asked={view.asked} />
          ) : empty.lines ? (
            <FirstSteps begun />
          ) : (
            next.length === 0 && open.length === 0 && <NextThing empty={empty} />
          )}
        </>
      }
    >
      <TodayTabs at="/" />
      <p className="mb-5 sm:hidden">
        <strong>{dayInWords(day, "long")}</strong>
        <span className="block text-soft">
          {garden.name}, sun {sun.sunrise ? hourInWords(sun.sunrise) : "–"} to{" "}
          {sun.sunset ? hourInWords(sun.sunset) : "–"}
        </span>
      </p>
      {bed === null && !empty.lines && <h2 className="mb-3 max-w-prose text-xl">{dayInOneSentence(view)}</h2>}
      {bed !== null && (
        <div className="mb-4 flex flex-wrap items-baseline gap-x-4">
          <h2 className="text-xl">Only {bedInWords(bed)}</h2>
          <Link href="/" className="font-semibold underline">
            Show the whole day
          </Link>
        </div>
      )}
      {tasks.some((t) => t.kind === "cross") && (
        <div className="mb-4 flex flex-wrap items-center gap-x-5 gap-y-2">
          <Link href="/round" className="leaf leaf-strong max-sm:min-h-14 max-sm:w-full max-sm:text-xl">
            Walk the round
          </Link>
          {heat && (
            <p className="text-sm text-soft">
              <span className={heat.spoils.length > 0 ? "font-bold text-rust" : ""}>
                {heat.max} °C at the warmest ({HEAT_FROM[heat.from]})
                {heat.spoils.length > 0 && `: pollen of ${heat.spoils.join(" and ")} may die by noon`}.
              </span>
            </p>
          )}
        </div>
      )}
      {empty.lines && (
        <section className="mb-6" aria-label="Begin">
          <h2 className="mb-3 text-2xl">What do you want to begin?</h2>
          <Starts />
        </section>
      )}
      {tasks.length === 0 && !empty.lines && (
        <p className="mb-6 max-w-prose text-soft">
          {next[0]
            ? `Next, from ${dayInWords(next[0].works[0]!.from)}: ${titleOf(next[0])}.`
            : "Sowing, planting, covering, roguing and gathering come here by themselves once plantings are sown or planned."}
        </p>
      )}
      {parts
        .filter((b) => b.tasks.length > 0)
        .map((b) => (
          <Part key={b.id} title={b.title} when={b.when}>
            <TaskRows tasks={b.tasks} day={day} units={garden.units} />
          </Part>
        ))}
      {late.length > 0 && (
        <Part title="Flowers" when="past their time: what became of them?" label="Flowers not seen to">
          <Folded said={lateInWords(late)} beside={<AllMissed late={late} />}>
            <TaskRows tasks={late} day={day} units={garden.units} />
          </Folded>
        </Part>
      )}
      {over.length > 0 && (
        <Part title="Over" when="no more of their flowers this year" label="Crosses that are over">
          {over.map((state) => (
            <OverRow key={state.cross.id} state={state} day={day} />
          ))}
        </Part>
      )}
      <Part title="Later" when="not today">
        <WorkList
          said={overdueInWords(missed)}
          groups={missed}
          day={day}
          units={garden.units}
          beside={<NoneDone groups={missed} />}
        />
        {waiting.length > 0 && (
          <Folded said={waitingInWords(waiting, day)}>
            <TaskRows tasks={waiting} day={day} units={garden.units} />
          </Folded>
        )}
        <WorkList said={earlyInWords(early)} groups={early} day={day} units={garden.units} />
        <WorkList said={nextInWords(next)} groups={next} day={day} units={garden.units} />
        <OwnTasks later={later} day={day} />
      </Part>
      <Cautions hazards={hazards} />
      <FoldedFamilies groups={[...groupsOf(waiting), ...missed, ...early, ...next]} />
    </Page>
  );
}

const groupsOf = (tasks: Task[]): BedWork[] => tasks.flatMap((task) => (task.kind === "stand" ? task.group : []));

/** Families whose work is folded away, by their addresses: the device keeps their pages for the far bed, as those that are seen. */
function FoldedFamilies({ groups }: { groups: BedWork[] }) {
  const stands = groups.flatMap(({ works }) => works.map(({ stand }) => stand)).filter(({ family }) => family === 1);
  return (
    <div hidden>
      {[...new Set(stands.map(addressOfStand))].map((href) => (
        <a key={href} href={href}>
          {href}
        </a>
      ))}
    </div>
  );
}

function FirstSteps({ begun = false }: { begun?: boolean }) {
  return (
    <>
      <h2>The way from here</h2>
      <ol className="mt-3 list-decimal space-y-2 pl-5">
        {!begun && <li>Say where the garden is.</li>}
        <li>Choose what to begin: a variety, a cross or a mix.</li>
        <li>Each day its work stands here, until its seed is in the drawer.</li>
        <li>After the harvest, decide what is sown next season.</li>
      </ol>
    </>
  );
}

function NextThing({ empty }: { empty: Today["empty"] }) {
  const next = empty.beds
    ? { words: "Put a first bed on the Ground, then sow a line into it.", href: "/ground", label: "To the Ground" }
    : empty.stands
      ? {
          words: "Nothing stands this season. Decide what is sown.",
          href: "/season/turn",
          label: "Decide line by line",
        }
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
