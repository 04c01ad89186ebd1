import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import { genotypesOf } from "@/core/inheritance/genotypes";
import { ratiosOf } from "@/core/inheritance/ratios";
import { segregationTest } from "@/core/inheritance/segregation";
import { wayOf } from "@/core/inheritance/ways";
import { seeded } from "@/core/numbers/chance";
import { type Individual, sampledPedigree } from "@/core/pedigree/pedigree";
import type { CauseKind } from "@/core/purity/causes";
import { surprise } from "@/core/purity/surprise";

const say = (name: string, ...figures: string[]) => console.log(`${name.padEnd(62)} ${figures.join("   ")}`);
const percent = (share: number) => `${(100 * share).toFixed(1)} %`;
const timed = <T>(work: () => T): [T, number] => {
  const from = performance.now();
  const made = work();
  return [made, performance.now() - from];
};

/** Generations of so many, each of two of the first so many of the one before, drawn by chance. */
function drawnPedigree(generations: number, each: number, parents: number): Individual[] {
  const luck = seeded(each);
  return Array.from({ length: generations * each }, (_, i): Individual => {
    const generation = Math.floor(i / each);
    if (generation === 0) return { id: `${i}` };
    const parent = () => `${(generation - 1) * each + Math.floor(luck() * parents)}`;
    return { id: `${i}`, mother: parent(), father: parent() };
  });
}

/** Inbreeding of 100,000, of few parents and of many, against reading them from a database. */
function inbreeding(): void {
  const folder = mkdtempSync(join(tmpdir(), "orchard-bench-"));
  const db = new Database(join(folder, "pedigree.db"));
  db.exec("CREATE TABLE kin (id TEXT PRIMARY KEY, mother TEXT, father TEXT) WITHOUT ROWID");
  for (const [name, generations, each, parents] of [
    ["few parents, 20 generations", 20, 5000, 100],
    ["many parents, 10 generations", 10, 10_000, 10_000],
  ] as const) {
    const list = drawnPedigree(generations, each, parents);
    db.exec("DELETE FROM kin");
    const put = db.prepare("INSERT INTO kin VALUES (?, ?, ?)");
    db.transaction(() => {
      for (const { id, mother, father } of list) put.run(id, mother ?? null, father ?? null);
    })();
    const [rows, reading] = timed(() => db.prepare("SELECT id, mother, father FROM kin").all());
    const [{ inbreeding: found }, reckoning] = timed(() => sampledPedigree(list));
    say(
      `inbreeding of ${rows.length.toLocaleString("en")}: ${name}`,
      `mean of the last ${found.slice(-1000).reduce((a, b) => a + b, 0) / 1000}`.slice(0, 26),
      `${(reckoning / reading).toFixed(1)} times reading them`,
      `(${reckoning.toFixed(0)} ms)`,
    );
  }
  db.close();
  rmSync(folder, { recursive: true });
}

/** What each of 2,000 plants of four generations carries. */
function genotypes(): void {
  const list: Individual[] = [
    { id: "A", inbreeding: 1 },
    { id: "B", inbreeding: 1 },
    { id: "F1", mother: "A", father: "B" },
  ];
  let before = ["F1"];
  for (let generation = 2; generation <= 5; generation++) {
    const now = Array.from({ length: 500 }, (_, i) => `F${generation}-${i}`);
    for (const [i, id] of now.entries())
      list.push({ id, mother: before[(i % 10) % before.length]!, father: before[(i % 10) % before.length]! });
    before = now;
  }
  const trait = { way: wayOf("dominant"), classes: 2, recombination: 0.5, error: 0.02, frequency: 0.5 };
  const seen = list.slice(3).map(({ id }, i) => ({ id, shows: Number(i % 5 === 0) }));
  const [, plain] = timed(() => sampledPedigree(list));
  const [, reckoning] = timed(() => genotypesOf(list, trait, seen));
  say(
    "what each of 2,003 plants carries, exactly",
    `${(reckoning / plain).toFixed(0)} times their inbreeding`,
    `(${reckoning.toFixed(0)} ms)`,
  );
}

/** Families that divide by a known ratio: how often the test rejects it, and how often another one is believed. */
function ratios(families: number): void {
  const luck = seeded(17);
  for (const [name, shares, plants] of [
    ["3 : 1 in 60 plants", [0.75, 0.25], 60],
    ["9 : 7 in 100 plants", [0.5625, 0.4375], 100],
    ["1 : 2 : 1 in 80 plants", [0.25, 0.5, 0.25], 80],
  ] as const) {
    let [rejected, wrong, right] = [0, 0, 0];
    for (let i = 0; i < families; i++) {
      const counts = shares.map(() => 0);
      for (let n = 0; n < plants; n++) {
        const r = luck();
        const at = shares.findIndex((_, k) => r < shares.slice(0, k + 1).reduce((a, b) => a + b, 0));
        counts[at < 0 ? shares.length - 1 : at]!++;
      }
      if (counts.some((count) => count === 0)) continue;
      const { pValue, exactPValue } = segregationTest({ observed: counts, ratio: [...shares] });
      if ((exactPValue ?? pValue) < 0.05) rejected++;
      const { fits } = ratiosOf(counts, { kind: "selfed", times: 1 });
      const [best] = fits;
      const sum = best!.ratio.reduce((a, b) => a + b, 0);
      const same = best!.ratio.every((part, j) => Math.abs(part / sum - shares[j]!) < 1e-6);
      if (same) right++;
      else if (best!.chance > 0.95) wrong++;
    }
    say(
      `ratio ${name}: rejected at 5 in 100`,
      percent(rejected / families),
      `best fit ${percent(right / families)}`,
      `another believed at 95 % ${percent(wrong / families)}`,
    );
  }
}

/** Odd plants whose cause is known: stated chances against how often they were true. */
function surprises(families: number): void {
  const luck = seeded(23);
  const hit = (n: number, rate: number) => Array.from({ length: n }, luck).filter((r) => r < rate).length;
  const within = (low: number, likely: number, high: number) => {
    const at = [low, Math.sqrt(low * likely), likely, Math.sqrt(likely * high), high];
    const r = luck();
    return at[r < 0.1 ? 0 : r < 0.3 ? 1 : r < 0.7 ? 2 : r < 0.9 ? 3 : 4]!;
  };
  const bins = Array.from({ length: 5 }, () => ({ said: 0, right: 0, of: 0 }));
  let [first, all] = [0, 0];
  while (all < families) {
    const likely = 0.0005 * 60 ** luck();
    const carrier = 0.3 * luck();
    const made: [CauseKind, number][] = [
      ["pollen", hit(12, 0.5 * within(likely / 3, likely, likely * 3))],
      ["stranger", hit(12, 0.5 * within(0.0002, 0.002, 0.02))],
      ["mixed-seed", hit(12, 0.7 * within(0.00005, 0.0005, 0.005))],
      ["hidden", luck() < carrier * 0.5 ? hit(12, 0.25) : 0],
      ["slip", luck() < 0.004 * 0.7 ? (luck() < 1 / 3 ? 12 : 1) : 0],
    ];
    const causes = made.filter(([, count]) => count > 0);
    if (causes.length !== 1) continue;
    const [truth, odd] = causes[0]!;
    const found = surprise({
      plants: 12,
      odd,
      sisters: [],
      inheritance: "unknown",
      suspects: [{ key: "s", name: "s", share: { low: likely / 3, likely, high: likely * 3 }, resembles: null }],
      made: "open",
      doubt: false,
      broken: false,
      hidden: { carrier, share: 0.25 },
      mixed: 0,
      stands: false,
      seedsLeft: 0,
      sisterSeeds: 0,
    }).causes;
    all++;
    if (found[0]!.kind === truth) first++;
    for (const { kind, chance } of found) {
      const bin = bins[Math.min(4, Math.floor(chance * 5))]!;
      bin.said += chance;
      bin.right += Number(kind === truth);
      bin.of++;
    }
  }
  say(`odd plants of ${families} families: the likeliest cause is the true one`, percent(first / all));
  for (const { said, right, of } of bins)
    say("  causes said to be true", percent(said / of), `were ${percent(right / of)} of ${of}`);
}

/** Figures of lines and generations against simulated truth. */
export function benchLines(): void {
  console.log("\nLines and generations, against simulated truth");
  inbreeding();
  genotypes();
  ratios(2000);
  surprises(6000);
}
