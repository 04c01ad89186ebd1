import { oneIn, rangeInWords } from "@/core/isolation/verdict";
import type { SeenRemedy } from "@/views/ground";
import { CommandButton } from "../common/command";
import { plural } from "../common/words";
import { ShiftCurve } from "./ShiftCurve";

const costOf = ({ cost, note }: SeenRemedy): string =>
  [
    cost.visits ? `about ${plural(cost.visits, "visit")}` : "",
    cost.plants ? plural(cost.plants, "plant") : "",
    cost.days >= 365 ? "a year" : "",
    note,
  ]
    .filter(Boolean)
    .join("; ") || "nothing to speak of";

/** The ways out, computed: what each leaves, what it costs, whether it is enough. */
export function WaysOut({ remedies, limit, season }: { remedies: SeenRemedy[]; limit: number; season: number }) {
  if (remedies.length === 0) return null;
  const can = remedies.filter((r) => r.feasible);
  const cannot = remedies.filter((r) => !r.feasible);
  return (
    <section className="mt-6" aria-label="Ways out">
      <h3>Ways out</h3>
      <ul className="rows mt-1 border-y border-rule">
        {can.map((remedy) => (
          <li key={remedy.key} className="py-2">
            <div className="flex items-center justify-between gap-3">
              <span>
                <span className="font-semibold">{remedy.title}</span>
                <span className="block text-sm text-soft">Costs {costOf(remedy)}.</span>
                <span className={`block text-sm ${remedy.enough ? "text-moss" : "text-quince"}`}>
                  Leaves {remedy.after.likely === 0 ? "none" : oneIn(remedy.after.likely)}
                  {remedy.after.high > 0 ? ` (${rangeInWords(remedy.after)})` : ""}:{" "}
                  {remedy.enough ? "enough" : "helps, not enough alone"}
                </span>
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
      {cannot.length > 0 && (
        <details className="mt-2 text-sm">
          <summary className="cursor-pointer text-soft">{plural(cannot.length, "way")} closed now</summary>
          <ul className="mt-1">
            {cannot.map((remedy) => (
              <li key={remedy.key} className="py-1 text-soft">
                {remedy.title}: {remedy.why}.
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
