"use client";
import clsx from "clsx";
import { type CSSProperties, useState } from "react";
import { tagPolygon } from "@/core/custody/tagShape";
import { fixed } from "@/core/writing/numbers";
import Link from "@/ui/Link";
import { useJob } from "@/ui/useJob";
import type { KinView } from "@/views/kinship";
import type { PedigreeNode, PedigreeView } from "@/views/pedigree";
import { inHundred } from "../common/words";

/** Pixels that a sheet of paper is wide between its margins and the page's. */
const PAPER = 620;

const STROKES = { sure: undefined, maybe: "2 4", open: "7 4" } as const;

/** A line through the points of the layout, bent at them. */
function pathOf(points: { x: number; y: number }[]): string {
  const [first, ...rest] = points;
  const last = rest.at(-1)!;
  const middles = rest.slice(0, -1).map((point, i) => {
    const next = rest[i + 1]!;
    const to = i === rest.length - 2 ? last : { x: (point.x + next.x) / 2, y: (point.y + next.y) / 2 };
    return `Q${point.x},${point.y} ${to.x},${to.y}`;
  });
  return `M${first!.x},${first!.y} ${middles.length > 0 ? middles.join(" ") : `L${last.x},${last.y}`}`;
}

/** Where something comes from: its forebears above it, each as the label that hangs on it; two that are pressed tell how they are kin. */
type Props = {
  pedigree: PedigreeView;
  /** Drawn without folding. */
  whole: boolean;
  /** The address of the page it stands on, and of the file of it. */
  here: string;
  file: string;
};

export function Pedigree({ pedigree, whole, here, file }: Props) {
  const { nodes, links, width, height, folded, size } = pedigree;
  const [chosen, setChosen] = useState<PedigreeNode[]>([]);
  const [plants, setPlants] = useState<(number | null)[]>([null, null]);
  const [kin, setKin] = useState<KinView | string | null>(null);
  const { run, progress } = useJob<KinView>("/api/jobs/lines.kin");
  if (nodes.length < 2) return null;
  const press = async (node: PedigreeNode) => {
    if (chosen.length === 1 && chosen[0]!.id === node.id) return setChosen([]);
    const next = chosen.length === 1 ? [chosen[0]!, node] : [node];
    setChosen(next);
    setKin(null);
    if (next.length === 2) await ask(next, [null, null]);
  };
  const ask = async ([one, other]: PedigreeNode[], numbers: (number | null)[]) => {
    setPlants(numbers);
    const [oneNumber, otherNumber] = numbers;
    const end = await run({ oneId: one!.standId!, otherId: other!.standId!, oneNumber, otherNumber });
    if (end) setKin(end.ok ? end.result : end.message);
  };
  return (
    <section className="mt-8" aria-label="Where it comes from">
      <h3>Where it comes from</h3>
      <p className="text-sm text-soft">
        Press two to see how they are kin. Dashed: pollen nobody chose; dotted: not sure. F is how inbred a plant is
        expected to be, 0 to 1; pollen nobody chose is taken from the mother, her stand and strangers, as was foreseen.
      </p>
      <div className="mt-2 overflow-x-auto pb-2">
        {/* Paper is narrower than the page: there it is drawn smaller. */}
        <div
          className="relative print:[zoom:var(--on-paper)]"
          style={{ width, height, "--on-paper": Math.min(1, PAPER / width) } as CSSProperties}
        >
          <svg width={width} height={height} className="absolute inset-0" aria-hidden="true">
            {links.map(({ points, how, role }, i) => (
              <path
                // biome-ignore lint/suspicious/noArrayIndexKey: a line is nothing but where it runs
                key={i}
                d={pathOf(points)}
                fill="none"
                stroke={role === "father" || how === "open" ? "var(--dusk)" : "var(--ink)"}
                strokeWidth="1.4"
                strokeDasharray={STROKES[how]}
              />
            ))}
          </svg>
          {links.map(({ points, label }, i) =>
            label ? (
              <span
                // biome-ignore lint/suspicious/noArrayIndexKey: as above
                key={i}
                className="-translate-x-1/2 -translate-y-1/2 absolute whitespace-nowrap bg-paper px-0.5 text-soft text-xs"
                style={{
                  left: points[Math.floor(points.length / 2)]!.x,
                  top: points[Math.floor(points.length / 2)]!.y,
                }}
              >
                {label}
              </span>
            ) : null,
          )}
          {nodes.map((node) => (
            <Node
              key={node.id}
              node={node}
              size={size}
              pressed={chosen.some(({ id }) => id === node.id)}
              onPress={node.standId ? () => void press(node) : undefined}
            />
          ))}
        </div>
      </div>
      <p className="flex flex-wrap gap-x-5 text-sm print:hidden">
        {(folded > 0 || whole) && (
          <Link href={whole ? here : `${here}?whole=1`} scroll={false} className="underline">
            {whole ? "Fold what is alike" : `Draw all, ${folded} more`}
          </Link>
        )}
        <a href={file} className="underline">
          As CSV
        </a>
      </p>
      <div role="status" className="mt-2 max-w-prose">
        {chosen.length === 1 && (
          <p>
            <strong>{chosen[0]!.title}</strong>, and which other?{" "}
            {chosen[0]!.href && (
              <Link href={chosen[0]!.href} className="underline">
                Open it
              </Link>
            )}
          </p>
        )}
        {chosen.length === 2 && kin === null && progress && <p className="text-soft">Following their forebears…</p>}
        {chosen.length === 2 && kin !== null && (
          <Kinship
            names={chosen.map(({ title }, i) => (plants[i] ? `${title} plant ${plants[i]}` : title))}
            kin={kin}
          />
        )}
      </div>
      {chosen.length === 2 && chosen.some(isFamily) && (
        <div className="mt-2 flex flex-wrap gap-x-6 gap-y-2 print:hidden">
          {chosen.map(
            (node, i) =>
              isFamily(node) && (
                // biome-ignore lint/suspicious/noArrayIndexKey: the first and the second pressed, which may be one
                <label key={i} className="grid gap-1 font-semibold text-sm">
                  Plant of {node.title}
                  <input
                    type="number"
                    min={1}
                    className="w-28"
                    placeholder="any"
                    value={plants[i] ?? ""}
                    onChange={({ target }) => {
                      const number = Math.round(Number(target.value)) || null;
                      void ask(
                        chosen,
                        plants.map((old, at) => (at === i ? number : old)),
                      );
                    }}
                  />
                </label>
              ),
          )}
        </div>
      )}
    </section>
  );
}

type NodeProps = { node: PedigreeNode; size: PedigreeView["size"]; pressed: boolean; onPress?: () => void };

function Node({ node, size, pressed, onPress }: NodeProps) {
  const { kind, title, under, href, x, y } = node;
  const shape = tagPolygon(kind === "folded" ? "family" : kind, size.height);
  const label = (
    <span className="block h-full w-full drop-shadow-[0_0_0.6px_var(--ink)]">
      <span className={clsx("block h-full p-px", kind === "folded" ? "bg-soft" : "bg-ink")} style={{ clipPath: shape }}>
        <span
          className={clsx(
            "flex h-full flex-col justify-center pr-5 pl-3 text-left text-ink leading-tight",
            pressed ? "bg-paper" : "bg-leaf",
          )}
          style={{ clipPath: shape }}
        >
          <span className="truncate font-bold text-sm">{title}</span>
          <span className="truncate text-soft text-xs">{under}</span>
        </span>
      </span>
    </span>
  );
  const place = { left: x - size.width / 2, top: y - size.height / 2, ...size };
  if (onPress)
    return (
      <button
        type="button"
        aria-pressed={pressed}
        title={title}
        onClick={onPress}
        className={clsx("absolute", pressed && "outline-2 outline-damson")}
        style={place}
      >
        {label}
      </button>
    );
  return href ? (
    <Link href={href} className="absolute no-underline" style={place} title={title}>
      {label}
    </Link>
  ) : (
    <span className="absolute" style={place}>
      {label}
    </span>
  );
}

const isFamily = ({ kind }: PedigreeNode) => kind === "family";

/** How two are kin, and by whom. */
function Kinship({ names, kin }: { names: string[]; kin: KinView | string }) {
  if (typeof kin === "string") return <p>{kin}</p>;
  if ("unknown" in kin) return <p>{kin.unknown}</p>;
  const both = names.join(" and ");
  if (kin.kinship === 0) return <p>Nothing on record makes {both} kin.</p>;
  return (
    <>
      <p>
        <strong>
          Kinship of {both}: {fixed(kin.kinship, 3)}.
        </strong>{" "}
        Of the genes of their offspring {inHundred(kin.kinship)} would be twice the same by descent.
      </p>
      <ul className="mt-1 list-disc pl-5 text-sm">
        {kin.paths.map(({ through, share }) => (
          <li key={through.join()}>
            {fixed(share, 3)} by {through.join(" – ")}
          </li>
        ))}
        {kin.rest > 0.0005 && <li>{fixed(kin.rest, 3)} by longer ways</li>}
      </ul>
    </>
  );
}
