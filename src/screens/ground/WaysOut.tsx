"use client";
import { oneIn } from "@/core/isolation/verdict";
import { plural } from "@/core/units/plural";
import { Further } from "@/ui/Further";
import { useJobResult } from "@/ui/useJob";
import type { Ground } from "@/views/ground";
import type { SeenRemedy, WaysOut as Ways } from "@/views/waysOut";
import { CommandButton } from "../common/command";
import { spanInWords } from "../common/words";
import { ShiftCurve } from "./charts";

/** So many ways stand open; the rest is behind a press. */
const FIRST = 3;

const costOf = ({ cost, note }: SeenRemedy): string =>
  [
    cost.visits ? `about ${plural(cost.visits, "visit")}` : "",
    cost.plants ? plural(cost.plants, "plant") : "",
    cost.days >= 365 ? "a year" : "",
    note,
  ]
    .filter(Boolean)
    .join("; ") || "nothing to speak of";

/** What the ways out are asked with, and the journal's head, which says when to ask anew. */
type Asking = { ask: NonNullable<Ground["askWays"]>; head: Ground["head"] };

const useWays = ({ ask, head }: Asking) => useJobResult<Ways>("/api/jobs/ground.ways-out", ask, head);

/** What could cross with the stand, but flowers at another time. */
export function Apart(asking: Asking) {
  const { result } = useWays(asking);
  if (!result?.apart.length) return null;
  return (
    <p className="mt-2 text-sm text-soft">
      Crosses with it too, but flowers at another time:{" "}
      {result.apart.map((a) => `${a.name} (${spanInWords(a.start, a.end)})`).join("; ")}.
    </p>
  );
}

/** The ways out, computed: what each leaves, what it costs, whether it is enough. */
export function WaysOut({ limit, season, ...asking }: Asking & { limit: number; season: number }) {
  const { result, trouble } = useWays(asking);
  if (trouble)
    return (
      <p role="alert" className="mt-6 text-rust">
        The ways out could not be reckoned: {trouble}
      </p>
    );
  if (!result)
    return (
      <p role="status" className="mt-6 text-soft">
        Reckoning the ways out …
      </p>
    );
  const { remedies } = result;
  if (remedies.length === 0) return null;
  const can = remedies.filter((r) => r.feasible);
  const [first, others] = [can.slice(0, FIRST), can.slice(FIRST)];
  const cannot = remedies.filter((r) => !r.feasible);
  return (
    <section className="mt-6" aria-label="Ways out">
      <h3>Ways out</h3>
      <List remedies={first} season={season} limit={limit} />
      {others.length + cannot.length > 0 && (
        <Further of={others.length > 0 ? `${plural(others.length, "more way")}` : "Closed now"}>
          <List remedies={others} season={season} limit={limit} />
          <ul className="mt-2 text-sm">
            {cannot.map((remedy) => (
              <li key={remedy.key} className="py-1 text-soft">
                {remedy.title}: {remedy.why}.
              </li>
            ))}
          </ul>
        </Further>
      )}
    </section>
  );
}

/** What a way leaves: the likely share, and the most that it may be. */
const leavesInWords = ({ after: { likely, high }, enough }: SeenRemedy): string =>
  `Leaves ${likely === 0 ? "none" : oneIn(likely)}${high > likely ? `, at most ${oneIn(high)}` : ""}: ${enough ? "enough" : "helps, not enough alone"}`;

function List({ remedies, season, limit }: { remedies: SeenRemedy[]; season: number; limit: number }) {
  if (remedies.length === 0) return null;
  return (
    <ul className="rows mt-1 border-y border-rule">
      {remedies.map((remedy) => (
        <li key={remedy.key} className="py-2">
          <div className="flex items-center justify-between gap-3">
            <span>
              <span className="font-semibold">{remedy.title}</span>
              <span className={`block text-sm ${remedy.enough ? "text-moss" : "text-quince"}`}>
                {leavesInWords(remedy)}
              </span>
              <span className="block text-sm text-soft">Costs {costOf(remedy)}.</span>
            </span>
            <CommandButton
              command="stand.remedy"
              input={{ season, changes: remedy.changes }}
              label={`Apply: ${remedy.title}`}
            >
              Apply
            </CommandButton>
          </div>
          {remedy.curve && <ShiftCurve curve={remedy.curve} limit={limit} />}
        </li>
      ))}
    </ul>
  );
}
