export const WAY_KEYS = [
  "dominant",
  "between",
  "each",
  "both",
  "either",
  "hides-dominant",
  "hides-recessive",
  "holds-back",
  "adds-up",
] as const;
export type WayKey = (typeof WAY_KEYS)[number];

/** One way in which a trait may be inherited: the class of each pair of genotypes (0 AA, 1 Aa, 2 aa) of one or two loci. */
export type Way = { key: WayKey; name: string; loci: 1 | 2; classOf: (a: number, b: number) => number };

const shows = (genotype: number): boolean => genotype < 2;
const pair = (both: number, first: number, second: number, neither: number) => (a: number, b: number) =>
  shows(a) ? (shows(b) ? both : first) : shows(b) ? second : neither;

/** The usual ways. Sources: Mendel 1866; Bateson and Punnett 1905 for two loci that act on one trait. */
export const WAYS: Way[] = [
  { key: "dominant", name: "one gene, dominant", loci: 1, classOf: (a) => (shows(a) ? 0 : 1) },
  { key: "between", name: "one gene, the mixed between", loci: 1, classOf: (a) => a },
  { key: "each", name: "two genes, each seen", loci: 2, classOf: pair(0, 1, 2, 3) },
  { key: "both", name: "two genes, both needed", loci: 2, classOf: pair(0, 1, 1, 1) },
  { key: "either", name: "two genes, either enough", loci: 2, classOf: pair(0, 0, 0, 1) },
  {
    key: "hides-dominant",
    name: "two genes, one hides the other where it is dominant",
    loci: 2,
    classOf: pair(0, 0, 1, 2),
  },
  {
    key: "hides-recessive",
    name: "two genes, one hides the other where it is recessive",
    loci: 2,
    classOf: pair(0, 1, 2, 2),
  },
  { key: "holds-back", name: "two genes, one holds the other back", loci: 2, classOf: pair(0, 0, 1, 0) },
  { key: "adds-up", name: "two genes that add up", loci: 2, classOf: pair(0, 1, 1, 2) },
];

/** How many classes a way lets be told apart. @example classesOf(WAYS[0]) // 2 */
export const classesOf = ({ loci, classOf }: Pick<Way, "loci" | "classOf">): number =>
  1 + Math.max(...[0, 1, 2].flatMap((a) => (loci === 1 ? [classOf(a, 0)] : [0, 1, 2].map((b) => classOf(a, b)))));

/** The way of a key. @example wayOf("each").loci // 2 */
export const wayOf = (key: WayKey): Way => WAYS.find((way) => way.key === key)!;
