import { Graph, layout } from "@dagrejs/dagre";
import type { Id } from "@/core/custody/id";
import { type Descends, foldPedigree, type Kinsman } from "@/core/pedigree/graph";
import { sampledPedigree } from "@/core/pedigree/pedigree";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import { plantCounts } from "@/records/line/descent";
import { type Drawn, drawnFrom, type PedigreeOf } from "./drawn";
import { kinOf } from "./kin";
import type { Outlook } from "./outlook";

export type PedigreeNode = Omit<Drawn, "level"> & {
  /** Its middle. */
  x: number;
  y: number;
};
export type PedigreeLink = Pick<Descends, "role" | "how" | "label"> & { points: { x: number; y: number }[] };
export type PedigreeView = {
  nodes: PedigreeNode[];
  links: PedigreeLink[];
  width: number;
  height: number;
  /** Of each that is drawn. */
  size: { width: number; height: number };
  /** How many are drawn as one with others. */
  folded: number;
};

/** Size of a node, and the room between, in pixels. */
const NODE = { width: 138, height: 46 };
const APART = { nodesep: 14, ranksep: 34 };
/** Several drawn as one: what they are, and how many. */
function foldedNode(id: string, list: Drawn[]): Drawn {
  const titles = list.map(({ title }) => title.replace(/, of \d+$/, ""));
  const ends = [...new Set([titles[0]!, titles.at(-1)!])];
  const { kind: of } = list[0]!;
  const kind = of === "lot" ? "lot" : ends.length > 1 ? "season" : of;
  return {
    ...list[0]!,
    id,
    kind: "folded",
    title: ends.join(" to "),
    under: plural(list.length, kind, kind === "family" ? "families" : `${kind}s`),
    href: null,
    standId: null,
  };
}

/** Inbreeding of the plants of stands, as the records know it. */
function inbreedingOf(sky: Outlook, standIds: Id[]): Map<Id, number> {
  const { tree, at } = kinOf(
    sky.db,
    standIds.map((standId) => ({ standId, plantId: null })),
    sky,
  );
  const { inbreeding } = sampledPedigree(tree);
  return new Map(standIds.map((standId) => [standId, inbreeding[at({ standId, plantId: null })]!]));
}

/**
 * Where something comes from, laid out from its oldest forebears down.
 * @param whole draw everyone, without folding
 */
export const pedigreeView = (sky: Outlook, of: PedigreeOf, whole: boolean): PedigreeView =>
  sky.once(`pedigree ${Object.values(of)} ${whole}`, () => laidOut(sky, of, whole));

function laidOut(sky: Outlook, of: PedigreeOf, whole: boolean): PedigreeView {
  const { drawn, asked, links } = drawnFrom(sky.db, sky.today, of);
  const kinsmen: Kinsman[] = [...drawn.values()].map(({ id, level }) => ({ id, level, asked: whole || asked.has(id) }));
  const folded = foldPedigree(kinsmen, links);
  const nodes = folded.nodes.map(({ id, of: list }) =>
    list.length > 1
      ? foldedNode(
          id,
          list.map((one) => drawn.get(one)!),
        )
      : drawn.get(list[0]!)!,
  );
  const standIds = nodes.flatMap(({ standId }) => standId ?? []);
  const inbreeding = inbreedingOf(sky, standIds);
  const counts = plantCounts(sky.db, standIds);
  const graph = new Graph({ multigraph: true });
  graph.setGraph({ rankdir: "TB", ...APART, marginx: 4, marginy: 4 });
  for (const { id } of nodes.toReversed()) graph.setNode(id, { ...NODE });
  for (const [i, { parent, child }] of folded.links.entries()) graph.setEdge(parent, child, {}, `${i}`);
  layout(graph);
  const { width = 0, height = 0 } = graph.graph();
  return {
    nodes: nodes.map(({ level: _, ...node }) => {
      const { x, y } = graph.node(node.id) as { x: number; y: number };
      if (!node.standId || node.kind === "line") return { ...node, x, y };
      const { numbered, kept } = counts.get(node.standId) ?? { numbered: null, kept: 0 };
      const plants =
        kept > 0 ? `${numbered}, kept ${kept}` : numbered === null ? node.under : plural(numbered, "plant");
      return { ...node, under: `${plants}, F ${fixed(inbreeding.get(node.standId)!, 2)}`, x, y };
    }),
    links: folded.links.map(({ parent, child, role, how, label }, i) => ({
      role,
      how,
      label,
      points: (graph.edge(parent, child, `${i}`) as { points: { x: number; y: number }[] }).points,
    })),
    width,
    height,
    size: NODE,
    folded: drawn.size - nodes.length,
  };
}
