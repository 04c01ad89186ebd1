import { spawn } from "node:child_process";
import { availableParallelism } from "node:os";
import { createInterface } from "node:readline";
import { errorOf, meanOf } from "../luck";
import { type Life, live, WAYS, type Way } from "./lives";
import type { Kind } from "./world";

const NAMES: Record<Kind, string> = {
  selfer: "selfer, F2 to F8",
  rows: "outcrosser in rows, six years",
  bulk: "outcrosser in bulk, six years",
};

export type Asked = { replicates: number; from: number; kinds: Kind[]; seasons: number | null; words: boolean };

/** One programme of one world in one way, or a small world of two seasons for the ranges alone. */
type Lived = { kind: Kind; way: Way; world: number; life: Life };

/** Lives every other world, or every so-manieth, and prints each as a line. */
export function liveSome({ replicates, from, kinds, seasons, words }: Asked, part: number, parts: number): void {
  for (const kind of kinds)
    for (let world = from + part; world < from + replicates; world += parts)
      for (const way of seasons ? (["program"] as const) : WAYS) {
        const lived: Lived = { kind, way, world, life: live(kind, way, world, { seasons, words }) };
        process.stdout.write(`${JSON.stringify(lived)}\n`);
      }
}

/** Lives all of them on as many processes as there are cores. */
async function lived(asked: Asked): Promise<Lived[]> {
  const parts = Math.max(1, availableParallelism());
  const all: Lived[] = [];
  const told = [
    ...["--replicates", `${asked.replicates}`, "--from", `${asked.from}`, "--kinds", asked.kinds.join(",")],
    ...(asked.seasons ? ["--seasons", `${asked.seasons}`] : []),
    ...(asked.words ? ["--words"] : []),
  ];
  const part = (k: number) =>
    new Promise<void>((done, failed) => {
      const command = [
        ...process.execArgv,
        process.argv[1]!,
        "programmes",
        ...told,
        "--part",
        `${k}`,
        "--parts",
        `${parts}`,
      ];
      const child = spawn(process.execPath, command, { stdio: ["ignore", "pipe", "inherit"] });
      createInterface({ input: child.stdout }).on("line", (line) => {
        all.push(JSON.parse(line) as Lived);
      });
      child.on("close", (code) => (code === 0 ? done() : failed(new Error(`Part ${k} ended with ${code}.`))));
    });
  await Promise.all(Array.from({ length: parts }, (_, k) => part(k)));
  return all;
}

const signed = (value: number) => `${value < 0 ? "−" : "+"}${Math.abs(value).toFixed(3)}`;
const withError = (list: number[]) => `${meanOf(list).toFixed(3)} ± ${errorOf(list).toFixed(3)}`;
const percent = (share: number) => `${(100 * share).toFixed(1)} %`;

type Said = Life["worths"][number];

/** Of each world the share of ranges that hold, so that worlds, not plants, are what is counted. */
function held(lives: Life[], of: (life: Life) => Said[]): string {
  const shares = lives
    .map((life) => of(life).map(({ low, high, true: truth }) => Number(truth >= low && truth <= high)))
    .filter((list) => list.length > 0)
    .map(meanOf);
  return `${percent(meanOf(shares))} ± ${(100 * errorOf(shares)).toFixed(1)}`;
}

/** The ratio of the means of what was foretold and of what came. */
const ratio = (said: Said[]): string =>
  (meanOf(said.map(({ likely }) => likely)) / meanOf(said.map((one) => one.true))).toFixed(2);

function told(kind: Kind, all: Lived[], seasons: number | null): void {
  const of = (way: Way) =>
    all
      .filter((one) => one.kind === kind && one.way === way)
      .sort((a, b) => a.world - b.world)
      .map(({ life }) => life);
  const programs = of("program");
  console.log(`\n${NAMES[kind]}${seasons ? `, its first ${seasons} seasons` : ""}: ${programs.length} worlds`);
  if (!seasons) {
    for (const way of WAYS) {
      const lives = of(way);
      const gains = lives.map(({ gain }) => gain);
      const off = lives.map(({ offTypes }) => 100 * offTypes);
      const right = meanOf(lives.map((life) => life.right));
      console.log(
        `  ${way.padEnd(9)} gain ${withError(gains)} | off-types ${meanOf(off).toFixed(1)} ± ${errorOf(off).toFixed(1)} % | right in both genes ${percent(right)}`,
      );
    }
    const notes = of("notebook");
    const ahead = programs.map(({ gain }, i) => gain - notes[i]!.gain);
    console.log(`  program less notebook ${signed(meanOf(ahead))} ± ${errorOf(ahead).toFixed(3)}`);
  }
  const worths = programs.flatMap((life) => life.worths);
  console.log(
    `  nine-tenths ranges hold: breeding value ${held(programs, (life) => life.worths)}, gain ${held(programs, (life) => life.gains)}`,
  );
  console.log(
    `  foretold to come true: ${ratio(programs.flatMap((life) => life.gains))} (${worths.length} plants' worths)`,
  );
  for (const [low, high] of [
    [0.3, 0.5],
    [0.5, 0.8],
    [0.8, 1.01],
  ] as const) {
    const some = programs.flatMap((life) => life.amongBest.filter(({ said }) => said >= low && said < high));
    if (some.length > 0)
      console.log(
        `  among the best, said ${meanOf(some.map(({ said }) => said)).toFixed(2)}: true ${meanOf(some.map((one) => one.true)).toFixed(2)} (${some.length})`,
      );
  }
  const kinship = programs.flatMap((life) => life.kinship);
  if (kinship.length > 0)
    console.log(
      `  kinship of the last plants: said ${meanOf(kinship.map(({ said }) => said)).toFixed(3)}, true ${meanOf(kinship.map((one) => one.true)).toFixed(3)}`,
    );
}

/** Whole programmes in worlds of their own, through the program's commands, beside a careful notebook and chance. */
export async function benchProgrammes(asked: Asked): Promise<void> {
  const from = performance.now();
  const all = await lived(asked);
  for (const kind of asked.kinds) told(kind, all, asked.seasons);
  console.log(`\n${((performance.now() - from) / 60_000).toFixed(0)} minutes.`);
}
