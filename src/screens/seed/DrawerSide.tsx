import { dayInWords } from "@/core/calendar/day";
import { timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { figure } from "@/core/writing/numbers";
import Link from "@/ui/Link";
import type { DyingLot } from "@/views/drawer";
import type { Regrow } from "@/views/regrow";
import type { Seed } from "@/views/seed";
import { SowNext } from "../common/SowNext";
import { LIFE_TONES } from "../common/seedNames";
import { inHundred, linesFromIt, rangeInHundred } from "../common/words";
import { LifeLine } from "./LifeLine";
import { SetTest } from "./TestForms";

/** What the drawer's headline says: the worst first. */
function headline({ regrow, regrowMore, states, total }: Seed): string {
  if (total === 0) return "The drawer is empty";
  const lines = regrow.filter(({ why }) => why === "old").length + regrowMore;
  if (lines > 0)
    return `${plural(lines, "line")} to grow again before ${lines === 1 ? "its seed dies" : "their seed dies"}`;
  const failing = states.failing + states.dead;
  return failing > 0 ? `${plural(failing, "lot")} under your limit; all their lines live elsewhere` : "Every lot keeps";
}

/** What rests on a line, and what waiting a year costs. */
function stakeInWords({ stake, rests, plants }: Regrow): string {
  const from = timesInTen(stake.now);
  const to = timesInTen(stake.later);
  const cost = from === to ? `${from} either way` : `${from} this year, ${to} the next`;
  return `${plural(plants, "plant")} come of it ${cost}.${rests > 0 ? ` ${linesFromIt(rests)}` : ""}`;
}

function Dying({ lot, regrow, limit }: { lot: DyingLot; regrow: Regrow; limit: number }) {
  const { life, now, curve } = lot;
  const tests = curve.tests.length;
  return (
    <li className="py-3">
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <Link href={`/seed/${lot.code}`} className="font-semibold">
          {lot.name}, {lot.gathered.slice(0, 4)}
        </Link>
        <span className={`font-bold ${LIFE_TONES[life.state]}`}>
          {regrow.why === "next"
            ? "the next generation"
            : `${life.state === "regrow" ? "this year" : life.state === "keeps" ? "soon" : "under your limit"}${lot.last ? ", its last lot" : ""}`}
        </span>
      </div>
      <LifeLine
        curve={curve}
        limit={limit}
        tone={LIFE_TONES[life.state]}
        label={`${lot.name}: ${inHundred(now.likely)} come up now, ${tests} tests`}
      />
      <p className="text-sm text-soft">
        {rangeInHundred(now)} come up; {tests > 0 ? plural(tests, "test") : "no test yet"}. {stakeInWords(regrow)}
        {regrow.sow !== null && ` Sow ${regrow.sow}${regrow.left === null ? "" : ` of ${regrow.left}`}.`}
      </p>
      <SowNext line={regrow.code} trigger="Plan sowing" plain />
    </li>
  );
}

/** The right page: which seed dies, what to test, and what the places cost. */
export function DrawerSide(view: Seed) {
  const { regrow, regrowMore, dying, tests, testsMore, spells, total, garden } = view;
  return (
    <>
      <p className="text-sm text-soft">The drawer, {plural(total, "lot")}</p>
      <h2 className="mb-2 text-2xl">{headline(view)}</h2>
      <ul className="rows border-y border-rule">
        {dying.map((lot, i) => (
          <Dying key={lot.id} lot={lot} regrow={regrow[i]!} limit={garden.aliveWanted} />
        ))}
      </ul>
      {dying.length > 0 && (
        <p className="mt-2 text-sm text-soft">
          Dotted: the {inHundred(garden.aliveWanted)} you want. Dots: your own tests. Upright: today. Shaded: nine
          chances in ten; an estimate, no promise.
        </p>
      )}
      <p className="mt-3 flex flex-wrap gap-3">
        <Link href="/seed/drawer" className="leaf leaf-strong">
          {regrowMore > 0 ? `${regrowMore} more, and the whole drawer` : "The whole drawer"}
        </Link>
        <Link href="/seed/sharing" className="leaf">
          Share seed
        </Link>
      </p>
      {tests.length > 0 && (
        <section className="mt-7">
          <h3>A test would tell most of these</h3>
          <ul className="rows mt-1 border-y border-rule">
            {tests.map((test) => (
              <li key={test.id} className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-3 py-2">
                <span>
                  <Link href={`/seed/${test.code}`} className="font-semibold">
                    {test.name}
                  </Link>
                  <span className="block text-sm text-soft">
                    {plural(test.seeds, "seed")} tell it to within {Math.round(test.half * 100)} in 100
                    {test.precious && "; more would cost too much of it"}
                  </span>
                </span>
                <SetTest lotId={test.id} code={test.code} seeds={test.seeds} wake={test.wake} />
              </li>
            ))}
          </ul>
          {testsMore > 0 && <p className="mt-1 text-sm text-soft">and {testsMore} more in the drawer.</p>}
        </section>
      )}
      {spells.map(({ id, name, species, spell }) => (
        <p key={`${id} ${spell.from}`} className="mt-5 border-l-4 border-quince pl-3 text-sm">
          <strong>{name}</strong> lay warm or damp for {plural(spell.days, "day")} from {dayInWords(spell.from)}, up to{" "}
          {figure(spell.worst.temperature)} °C and {Math.round(spell.worst.humidity * 100)} % humidity. That cost{" "}
          {species.toLowerCase()} seed there {plural(Math.max(1, Math.round(spell.cost)), "day")} of its life.
        </p>
      ))}
    </>
  );
}
