import { Graph, layout } from "@dagrejs/dagre";
import { speciesById } from "@/catalogue/catalogue";
import type { Day } from "@/core/calendar/day";
import { addressOfStand } from "@/core/custody/address";
import { generationName, nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { type Descends, foldPedigree, type Kinsman } from "@/core/pedigree/graph";
import { type Kin, kinPaths } from "@/core/pedigree/paths";
import { sampledPedigree } from "@/core/pedigree/pedigree";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import { type Db, theDb } from "@/db/open";
import {
  type Descent,
  descents,
  type ParentMaybe,
  parentsMaybe,
  plantCounts,
  type SeedDescent,
  seedDescents,
} from "@/records/line/descent";
import {
  individualOf,
  type LineParents,
  lineBackcrosses,
  linePedigree,
  linesWithParents,
} from "@/records/line/pedigree";
import { lineByCode } from "@/records/line/queries";
import { lotByCode } from "@/records/lot/queries";
import { numbersOfPlants } from "@/records/plant/queries";
import { ref, type Told } from "@/records/record";
import { standByCode } from "@/records/stand/queries";
import { type Band, band } from "./band";
import { kinOf } from "./kin";
import type { Outlook } from "./outlook";

export type PedigreeNode = {
  id: string;
  kind: "line" | "stand" | "family" | "lot" | "folded";
  title: string;
  under: string;
  href: string | null;
  /** The stand whose plants it stands for, where it can be asked how they are kin. */
  standId: Id | null;
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

/** What is asked: where a line, a stand's plants or a lot of seed come from. */
export type PedigreeOf = { lineId: Id } | { standId: Id } | { lotId: Id };

/** Size of a node, and the room between, in pixels. */
const NODE = { width: 138, height: 46 };
const APART = { nodesep: 14, ranksep: 34 };
/** More of a line's seed that lies in the drawer than this is left out. */
const SEED_DRAWN = 6;
/** More is not drawn, folded or not. */
const MOST = 400;

const isFounder = ({ kind, motherStandId }: Descent): boolean => !motherStandId || kind === "received";

/** The node that a stand is drawn as: what was received stands for its line. */
const nodeOf = (stand: Descent): string => (isFounder(stand) ? `line ${stand.lineId}` : `stand ${stand.id}`);

const plant = (number: number | null): string => (number === null ? "" : `plant ${number}`);

type Known = { stands: Map<Id, Descent>; maybe: Map<string, ParentMaybe[]> };

/** Parents of seed, as links to its node. */
function linksOf(known: Known, child: string, seed: Descent | SeedDescent): Descends[] {
  const { kind, doubt, motherStandId, motherNumber, fatherStandId, fatherNumber } = seed;
  const maybe = (role: ParentMaybe["role"]) =>
    [...(known.maybe.get(`cross ${seed.crossId}`) ?? []), ...(known.maybe.get(`lot ${seed.lotId}`) ?? [])].filter(
      (one) => one.role === role && one.standId !== null,
    );
  const at = (standId: Id) => nodeOf(known.stands.get(standId)!);
  const several = (role: ParentMaybe["role"]): Descends[] =>
    maybe(role)
      .filter(({ standId }) => known.stands.has(standId!))
      .map(({ standId, number, share }) => ({
        parent: at(standId!),
        child,
        role,
        how: "maybe",
        label: [plant(number), `${Math.round(share * 10)} in 10`].filter(Boolean).join(", "),
      }));
  const sure = (role: Descends["role"], standId: Id | null, label: string): Descends[] =>
    standId && known.stands.has(standId)
      ? [{ parent: at(standId), child, role, how: doubt && role !== "mother" ? "maybe" : "sure", label }]
      : [];
  const mothers = several("mother");
  const fathers = several("father");
  if (kind === "self")
    return mothers.length > 0 ? mothers : sure("both", motherStandId, plant(motherNumber) || "selfed");
  if (kind === "open") {
    const selfs = motherStandId && speciesById(known.stands.get(motherStandId)?.species ?? "")?.breeding === "selfing";
    const label = [plant(motherNumber), "open"].filter(Boolean).join(", ");
    return mothers.length > 0
      ? mothers
      : sure("both", motherStandId, label).map((link) => ({ ...link, how: selfs ? "sure" : "open" }));
  }
  const mother = mothers.length > 0 ? mothers : sure("mother", motherStandId, plant(motherNumber));
  const father = fathers.length > 0 ? fathers : sure("father", fatherStandId, plant(fatherNumber));
  return [...mother, ...father];
}

type Drawn = Omit<PedigreeNode, "x" | "y"> & { level: string };

function drawnStand(stand: Descent, backcrosses: (lineId: Id) => number): Drawn {
  const { code, lineId, season, generation, family, plants, motherNumber } = stand;
  const named = generation === null ? `${season}` : `${generationName(generation, backcrosses(lineId))} ${season}`;
  return {
    id: `stand ${stand.id}`,
    kind: family ? "family" : "stand",
    title: motherNumber === null ? named : `${named}, of ${motherNumber}`,
    under: plural(plants ?? 0, "plant"),
    href: addressOfStand({ code, season, family }),
    standId: stand.id,
    level: `${lineId} ${season} ${generation}`,
  };
}

const UNDER: Partial<Record<LineParents["status"], string>> = { "f1-hybrid": "bought F1 hybrid", mix: "received mix" };

/** A line as what it was received as, or as what it was crossed from where none of its plants is on record. */
function drawnLine({ id, name, code, status }: LineParents, stand: Descent | undefined): Drawn {
  return {
    id: `line ${id}`,
    kind: "line",
    title: name,
    under: stand ? (UNDER[status] ?? "received") : "no plants on record",
    href: `/lines/${code}`,
    standId: stand?.id ?? null,
    level: `line ${id}`,
  };
}

/** The lines that a line was crossed from. */
function linksOfLine({ id, motherLineId, fatherLineId }: LineParents): Descends[] {
  const of = (role: Descends["role"], parent: Id | null): Descends[] =>
    parent === null || parent === id
      ? []
      : [{ parent: `line ${parent}`, child: `line ${id}`, role, how: "sure", label: "" }];
  if (motherLineId === fatherLineId) return of("both", motherLineId);
  return [...of("mother", motherLineId), ...of("father", fatherLineId)];
}

const drawnSeed = (
  { id, code, lineId, generation, gathered, motherNumber }: SeedDescent,
  backcrosses: (lineId: Id) => number,
): Drawn => ({
  id: `lot ${id}`,
  kind: "lot",
  title: `Seed ${gathered.slice(0, 4)}${motherNumber === null ? "" : `, of ${motherNumber}`}`,
  under: [code, generationName(generation, backcrosses(lineId))].filter(Boolean).join(", "),
  href: `/seed/${code}`,
  standId: null,
  level: `seed ${lineId} ${gathered.slice(0, 4)} ${generation}`,
});

/** Those asked for with all their forebears, and who comes from whom. */
function gathered(
  db: Db,
  today: Day,
  of: PedigreeOf,
): { drawn: Map<string, Drawn>; asked: Set<string>; links: Descends[] } {
  const all = descents(db, today);
  const maybe = groupBy(parentsMaybe(db), ({ crossId, lotId }) => (crossId ? `cross ${crossId}` : `lot ${lotId}`));
  const known: Known = { stands: new Map(all.map((one) => [one.id, one])), maybe };
  const byNode = new Map<string, Descent>();
  for (const stand of all) if (!byNode.has(nodeOf(stand))) byNode.set(nodeOf(stand), stand);
  const seed = "standId" in of ? [] : seedDescents(db, of, today);
  const roots =
    "lineId" in of
      ? all.filter(({ lineId }) => lineId === of.lineId)
      : "standId" in of
        ? all.filter(({ id }) => id === of.standId)
        : [];
  // Older seed that lies in reserve leads nowhere now.
  const since = `${roots.at(-1)?.season ?? ""}`;
  const lots = "lotId" in of ? seed : seed.filter(({ gathered: day }) => day >= since).slice(0, SEED_DRAWN);
  const back = lineBackcrosses(db);
  const drawn = new Map<string, Drawn>();
  const links: Descends[] = [];
  const waiting: string[] = [];
  const add = (node: Drawn, from: Descends[]) => {
    if (drawn.has(node.id) || drawn.size >= MOST) return;
    drawn.set(node.id, node);
    links.push(...from);
    waiting.push(...from.map(({ parent }) => parent));
  };
  const lines = linesWithParents(db);
  const addLine = (id: Id) => add(drawnLine(lines.get(id)!, byNode.get(`line ${id}`)), linksOfLine(lines.get(id)!));
  const addStand = (stand: Descent) =>
    isFounder(stand) ? addLine(stand.lineId) : add(drawnStand(stand, back), linksOf(known, nodeOf(stand), stand));
  for (const lot of lots) add(drawnSeed(lot, back), linksOf(known, `lot ${lot.id}`, lot));
  for (const stand of roots) addStand(stand);
  if ("lineId" in of && drawn.size === 0) addLine(of.lineId);
  for (let next = waiting.shift(); next !== undefined; next = waiting.shift()) {
    const [, lineId] = /^line (.+)$/.exec(next) ?? [];
    if (lineId) addLine(lineId);
    else addStand(byNode.get(next)!);
  }
  const asked = "lineId" in of ? [] : [...lots.map(({ id }) => `lot ${id}`), ...roots.map(nodeOf)];
  return {
    drawn,
    asked: new Set(asked),
    links: links.filter(({ parent, child }) => drawn.has(parent) && drawn.has(child)),
  };
}

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
function inbreedingOf(db: Db, standIds: Id[]): Map<Id, number> {
  const { tree, at } = kinOf(
    db,
    standIds.map((standId) => ({ standId, plantId: null })),
  );
  const { inbreeding } = sampledPedigree(tree);
  return new Map(standIds.map((standId) => [standId, inbreeding[at({ standId, plantId: null })]!]));
}

/**
 * Where something comes from, laid out from its oldest forebears down.
 * @param whole draw everyone, without folding
 */
export function pedigreeView(sky: Outlook, of: PedigreeOf, whole = false): PedigreeView {
  const { drawn, asked, links } = gathered(sky.db, sky.today, of);
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
  const inbreeding = inbreedingOf(sky.db, standIds);
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

/** What a code names: a line, a stand's plants or a lot of seed. */
export function coded(db: Db, code: string) {
  const stand = standByCode(db, code);
  if (stand) return { of: { standId: stand.id }, ...stand };
  const lot = lotByCode(db, code);
  if (lot) return { of: { lotId: lot.id }, ...lot };
  const line = lineByCode(db, code);
  return line ? { of: { lineId: line.id }, lineId: line.id, lineName: line.name, generation: null } : null;
}

/** What is told of where something with a tag comes from, on a page of its own. */
export type Descended = { band: Band; name: string; code: string; notation: string; pedigree: PedigreeView };

/** Where the plants of a stand, a lot of seed or a line come from, by the code that hangs on it. */
export function descendedView(sky: Outlook, code: string, whole: boolean): Descended | null {
  const { db, season } = sky;
  const found = coded(db, code);
  if (!found) return null;
  const { of, lineId, lineName, generation } = found;
  return {
    band: band(
      sky,
      season,
      sky.standsOf(season).filter((one) => one.lineId === lineId),
    ),
    name: nameWithGeneration(lineName, generation),
    code,
    notation: linePedigree(db)(lineId),
    pedigree: pedigreeView(sky, of, whole),
  };
}

/** Two stands whose plants are held against each other. */
export const KIN = { oneId: ref("stand", "One"), otherId: ref("stand", "Other") };

/** How two are kin, in words: each path as those it passes. */
export type KinView = Omit<Kin, "paths"> & { paths: { through: string[]; share: number }[] };

/** No stand is named that is not there, however late it was sown. */
const EVER = "9999-12-31";
/** Paths that are told. */
const PATHS = 6;

/** How plants of two stands are kin, and by which forebears. */
export function kinView(db: Db, { oneId, otherId }: Told<typeof KIN>): KinView {
  const [one, other] = [oneId, otherId].map((standId) => ({ standId, plantId: null }));
  const { tree } = kinOf(db, [one!, other!]);
  const second = oneId === otherId;
  const { paths, ...kin } = kinPaths(tree, individualOf(one!), individualOf(other!, second), PATHS);
  const words = wordsOf(
    db,
    paths.flatMap(({ through }) => through),
  );
  return { ...kin, paths: paths.map(({ through, share }) => ({ through: through.map(words), share })) };
}

/** What the individuals of a pedigree are known by. */
export type Naming = { stand: (stand: Descent) => string; line: (stand: Descent) => string };

const IN_WORDS: Naming = {
  stand: ({ generation, lineName, season }) => `${generationName(generation) || lineName} ${season}`,
  line: ({ lineName }) => lineName,
};

/** How the individuals of a pedigree are called. */
export function wordsOf(db: Db, individuals: string[], naming = IN_WORDS): (individual: string) => string {
  const stands = new Map(descents(db, EVER).map((one) => [one.id as string, one]));
  const lines = new Map([...stands.values()].map((one) => [one.lineId as string, naming.line(one)]));
  const numbers = numbersOfPlants(
    db,
    individuals.flatMap((individual) => /^plant (.+)$/.exec(individual)?.[1] ?? []),
  );
  const stand = (id: string) => {
    const found = stands.get(id);
    return found ? naming.stand(found) : "a stand";
  };
  return (individual) => {
    const [kind, id = "", second] = individual.split(" ");
    if (kind === "plant") {
      const found = numbers.get(id);
      return found ? `${stand(found.standId)} plant ${found.number}` : "a plant";
    }
    if (kind === "stand") return second ? `${stand(id)}, another` : stand(id);
    if (kind === "line") return lines.get(id) ?? "a line";
    if (kind === "one") return "one of several fathers";
    // "mother of line …", "father of line …", "second of line …"
    return `${kind} of ${lines.get(individual.split(" ").at(-1)!) ?? "a line"}`;
  };
}

// biome-ignore lint/correctness/useYield: done before anyone could stop it
export function* kinJob(asked: Told<typeof KIN>): Generator<unknown, KinView> {
  return kinView(theDb(), asked);
}
