import { benchPresses } from "./presses";
import { benchProgrammes, liveSome } from "./programmes/programmes";
import type { Kind } from "./programmes/world";
import { benchVerdicts } from "./verdicts";

// One part of the bench by itself: npm run bench -- verdicts --lines 400
const [what, ...rest] = process.argv.slice(2);
const word = (name: string): string | undefined => {
  const at = rest.indexOf(`--${name}`);
  return at < 0 ? undefined : rest[at + 1];
};
const number = (name: string, usual: number): number => Number(word(name) ?? usual);
const PARTS: Record<string, () => void | Promise<void>> = {
  presses: () => benchPresses(number("seasons", 37)),
  verdicts: () => benchVerdicts(number("lines", 400), number("gardens", 4)),
  programmes: () => {
    const asked = {
      replicates: number("replicates", 64),
      from: number("from", 1),
      kinds: (word("kinds") ?? "selfer,rows,bulk").split(",") as Kind[],
      seasons: word("seasons") ? number("seasons", 0) : null,
      words: rest.includes("--words"),
    };
    const part = word("part");
    return part === undefined ? benchProgrammes(asked) : liveSome(asked, Number(part), number("parts", 1));
  },
};
const part = what ? PARTS[what] : undefined;
if (!part) throw new Error(`There is no part ${what} of the bench: ${Object.keys(PARTS).join(", ")}.`);
await part();
