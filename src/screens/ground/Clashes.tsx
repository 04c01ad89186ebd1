import Link from "next/link";
import { lengthInWords, type Units } from "@/core/units/units";
import { CommandButton } from "@/ui/CommandButton";
import type { ClashView, Ground } from "@/views/ground";
import { plural } from "../common/words";

type Props = {
  clashes: ClashView[];
  stand: Ground["stands"][number] | null;
  any: boolean;
  units: Units;
  season: string;
};

const headline = ({ clashes, stand, season }: Props) => {
  if (clashes.length === 0) return stand ? "Nothing near crosses into it" : "Nothing here crosses unasked";
  return stand
    ? `${plural(clashes.length, "neighbour")} may father its seed, or it theirs`
    : `${plural(clashes.length, "unwanted crossing")} possible in ${season}`;
};

/** Where strange pollen may come from, with the ways out. */
export function Clashes(props: Props) {
  const { clashes, any, units } = props;
  return (
    <section aria-label="Isolation">
      <h2 className={props.stand ? "text-xl" : "text-2xl"}>{headline(props)}</h2>
      <p className="mt-2 text-sm text-soft">
        {any
          ? "By the rule of thumb: same crossing group, flowering on common days, nearer than the distance for your level of care. It says whether, not how much."
          : "Sow stands into beds, and those that could cross are listed here with the ways out."}
      </p>
      {clashes.map((clash, i) => (
        <article key={clash.key} className="mt-6 border-t border-ink pt-3">
          <h3>
            <Link href={`/ground?stand=${clash.standId}`}>{clash.standName}</Link> from{" "}
            <Link href={`/ground?stand=${clash.sourceId}`}>{clash.sourceName}</Link>
          </h3>
          <p className="mt-1 text-sm">{clash.words}</p>
          <p className="mt-1 text-sm text-soft">
            {lengthInWords(clash.metres, units)} of {lengthInWords(clash.wanted, units)}
          </p>
          <details open={i === 0} className="mt-2">
            <summary className="cursor-pointer font-semibold text-damson">Ways out</summary>
            <ul className="rows mt-2 border-y border-rule">
              {clash.remedies.map((remedy) => (
                <li key={remedy.title} className="flex items-center justify-between gap-3 py-2">
                  <span>
                    <span className="font-semibold">{remedy.title}</span>
                    <span className="block text-sm text-soft">
                      {remedy.cost}. Remains: {remedy.remains}.
                    </span>
                  </span>
                  {remedy.feasible ? (
                    <CommandButton command="stand.remedy" input={remedy.change} label={`Apply: ${remedy.title}`}>
                      Apply
                    </CommandButton>
                  ) : (
                    <span className="shrink-0 text-sm text-rust">not enough</span>
                  )}
                </li>
              ))}
            </ul>
          </details>
        </article>
      ))}
    </section>
  );
}
