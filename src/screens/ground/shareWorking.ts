import { contamination } from "@/core/isolation/contamination";
import { oneIn } from "@/core/isolation/verdict";
import type { WorkingParts } from "@/ui/OpenWorking";
import type { Judged } from "@/views/ground";

export type ShareAsked = { source: Judged["bySource"][number]; stand: Judged["stand"] };

const round = (n: number) => Number(n.toPrecision(3));

/** The share that one source fathers, standing alone. */
export function shareWorking({ source, stand }: ShareAsked): WorkingParts {
  const { way } = source;
  const { kernel, outcrossing } = stand;
  return {
    title: `What share does ${source.name} father?`,
    method:
      "Pollen thins with distance as (1 + (d/a)²)^−b, summed over where plants stand, and is shed over its days as a hump. Each day strange pollen counts against the stand's own; the mean over its open days, times the share that takes pollen of others. Here this source stands alone; the figure on the page counts all together. A model with working values: an order of magnitude.",
    inputs: [
      {
        key: "plants",
        label: "Plants that shed there",
        value: round(source.sheds),
        low: round(source.sheds / 2),
        high: round(source.sheds * 2),
        min: 0,
        max: 1e8,
        step: 1,
        source: "as entered, odds and covers counted",
      },
      {
        key: "distance",
        label: "Distance, as all ways between both beds together (m)",
        value: round(way.as),
        min: 0,
        max: 1e6,
        step: 1,
        source: "from the ground, every way counted",
      },
      {
        key: "between",
        label: "Share that passes what lies between",
        value: round(way.barrier * way.wind),
        low: round((way.barrier * way.wind) / 2),
        high: round(Math.min(2, way.barrier * way.wind * 1.5)),
        min: 0,
        max: 2,
        step: 0.05,
        source: "barriers and wind, working values",
      },
      {
        key: "own",
        label: "Plants of its own",
        value: Math.max(1, stand.plants),
        min: 1,
        max: 1e6,
        step: 1,
        source: "your record",
      },
      {
        key: "outcrossing",
        label: "Share that takes pollen of others",
        value: round((outcrossing.low + outcrossing.high) / 2),
        low: outcrossing.low,
        high: outcrossing.high,
        min: 0,
        max: 1,
        step: 0.01,
        source: "catalogue range",
      },
      {
        key: "scale",
        label: "Reach of pollen, a (m)",
        value: kernel.scale,
        low: kernel.low,
        high: kernel.high,
        min: 0.1,
        max: 1000,
        step: 0.5,
        source: kernel.learned ? "your own counts of off-types, and a working value" : "working value for its carrier",
      },
    ],
    compute: (v) => {
      const { contamination: number } = contamination({
        receptor: {
          plants: v.own!,
          outcrossing: v.outcrossing!,
          spacing: stand.spacing,
          female: stand.female,
          male: stand.male,
        },
        sources: [{ plants: v.plants! * v.between!, male: source.male, distance: v.distance! }],
        kernel: { ...kernel, scale: v.scale! },
      });
      return { number, words: oneIn(number) };
    },
  };
}
