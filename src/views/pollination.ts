import { protocolKept, speciesById } from "@/catalogue/catalogue";
import { addDays, type Day, daysBetween, type Span } from "@/core/calendar/day";
import { nextFrost } from "@/core/climate/season";
import { clockTime, marksOf, momentOf } from "@/core/climate/sun";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { type Beta, betaOfRange } from "@/core/numbers/beta";
import { remembered } from "@/core/numbers/remembered";
import { type Evenings, type FlowersToDo, flowersToDo, tonight } from "@/core/pollination/flowersToDo";
import { nextLine, type Outcomes } from "@/core/pollination/pooling";
import { doingOf, leadDays, type Petals, type Protocol, type Unit } from "@/core/pollination/protocol";
import { type Lesson, learn, type Others, type SetRate } from "@/core/pollination/setRate";
import { type FlowerOnDay, type LastDay, lastDayToCover, type Marks, windowOn } from "@/core/pollination/steps";
import { pollenLeft } from "@/core/pollination/storedPollen";
import type { Tally } from "@/core/pollination/tally";
import { type CrossRow, crossesOfSeason } from "@/records/cross/queries";
import { asFlowerOnDay, protocolOfCross } from "@/records/flower/commands";
import { type FlowerUnderWay, type Outcome, outcomes, talliesOfSeason } from "@/records/flower/queries";
import { standById } from "@/records/stand/queries";
import type { ForecastStand, Outlook } from "./outlook";

/** What screens show of a cross beside its flowers. */
const SUMMARY = [
  "id",
  "code",
  "lineName",
  "backcrosses",
  "motherName",
  "motherNumber",
  "motherBed",
  "motherBedId",
  "motherCode",
  "fatherName",
  "fatherNumber",
  "fatherCode",
  "fatherBed",
  "fatherBedId",
  "males",
  "malesOn",
  "fetchedOn",
  "overOn",
  "moreFathers",
  "kind",
  "generation",
  "fruitsWanted",
  "confidence",
  "perEvening",
  "storage",
  "storedOn",
  "season",
  "version",
  "closed",
] as const satisfies (keyof CrossRow)[];
export type CrossSummary = Pick<CrossRow, (typeof SUMMARY)[number]>;

const summaryOf = (cross: CrossRow) => Object.fromEntries(SUMMARY.map((name) => [name, cross[name]])) as CrossSummary;

export type CrossState = {
  cross: CrossSummary;
  method: { id: string; name: string; unit: Unit };
  /** The colour of its mother's flowers. */
  petals: Petals;
  tally: Tally;
  rate: SetRate;
  /** What the rate rests on, and how many flowers each weighs in it. */
  learned: { what: string; flowers: number }[];
  toDo: FlowersToDo;
  last: LastDay | null;
  /** How what is to do falls on the evenings left; null before both parents flower and when it is over. */
  evenings: Evenings | null;
  /** Evenings on which its flowers can still be done, from when both parents are likely to flower. */
  eveningsLeft: number;
  /** The first evening on which its flowers are likely to be done, where that is still to come. */
  opens: Day | null;
  /** Since when no more of its flowers can be done, or are to be; null as long as they can. */
  over: Day | null;
};

/** The two stands of a cross, with their windows. */
export type Parents = { mother: ForecastStand; father: ForecastStand };

/** A cross with its parents, and how it stands. */
export type CrossAt = { cross: CrossRow; parents: Parents; state: CrossState };

/** The crosses of a season. */
export const crossesIn = (sky: Outlook, season: number): CrossAt[] =>
  sky.once(`crosses ${season}`, () => {
    const parentsOf = parentsIn(sky, sky.standsOf(season));
    const tallies = talliesOfSeason(sky.db, season, sky.today);
    const own = hand(sky);
    return crossesOfSeason(sky.db, season).map((cross) => {
      const parents = parentsOf(cross);
      return { cross, parents, state: crossState(cross, tallies(cross.id), parents, own) };
    });
  });

/** Finds the stands of crosses among those of their season; another season's father is read by itself. */
function parentsIn(sky: Outlook, stands: ForecastStand[]): (cross: CrossRow) => Parents {
  const known = new Map(stands.map((s) => [s.id, s]));
  const find = (id: Id) => {
    const found = known.get(id) ?? sky.forecast(standById(sky.db, id)!);
    known.set(id, found);
    return found;
  };
  return (cross) => ({ mother: find(cross.motherStandId), father: find(cross.fatherStandId) });
}

/** What the reckoning of flowers needs of the garden: its sky, its sun, and how flowers did here before. */
export type Hand = { sky: Outlook; marks: Marks; outcomes: Map<string, Outcome[]> };

const keyOf = (species: string, method: string) => `${species} ${method}`;

/** The garden's sky and sun, and its flowers by species and method. */
export const hand = (sky: Outlook): Hand =>
  sky.once("hand", () => {
    const { latitude, longitude } = sky.garden;
    const known = groupBy(outcomes(sky.db), (o) => keyOf(o.species, protocolKept(o.species, o.method).id));
    return { sky, marks: marksOf(latitude, longitude), outcomes: known };
  });

/** Hours of the clock that go together when a set rate is learned. */
const HOUR_BANDS = [
  { until: 8, words: "before 8 o'clock" },
  { until: 11, words: "8 to 11 o'clock" },
  { until: 15, words: "11 to 15 o'clock" },
  { until: 24, words: "after 15 o'clock" },
];
const hourBand = (hour: string | null) => HOUR_BANDS.find((b) => Number(hour) < b.until)!;

/** What the grower's own flowers teach of a cross: other lines, this line at other hours, this line at this hour. */
function lessons(
  cross: CrossRow,
  protocol: Protocol,
  { sky, marks, outcomes: known }: Hand,
): { own: Lesson[]; others: Others } {
  const step = protocol.steps.find((step) => doingOf(step).pollinates)!;
  const { from, to } = windowOn(step, sky.today, marks);
  const middle = clockTime(new Date((from.getTime() + to.getTime()) / 2), sky.garden.timezone);
  const band = hourBand(middle.slice(0, 2));
  const sum = (own: Outcome[]) => ({
    set: own.reduce((n, o) => n + o.set, 0),
    failed: own.reduce((n, o) => n + o.failed, 0),
  });
  const all = known.get(keyOf(cross.species, protocol.id)) ?? [];
  const line = all.filter((o) => o.lineId === cross.motherLineId);
  const now = line.filter((o) => o.hour !== null && hourBand(o.hour) === band);
  const others = groupBy(
    all.filter((o) => o.lineId !== cross.motherLineId),
    (o) => o.lineId,
  );
  return {
    others: { what: "your other lines", lines: [...others.values()].map(sum), pooled: nextLineKept },
    own: [
      { what: `${cross.motherName} at other hours`, outcomes: sum(line.filter((o) => !now.includes(o))) },
      { what: `${cross.motherName}, ${band.words}`, outcomes: sum(now) },
    ],
  };
}

const pooled = remembered(
  ({ prior, lines, own }: { prior: Beta; lines: Outcomes[]; own?: Outcomes }) => nextLine(prior, lines, own),
  300,
);
const nextLineKept: typeof nextLine = (prior, lines, own) => pooled({ prior, lines, own });

/** A rate can't be learned to be nothing: below this the numbers of flowers lose their sense. */
const LEAST = 0.01;

/** The father's flowering as far as his pollen reaches: kept pollen works on after it. */
function pollenSpan(cross: Pick<CrossRow, "storage" | "storedOn">, species: string, father: ForecastStand): Span {
  const { male } = father.window;
  if (!cross.storage) return male;
  const life = speciesById(species).pollenLife[cross.storage];
  // Two half-lives: a quarter of the pollen works still.
  const end = addDays(cross.storedOn ?? male.end, Math.round(life.low + life.high));
  return { start: cross.storedOn ?? male.start, end: end > male.end ? end : male.end };
}

/**
 * The day after which a cross's flowers can't be done any more: by what was seen of its parents, or the widest the
 * forecast allows as long as nothing was. Nothing is pronounced dead by a forecast alone.
 */
function overSince({ mother, father }: Parents, span: Span, last: LastDay | null, lead: number): Day {
  const end = ({ window }: ForecastStand, likely: Day, widest: Day) => (window.observed ? likely : widest);
  const female = end(mother, mother.window.female.end, mother.window.female.latest);
  const kept = span.end > father.window.male.end;
  const male = kept ? span.end : end(father, father.window.male.end, father.window.male.latest);
  const both = addDays(female < male ? female : male, 1 - lead);
  // Before a frost it is over once its seed can't ripen any more.
  return last?.reason === "frost" && last.day < both ? addDays(last.day, 1) : both;
}

/** How a cross stands: what has set, what is still to do, and until when it can be done. */
export function crossState(cross: CrossRow, done: Tally, parents: Parents, own: Hand): CrossState {
  const { climate, today } = own.sky;
  const species = speciesById(cross.species);
  const protocol = protocolOfCross(cross);
  const kept = cross.storage ? pollenAge(cross, parents.father, today) : 0;
  const vigour = cross.storage ? pollenLeft(kept, species.pollenLife[cross.storage]) : { low: 1, likely: 1, high: 1 };
  const prior = betaOfRange({
    low: Math.max(LEAST, cross.setLow * vigour.low),
    high: Math.max(LEAST * 2, cross.setHigh * vigour.high),
  });
  const { own: lessonsOfIt, others } = lessons(cross, protocol, own);
  const { rate, from } = learn(prior, lessonsOfIt, others);
  const toDo = flowersToDo(cross.fruitsWanted, done, rate, cross.confidence);
  const mother = parents.mother.window;
  const frost = climate.frosts && nextFrost(mother.start, climate.frosts.first.day);
  const lead = leadDays(protocol);
  const span = pollenSpan(cross, cross.species, parents.father);
  const last = lastDayToCover(mother.female, span, frost, species.daysToRipe, today, lead);
  const likely = addDays(mother.female.start > span.start ? mother.female.start : span.start, -lead);
  // Flowers are chosen one by one as they come; an ear, a head or a group is covered before the first of it opens.
  const begins = protocol.unit === "flower" ? likely : addDays(mother.female.earliest, -lead);
  const over = cross.overOn ?? overSince(parents, span, last, lead);
  const isOver = over !== null && over <= today;
  const left = last ? daysBetween(today > likely ? today : likely, last.day) + 1 : 0;
  const evenings =
    today >= begins && last && last.daysLeft >= 0 && !isOver
      ? tonight(toDo.likely, left, cross.perEvening, last.day)
      : null;
  const { id, name, unit } = protocol;
  return {
    cross: summaryOf(cross),
    method: { id, name, unit },
    petals: species.petals,
    tally: done,
    rate,
    learned: from,
    toDo,
    last,
    evenings: cross.closed ? null : evenings,
    eveningsLeft: isOver ? 0 : Math.max(0, left),
    opens: today < begins && last && last.daysLeft >= 0 && !isOver && !cross.closed ? begins : null,
    over: isOver ? over : null,
  };
}

/** Days that kept pollen has been in store; before it is gathered, the days from the father's last to today. */
function pollenAge(cross: CrossRow, father: ForecastStand, today: Day): number {
  const since = cross.storedOn ?? father.window.male.end;
  return Math.max(0, daysBetween(since, today));
}

/** Flowers as the engine of steps takes them; the moment of pollination matters on its own day only. */
export function onDay(flowers: FlowerUnderWay[], today: Day, timezone: string): FlowerOnDay[] {
  return flowers.map((f) =>
    asFlowerOnDay(f, f.lastPass === today && f.pollinatedAt ? momentOf(today, f.pollinatedAt, timezone) : null),
  );
}
