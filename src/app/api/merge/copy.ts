import { createWriteStream, mkdtempSync, renameSync, rmSync } from "node:fs";
import { open } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { unpack } from "@/db/archive";

/** The largest copy that is taken in: far above what twenty seasons of a large garden come to. */
const COPY_LIMIT = 512 * 1024 * 1024;

/** With its pictures it may come to so much. */
const ARCHIVE_LIMIT = 8 * COPY_LIMIT;

/** The copy that was brought last, until it is brought in or another is. */
const kept = globalThis as {
  orchardCopy?: { folder: string; path: string; photos: string };
  orchardCopyGoes?: boolean;
};

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
    if (size > ARCHIVE_LIMIT) throw new TooLarge();
    yield chunk;
  }
}

/** Whether a file is an archive, by its first letters. */
async function isArchive(path: string): Promise<boolean> {
  const file = await open(path);
  try {
    const { buffer } = await file.read(Buffer.alloc(2), 0, 2, 0);
    return buffer.toString("latin1") === "PK";
  } finally {
    await file.close();
  }
}

/**
 * Writes a request's body to a file of its own, in place of the copy brought before; an archive is unpacked.
 * @throws TooLarge; NoArchive
 */
export async function keepCopy(request: Request): Promise<{ folder: string; path: string }> {
  dropCopy();
  if (!kept.orchardCopyGoes) process.once("exit", dropCopy);
  kept.orchardCopyGoes = true;
  const folder = mkdtempSync(join(tmpdir(), "orchard-copy-"));
  const path = join(folder, "copy.db");
  const photos = join(folder, "photos");
  kept.orchardCopy = { folder, path, photos };
  const body = Readable.from(within((request.body ?? []) as AsyncIterable<Uint8Array>));
  await pipeline(body, createWriteStream(path));
  if (await isArchive(path)) {
    const archive = join(folder, "archive.zip");
    renameSync(path, archive);
    await unpack(archive, { db: path, photos }, COPY_LIMIT);
    rmSync(archive);
  }
  return kept.orchardCopy;
}
