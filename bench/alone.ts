import { benchVerdicts } from "./verdicts";

// One part of the bench by itself: npm run bench -- verdicts --lines 400
const [what, ...rest] = process.argv.slice(2);
const number = (name: string, usual: number): number => {
  const at = rest.indexOf(`--${name}`);
  return at < 0 ? usual : Number(rest[at + 1]);
};
const PARTS: Record<string, () => void | Promise<void>> = {
  verdicts: () => benchVerdicts(number("lines", 400), number("gardens", 4)),
};
const part = what ? PARTS[what] : undefined;
if (!part) throw new Error(`There is no part ${what} of the bench: ${Object.keys(PARTS).join(", ")}.`);
await part();
