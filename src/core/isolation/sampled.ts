import { ONE_IN_TWENTY } from "../numbers/normal";
import { type Days, dailyWeights } from "./contamination";
import { columnOf, DRAWS } from "./draws";
import { type Emitter, promiseLeaves } from "./emitter";
import type { Meeting, Pair } from "./meeting";
import { drawnSums } from "./spread";

/** Days of a long flowering are passed over, so that about this many are reckoned. */
const DAYS_RECKONED = 12;

/** Columns of what a whole garden shares. */
const SCALE = -1;
const OUTCROSSING = -2;
/** Each stand and source has three columns of its own: its flowering, its presence, its promise. */
const OWN_COLUMNS = 3;

type Shedding = {
  /** Its strength in every draw, all but the day's weight. */
  strength: Float64Array;
  male: Days;
  weights: Float64Array;
  /** Days by which its flowering errs in every draw. */
  errs: Float64Array;
};

const erring = new Map<number, Float64Array>();

/** Days by which a flowering errs in every draw; kept, as the same come up again and again. */
function errors(column: number, doubt: number): Float64Array {
  // Doubts are halves of days.
  const key = column * 1000 + Math.min(499, doubt) * 2;
  const known = erring.get(key);
  if (known) return known;
  const made = columnOf(column * OWN_COLUMNS).normal.map((deviation) => (deviation * doubt) / ONE_IN_TWENTY);
  erring.set(key, made);
  return made;
}

/** Plants that shed in every draw: there or not, and as many as a promise leaves. */
function plantsDrawn({ plants, presence, agreed, column }: Emitter): (draw: number) => number {
  if (presence >= 1 && !agreed) return () => plants;
  const there = columnOf(column * OWN_COLUMNS + 1).even;
  const promise = columnOf(column * OWN_COLUMNS + 2).even;
  return (draw) => (there[draw]! < presence ? plants * (agreed ? promiseLeaves(promise[draw]!) : 1) : 0);
}

function shedding({ emitter, way, factor }: Pair, { kernel }: Meeting, draws: number): Shedding {
  const plants = plantsDrawn(emitter);
  return {
    strength: drawnSums(way.spread, kernel, columnOf(SCALE).normal)
      .subarray(0, draws)
      .map((sum, draw) => plants(draw) * factor * sum),
    male: emitter.male,
    weights: dailyWeights(emitter.male.end - emitter.male.start + 1),
    errs: errors(emitter.column, emitter.doubt),
  };
}

/**
 * Adds what is shed in a draw on the reckoned days, every `step`th from the window's day `at`, which may lie before it.
 * Whole numbers and plain arrays: this is where the time of a recalculation goes.
 */
function add(into: Float64Array, weights: Float64Array, at: number, step: number, strength: number): void {
  const from = at < 0 ? ((step - 1 - at) / step) | 0 : 0;
  const end = Math.min(into.length, (((weights.length - 1 - at) / step) | 0) + 1);
  for (let i = from, day = (at + from * step) | 0; i < end; i++, day += step) into[i]! += strength * weights[day]!;
}

function addAll(into: Float64Array, sheds: Shedding[], first: number, step: number, draw: number, moved: number): void {
  for (let i = 0; i < sheds.length; i++) {
    const { strength, weights, male, errs } = sheds[i]!;
    const all = strength[draw]!;
    const at = (first - male.start - Math.round(errs[draw]! - moved)) | 0;
    if (all > 0 && at < weights.length) add(into, weights, at, step, all);
  }
}

/**
 * The shares that strangers father in as many gardens as are drawn: the reach of pollen, the outcrossing share, every
 * flowering, every source's being there and every promise each drawn from what is known of it.
 *
 * Windows err by a normal number of days, nine tenths of them within their doubt; the reach is log-normal with nine
 * tenths in its range; outcrossing is even over its range.
 * @param enough so many draws above the limit and it is settled: the rest is left out
 * @param draws how many gardens are drawn, DRAWS at the most
 * @returns a share for each draw, in the order of the draws
 * @example drawnShares({ stand: stand(1), column: 0, kin: [], strangers: [], female: { start: 1, end: 9 }, ownMale: {
 *   start: 1, end: 9 }, doubt: 0, own: { squared: [0], weight: [1], known: new WeakMap() }, kernel: { scale: 5, low: 3, high:
 *   10, shape: 1.1 } }, 1)[0] // 0
 */
export function drawnShares(meeting: Meeting, limit: number, enough = DRAWS, draws = DRAWS): Float64Array {
  const { stand, column, female, ownMale, kernel } = meeting;
  const length = female.end - female.start + 1;
  const step = Math.max(1, Math.floor(length / DAYS_RECKONED));
  const days = Math.floor((length - 1) / step) + 1;
  const first = female.start + Math.floor((length - 1 - (days - 1) * step) / 2);
  const humps = dailyWeights(length);
  const weights = Float64Array.from({ length: days }, (_, i) => humps[first - female.start + i * step]!);
  const itself = {
    strength: drawnSums(meeting.own, kernel, columnOf(SCALE).normal),
    weights: dailyWeights(ownMale.end - ownMale.start + 1),
  };
  const kin = meeting.kin.map((pair) => shedding(pair, meeting, draws));
  const strangers = meeting.strangers.map((pair) => shedding(pair, meeting, draws));
  const moved = errors(column, meeting.doubt);
  const crosses = columnOf(OUTCROSSING).even;
  const { low, high } = stand.species.outcrossing;
  const [strange, ours] = [new Float64Array(days), new Float64Array(days)];
  const shares = new Float64Array(draws);
  let over = 0;
  for (let draw = 0; draw < draws; draw++) {
    strange.fill(0);
    ours.fill(0);
    addAll(strange, strangers, first, step, draw, moved[draw]!);
    addAll(ours, kin, first, step, draw, moved[draw]!);
    add(ours, itself.weights, first - ownMale.start, step, itself.strength[draw]!);
    let foreign = 0;
    let pollinated = 0;
    for (let i = 0; i < days; i++) {
      const all = strange[i]! + ours[i]!;
      if (all > 0) {
        pollinated += weights[i]!;
        foreign += (weights[i]! * strange[i]!) / all;
      }
    }
    const share = pollinated === 0 ? 0 : ((low + (high - low) * crosses[draw]!) * foreign) / pollinated;
    shares[draw] = share;
    if (share > limit && ++over >= enough) return shares.subarray(0, draw + 1);
  }
  return shares;
}

/** The share of draws above a limit. @example shareOver([0.1, 0.3], 0.2) // 0.5 */
export function shareOver(shares: ArrayLike<number>, limit: number): number {
  let over = 0;
  for (let i = 0; i < shares.length; i++) if (shares[i]! > limit) over++;
  return over / shares.length;
}
