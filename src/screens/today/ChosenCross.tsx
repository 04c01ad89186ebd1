import { generationName } from "@/core/custody/generation";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import type { CrossState } from "@/views/pollination";
import { parentsInWords, setInWords } from "../common/crossWords";
import { EnoughFruit } from "../common/EnoughFruit";
import { Tag } from "../common/Tag";

/** So many other crosses are named. */
const SHOWN = 12;

/** Crosses whose flowers can be done now, and the one that is asked for. */
export const inFlower = (open: CrossState[], asked: string | null): CrossState[] =>
  open.filter(({ evenings, cross }) => evenings !== null || cross.code === asked);

/** The open crosses, one of them with its working; the one that is soonest impossible stands first. */
export function ChosenCross({ open, asked }: { open: CrossState[]; asked: string | null }) {
  const urgency = (s: CrossState) => (s.toDo.likely === 0 ? 999 : (s.last?.daysLeft ?? 998));
  const sorted = [...open].sort((a, b) => urgency(a) - urgency(b));
  const state = sorted.find((s) => s.cross.code === asked) ?? sorted[0]!;
  const { cross } = state;
  const others = sorted.filter((s) => s !== state);
  return (
    <>
      <p className="text-sm font-semibold text-soft">
        {cross.lineName} {generationName(cross.generation, cross.backcrosses)} seed, {parentsInWords(cross)}
      </p>
      <h2 className="mb-3 text-2xl">Enough fruit set?</h2>
      <EnoughFruit state={state} />
      {sorted.length > 1 && (
        <ul className="mt-6 space-y-2" aria-label="Other open crosses">
          {others.slice(0, SHOWN).map((s) => (
            <li key={s.cross.id} className="flex items-center gap-3">
              <Tag kind="cross" code={s.cross.code} href={`/?cross=${s.cross.code}`} small />
              <span className="text-sm">
                {setInWords(s.tally.set, s.cross.fruitsWanted)}
                <span className="text-soft">
                  {s.toDo.likely > 0 ? `, ${plural(s.toDo.likely, s.method.unit)} to do` : ", enough under way"}
                </span>
              </span>
            </li>
          ))}
          {others.length > SHOWN && (
            <li>
              <Link href="/crosses" className="underline">
                {others.length - SHOWN} more
              </Link>
            </li>
          )}
        </ul>
      )}
    </>
  );
}
