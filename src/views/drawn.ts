import { speciesById } from "@/catalogue/catalogue";
import type { Day } from "@/core/calendar/day";
import { addressOfStand } from "@/core/custody/address";
import { generationName, isSelfed } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import type { Descends } from "@/core/pedigree/graph";
import { plural } from "@/core/units/plural";
import type { Db } from "@/db/open";
import {
  type Descent,
  descents,
  type ParentMaybe,
  parentsMaybe,
  type SeedDescent,
  seedDescents,
} from "@/records/line/descent";
import { type LineParents, linesWithParents } from "@/records/line/pedigree";

/** What is asked: where a line, a stand's plants or a lot of seed come from. */
export type PedigreeOf = { lineId: Id } | { standId: Id } | { lotId: Id };

/** One of the pedigree as it is drawn, with the level that it is folded with others of. */
export type Drawn = {
  id: string;
  kind: "line" | "stand" | "family" | "lot" | "folded";
  title: string;
  under: string;
  href: string | null;
  /** The stand whose plants it stands for, where it can be asked how they are kin. */
  standId: Id | null;
  level: string;
};

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
  const grown = motherStandId && known.stands.get(motherStandId);
  if (kind === "open") {
    if (mothers.length > 0 || !grown) return mothers;
    const how = isSelfed(kind, speciesById(grown.species).breeding) ? "sure" : "open";
    const label = [plant(motherNumber), "open"].filter(Boolean).join(", ");
    return sure("both", grown.id, label).map((link) => ({ ...link, how }));
  }
  const mother = mothers.length > 0 ? mothers : sure("mother", motherStandId, plant(motherNumber));
  const father = fathers.length > 0 ? fathers : sure("father", fatherStandId, plant(fatherNumber));
  return [...mother, ...father];
}

function drawnStand(stand: Descent): Drawn {
  const { code, lineId, season, generation, backcrosses, family, plants, motherNumber } = stand;
  const named = generation === null ? `${season}` : `${generationName(generation, backcrosses)} ${season}`;
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

const drawnSeed = ({ id, code, lineId, generation, backcrosses, gathered, motherNumber }: SeedDescent): Drawn => ({
  id: `lot ${id}`,
  kind: "lot",
  title: `Seed ${gathered.slice(0, 4)}${motherNumber === null ? "" : `, of ${motherNumber}`}`,
  under: [code, generationName(generation, backcrosses)].filter(Boolean).join(", "),
  href: `/seed/${code}`,
  standId: null,
  level: `seed ${lineId} ${gathered.slice(0, 4)} ${generation}`,
});

/** Those asked for with all their forebears, and who comes from whom. */
export function drawnFrom(
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
  const lines = linesWithParents(db);
  const drawn = new Map<string, Drawn>();
  const links: Descends[] = [];
  const waiting: string[] = [];
  const add = (node: Drawn, from: Descends[]) => {
    if (drawn.has(node.id) || drawn.size >= MOST) return;
    drawn.set(node.id, node);
    links.push(...from);
    waiting.push(...from.map(({ parent }) => parent));
  };
  const addLine = (id: Id) => add(drawnLine(lines.get(id)!, byNode.get(`line ${id}`)), linksOfLine(lines.get(id)!));
  const addStand = (stand: Descent) =>
    isFounder(stand) ? addLine(stand.lineId) : add(drawnStand(stand), linksOf(known, nodeOf(stand), stand));
  for (const lot of lots) add(drawnSeed(lot), linksOf(known, `lot ${lot.id}`, lot));
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
