import { appendFileSync, createReadStream, mkdirSync } from "node:fs";
import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { basename, join } from "node:path";
import type { Database } from "better-sqlite3";
import { Unzip, UnzipInflate, Zip, ZipDeflate, ZipPassThrough } from "fflate";
import { copyTo } from "./backup";
import { isPhotoName, photoNames, photosOf } from "./photos";

/**
 * The whole garden as one zip file, piece by piece: the database and the folder of its pictures, named as they lie, so that
 * unpacking it puts both where the program looks for them.
 */
export async function* archiveOf(db: Database): AsyncGenerator<Uint8Array<ArrayBuffer>> {
  const made: Uint8Array<ArrayBuffer>[] = [];
  const zip = new Zip((failure, piece) => {
    if (failure) throw failure;
    made.push(piece as Uint8Array<ArrayBuffer>);
  });
  const name = db.memory ? "orchard.db" : basename(db.name);
  const passing = await mkdtemp(join(tmpdir(), "orchard-archive-"));
  try {
    const copy = join(passing, "copy.db");
    await copyTo(db, copy);
    const file = new ZipDeflate(name, { level: 6 });
    zip.add(file);
    for await (const piece of createReadStream(copy)) {
      file.push(piece as Uint8Array);
      yield* made.splice(0);
    }
    file.push(new Uint8Array(), true);
  } finally {
    await rm(passing, { recursive: true, force: true });
  }
  const folder = photosOf(db);
  for (const photo of photoNames(folder)) {
    // Pictures are packed already.
    const file = new ZipPassThrough(`${name}.photos/${photo}`);
    zip.add(file);
    file.push(await readFile(join(folder, photo)), true);
    yield* made.splice(0);
  }
  zip.end();
  yield* made.splice(0);
}

/** A file that is no archive of a garden, or is broken off. */
export class NoArchive extends Error {}

/** A picture that unpacks to more is none that this program kept, bytes. */
const PHOTO_MOST = 8 * 1024 * 1024;
const JPEG = [0xff, 0xd8, 0xff];

/**
 * Unpacks an archive: the database to a file, its pictures into a folder. Anything else in it is left.
 * @param most bytes that the database may unpack to
 * @throws NoArchive
 */
export async function unpack(archive: string, to: { db: string; photos: string }, most: number): Promise<void> {
  mkdirSync(to.photos, { recursive: true });
  let found = false;
  /** Files of which the end was not seen yet. */
  const unfinished = new Set<string>();
  let wrong: string | null = null;
  /** What the disk said, where it could not write. */
  let failed: Error | null = null;
  const unzip = new Unzip((file) => {
    const name = basename(file.name);
    const isDb = file.name === name && name.endsWith(".db") && !found;
    if (!isDb && !isPhotoName(name)) return;
    found ||= isDb;
    const path = isDb ? to.db : join(to.photos, name);
    let size = 0;
    unfinished.add(name);
    file.ondata = (failure, piece, last) => {
      if (last) unfinished.delete(name);
      // Told afterwards: what is thrown in here the unpacking takes for its own.
      if (failure) wrong ??= "It can't be unpacked.";
      else if (!isDb && size === 0 && JPEG.some((byte, i) => piece[i] !== byte))
        wrong ??= `${name} in it is no picture.`;
      size += piece?.length ?? 0;
      if (size > (isDb ? most : PHOTO_MOST)) wrong ??= `${name} in it is larger than any garden's.`;
      if (wrong !== null) return;
      try {
        appendFileSync(path, piece);
      } catch (failure) {
        failed ??= failure as Error;
        wrong = "It can't be written.";
      }
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for await (const piece of createReadStream(archive)) {
      unzip.push(piece as Uint8Array);
      if (wrong !== null) break;
    }
    if (wrong === null) unzip.push(new Uint8Array(), true);
  } catch {
    wrong ??= "It can't be unpacked.";
  }
  if (unfinished.size > 0) wrong ??= "It is broken off.";
  if (failed) throw failed;
  if (wrong !== null) throw new NoArchive(wrong);
  if (!found) throw new NoArchive("There is no garden in it.");
}
