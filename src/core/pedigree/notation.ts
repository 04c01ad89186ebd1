/** A pedigree of crosses: a name, or a cross of two pedigrees, mother first. */
export type PedigreeTree = string | { mother: PedigreeTree; father: PedigreeTree };

/** How many crosses lie one above the other. */
const depth = (tree: PedigreeTree): number =>
  typeof tree === "string" ? 0 : 1 + Math.max(depth(tree.mother), depth(tree.father));

/** The mark between the parents of the nth cross: `/`, `//`, then `/3/`, `/4/`, … */
const mark = (level: number): string => (level <= 2 ? "/".repeat(level) : `/${level}/`);

/** What a name may not hold, because the notation says something by it. */
const SPOKEN_FOR = /[/*]/g;

/**
 * A pedigree in slash notation, mother left of each mark, the last cross with the highest mark: A/B, A/B//C,
 * A/B//C/3/D. The standard way of writing cereal pedigrees.
 * A slash or asterisk in a name becomes a hyphen.
 * @example writePedigree({ mother: { mother: "A", father: "B" }, father: "C" }) // "A/B//C"
 */
export function writePedigree(tree: PedigreeTree): string {
  if (typeof tree === "string") return tree.replace(SPOKEN_FOR, "-").trim();
  return `${writePedigree(tree.mother)}${mark(depth(tree))}${writePedigree(tree.father)}`;
}

export type ReadPedigree = { ok: true; tree: PedigreeTree } | { ok: false; message: string };

type Token = { mark: number } | { name: string };

function tokensOf(text: string): Token[] | string {
  const tokens: Token[] = [];
  for (const part of text.split(/(\/\d+\/|\/+)/)) {
    const numbered = /^\/(\d+)\/$/.exec(part);
    if (numbered) {
      if (Number(numbered[1]) < 3) return `“${part}” is written ${mark(Number(numbered[1]))}.`;
      tokens.push({ mark: Number(numbered[1]) });
    } else if (/^\/+$/.test(part)) {
      if (part.length > 2) return `“${part}” is written /${part.length}/.`;
      tokens.push({ mark: part.length });
    } else tokens.push({ name: part.trim() });
  }
  return tokens;
}

/** A backcross written short: `A*3/B` has three doses of A, `A/3/A//A/B` in full. */
function named(name: string): { name: string; doses: number } | string {
  const [, bare, doses] = /^(.*?)\s*\*\s*(\d+)$/.exec(name) ?? [];
  if (bare === undefined)
    return name.includes("*") ? `“${name}”: after * stands how often, as in A*2.` : { name, doses: 1 };
  const times = Number(doses);
  if (times < 2 || times > 9) return `“${name}”: from *2 to *9.`;
  return { name: bare, doses: times };
}

/** The recurrent parent `doses` times: its first cross made with the other, then each time once more. */
function backcrossed(recurrent: string, doses: number, other: PedigreeTree, asMother: boolean): PedigreeTree {
  let tree: PedigreeTree = asMother ? { mother: recurrent, father: other } : { mother: other, father: recurrent };
  for (let i = 1; i < doses; i++)
    tree = asMother ? { mother: recurrent, father: tree } : { mother: tree, father: recurrent };
  return tree;
}

/** Splits at the highest mark; it must be there once, except that equal marks are refused as unclear. */
function build(tokens: Token[]): PedigreeTree | { problem: string } {
  if (tokens.length === 1) {
    const read = named((tokens[0] as { name: string }).name);
    if (typeof read === "string") return { problem: read };
    if (read.doses > 1) return { problem: `“${read.name}*${read.doses}” wants the other parent beside it.` };
    return read.name === "" ? { problem: "A parent is missing beside a slash." } : read.name;
  }
  const marks = tokens.map((t) => ("mark" in t ? t.mark : 0));
  const highest = Math.max(...marks);
  const at = marks.indexOf(highest);
  if (marks.lastIndexOf(highest) !== at)
    return { problem: `The mark ${mark(highest)} stands twice; the later cross takes the next higher one.` };
  const sides = [tokens.slice(0, at), tokens.slice(at + 1)] as const;
  const dosed = sides.map((side) => {
    const only = side.length === 1 && "name" in side[0]! ? named(side[0].name) : null;
    return only && typeof only === "object" && only.doses > 1 ? only : null;
  });
  if (dosed[0] && dosed[1]) return { problem: "Only one side of a cross can be the one that comes back." };
  const side = (i: 0 | 1) => build(sides[i]);
  const recurrent = dosed[0] ?? dosed[1];
  if (recurrent) {
    const other = side(dosed[0] ? 1 : 0);
    if (typeof other === "object" && "problem" in other) return other;
    return backcrossed(recurrent.name, recurrent.doses, other, dosed[0] !== null);
  }
  const [mother, father] = [side(0), side(1)];
  if (typeof mother === "object" && "problem" in mother) return mother;
  if (typeof father === "object" && "problem" in father) return father;
  return { mother, father };
}

/**
 * Reads a pedigree in slash notation, with `A*2/B` for a parent that comes back.
 * @returns the tree, or what is wrong with the text
 * @example readPedigree("A/B//C") // { ok: true, tree: { mother: { mother: "A", father: "B" }, father: "C" } }
 */
export function readPedigree(text: string): ReadPedigree {
  const tokens = tokensOf(text.trim());
  if (typeof tokens === "string") return { ok: false, message: tokens };
  const tree = build(tokens);
  return typeof tree === "object" && "problem" in tree ? { ok: false, message: tree.problem } : { ok: true, tree };
}
