import { oneIn, rangeInWords } from "@/core/isolation/verdict";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import { Table } from "@/ui/Table";
import type { Ground } from "@/views/ground";

const LEVELS = {
  within: { mark: "●", words: "within what you take", tone: "text-moss" },
  perhaps: { mark: "◐", words: "perhaps over", tone: "text-quince" },
  over: { mark: "○", words: "over what you take", tone: "font-bold text-rust" },
} as const;

const MOST = 25;

/** Every line for seed with what reaches it, the worst against its limit first. */
export function LinesForSeed({ judged, season, stands }: Ground) {
  const trays = stands.filter((s) => s.bedId === null && s.seedWanted === 1).length;
  if (judged.length === 0) return null;
  const shown = judged.slice(0, MOST);
  return (
    <section className="mt-8" aria-label="Every line for seed">
      <h2>Every line for seed</h2>
      <Table heads={["Line", "Strange fathers, likely", "Range", "Most from", "Rule of thumb"]} wide={["Range"]}>
        {shown.map((j) => (
          <tr key={j.standId}>
            <td>
              <Link href={`/ground?season=${season}&stand=${j.code}`}>{j.name}</Link>
            </td>
            <td className={LEVELS[j.level].tone}>
              <span aria-hidden>{LEVELS[j.level].mark} </span>
              {j.bySource.length ? oneIn(j.likely) : "nothing meets it"}
              <span className="sr-only">, {LEVELS[j.level].words}</span>
            </td>
            <td className="text-sm text-soft max-sm:hidden">{j.bySource.length ? rangeInWords(j) : ""}</td>
            <td>{j.bySource[0]?.name ?? ""}</td>
            <td>{j.thumb ? (j.thumb.met ? "kept" : "not kept") : ""}</td>
          </tr>
        ))}
      </Table>
      <p className="mt-2 text-sm text-soft">
        ● within what you take, ◐ perhaps over it, up to 5 times in 10, ○ over it.
        {judged.length > MOST
          ? ` ${judged.length - MOST} lines that take less are not listed; choose their beds on the map.`
          : ""}
        {trays > 0 ? ` ${plural(trays, "stand")} in trays not counted.` : ""}
      </p>
    </section>
  );
}
