import { createWriteStream, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";

/** The largest copy that is taken in: far above what twenty seasons of a large garden come to. */
const COPY_LIMIT = 512 * 1024 * 1024;

/** The copy that was brought last, until it is brought in or another is. */
const kept = globalThis as { orchardCopy?: { folder: string; path: string }; orchardCopyGoes?: boolean };

export const waitingCopy = () => kept.orchardCopy ?? null;

export function dropCopy(): void {
  if (kept.orchardCopy) rmSync(kept.orchardCopy.folder, { recursive: true, force: true });
  kept.orchardCopy = undefined;
}

export class TooLarge extends Error {}

async function* within(chunks: AsyncIterable<Uint8Array>) {
  let size = 0;
  for await (const chunk of chunks) {
    size += chunk.length;
    if (size > COPY_LIMIT) throw new TooLarge();
    yield chunk;
  }
}

/** Writes a request's body to a file of its own, in place of the copy brought before. */
export async function keepCopy(request: Request): Promise<{ folder: string; path: string }> {
  dropCopy();
  if (!kept.orchardCopyGoes) process.once("exit", dropCopy);
  kept.orchardCopyGoes = true;
  const folder = mkdtempSync(join(tmpdir(), "orchard-copy-"));
  const path = join(folder, "copy.db");
  kept.orchardCopy = { folder, path };
  const body = Readable.from(within((request.body ?? []) as AsyncIterable<Uint8Array>));
  await pipeline(body, createWriteStream(path));
  return kept.orchardCopy;
}
