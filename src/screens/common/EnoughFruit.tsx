import { dayInWords } from "@/core/calendar/day";
import { timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import { Enough } from "@/ui/Enough";
import { Further } from "@/ui/Further";
import type { CrossState } from "@/views/pollination";
import { CommandButton } from "./command";
import { FlowersFigure } from "./figures";

/** What a set rate rests on, in flowers. */
const restsOn = (learned: CrossState["learned"]) =>
  `rests on ${learned
    .filter(({ flowers }) => flowers >= 0.5)
    .map(({ what, flowers }) => `${what} (as ${plural(Math.round(flowers), "flower")})`)
    .join(", ")}`;

/** Tonight's share, and from when on it can't be reached any more. */
function Evenings({ evenings, state }: { evenings: CrossState["evenings"]; state: CrossState }) {
  if (!evenings || evenings.tonight === 0) return null;
  const each = state.cross.perEvening;
  return (
    <strong>
      Do {evenings.tonight} tonight
      {evenings.beginBy
        ? `; begun after ${dayInWords(evenings.beginBy)} it can't be reached at ${each} an evening.`
        : `, all that ${each} an evening allow: only ${evenings.possible} can still be done. Do more each evening, or accept fewer fruits.`}
    </strong>
  );
}

/** What is to be done with fruit that is enough: what is in needs nothing more here. */
function fruitInWords({ set, harvested }: CrossState["tally"]): string {
  if (harvested === 0) return "Enough have set. Bring them in ripe.";
  if (harvested === set) return "Enough have set, and all are in.";
  return `Enough have set: ${harvested} are in, ${set - harvested} still to bring in ripe.`;
}

const chance = (share: number) => `${Math.round(share * 100)} chances in 100`;

/** How a cross's flowers stand against what is wanted, with the gap in words and the ways to close it. */
export function EnoughFruit({ state }: { state: CrossState }) {
  const { cross, tally, rate, toDo, last, evenings, opens, learned, method } = state;
  const reached = tally.set >= cross.fruitsWanted;
  const possible = tally.set + tally.waiting + tally.covered;
  const missing = Math.max(0, cross.fruitsWanted - possible);
  return (
    <div>
      <Enough have={tally.set} waiting={tally.waiting + tally.covered} need={cross.fruitsWanted}>
        <strong>
          {tally.set} set, {tally.waiting + tally.covered} waiting, {cross.fruitsWanted} wanted.
        </strong>{" "}
        {tally.doubtful > 0 && `${tally.doubtful} in doubt are not counted. `}
        {reached ? (
          fruitInWords(tally)
        ) : toDo.likely === 0 ? (
          <>What waits should do: {chance(toDo.chanceNow)}. </>
        ) : last && last.daysLeft >= 0 ? (
          <>
            {opens ? `Both flower from about ${dayInWords(opens)}. Then do` : "Do"}{" "}
            <FlowersFigure
              likely={toDo.likely}
              asked={{ wanted: cross.fruitsWanted, done: tally, rate, confidence: cross.confidence }}
            />{" "}
            {opens ? "" : "more "}({toDo.fewest}–{toDo.most}) by {dayInWords(last.day)}.{" "}
            <Evenings evenings={evenings} state={state} />
            {last.reason === "frost" && " After that the seed does not ripen before frost."}
          </>
        ) : (
          <>
            {last ? `The last useful evening was ${dayInWords(last.day)}` : "The flowerings do not meet"}
            {state.over ? "." : ", by the forecast alone: look whether both still flower."}{" "}
            {missing > 0 ? `Missing: ${missing}, if all that waits sets.` : "Enough waits, if all of it sets."}
          </>
        )}
      </Enough>
      {!reached && !cross.closed && possible > 0 && possible < cross.fruitsWanted && (
        <div className="mt-3">
          <CommandButton
            command="cross.adjust"
            input={{ id: cross.id, version: cross.version, fruitsWanted: possible, closed: 0 }}
          >
            Accept {plural(possible, "fruit")}
          </CommandButton>
        </div>
      )}
      <Further of="How it is reckoned">
        <dl className="rows mt-2 border-y border-rule text-sm">
          {[
            [
              "Set rate",
              `${fixed(rate.likely, 2)} (${fixed(rate.low, 2)}–${fixed(rate.high, 2)})`,
              `nine tenths of it lies in that range; ${restsOn(learned)}`,
            ],
            ["How sure it is to be", chance(cross.confidence), "the range is that of the set rate"],
            ["Enough with what waits now", timesInTen(toDo.chanceNow), "with the doubt about the set rate counted in"],
            ["Lost so far", String(tally.lost), "your record"],
            ["Method", method.name, cross.storage ? "with stored pollen" : "fresh pollen"],
            [
              "Evenings left",
              String(state.eveningsLeft),
              last ? `both in flower to ${dayInWords(last.day)}, forecast` : "forecast",
            ],
          ].map(([term, value, source]) => (
            <div key={term} className="flex justify-between gap-4 py-2">
              <dt>
                {term}
                <span className="block text-soft">{source}</span>
              </dt>
              <dd className="font-bold">{value}</dd>
            </div>
          ))}
        </dl>
      </Further>
    </div>
  );
}
