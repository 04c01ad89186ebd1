import { randomUUID } from "node:crypto";
import { existsSync, mkdirSync, readdirSync } from "node:fs";
import { copyFile, readFile, rename, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Database } from "better-sqlite3";
import sharp from "sharp";
import { type Id, isId } from "@/core/custody/id";
import { deviceOf } from "./ids";

/** The longer side of a picture as it is kept, and as it is shown among others, pixels. */
const SIDES = { whole: 1600, small: 320 } as const;
export type Size = keyof typeof SIDES;
/** More than this a camera does not give, pixels; a file that unpacks to more is none of a garden's. */
const MOST_PIXELS = 120_000_000;

/** A file that is no picture this program can read. */
export class NoPicture extends Error {}

/** Where the pictures of a database lie: in a folder beside it; of one in memory, among the machine's passing files. */
export const photosOf = (db: Database): string =>
  db.memory ? join(tmpdir(), `orchard-photos-${deviceOf(db)}`) : `${db.name}.photos`;

const NAME = /^([\da-f-]{36})\.(?:whole|small)\.jpg$/;
const nameOf = (id: Id, size: Size) => `${id}.${size}.jpg`;
/** Whether a file's name is a picture's. */
export const isPhotoName = (name: string): boolean => isId(NAME.exec(name)?.[1]);

/** A file is whole or not there: what was broken off leaves nothing under its name. */
async function writeWhole(path: string, bytes: Uint8Array): Promise<void> {
  const unfinished = `${path}.${randomUUID()}`;
  await writeFile(unfinished, bytes, { flush: true });
  await rename(unfinished, path);
}

/**
 * Keeps a picture under an id, turned upright, made smaller, and without what a camera writes beside it: place, owner, hour.
 * What is kept under an id stays as it was first kept.
 * @throws NoPicture for what can't be read as one
 */
export async function keepPhoto(db: Database, id: Id, bytes: Uint8Array): Promise<void> {
  const folder = photosOf(db);
  const whole = join(folder, nameOf(id, "whole"));
  if (existsSync(whole)) return;
  const made = async (from: Uint8Array, size: Size) =>
    sharp(from, { limitInputPixels: MOST_PIXELS })
      .rotate()
      .resize(SIDES[size], SIDES[size], { fit: "inside", withoutEnlargement: true })
      .jpeg({ quality: 82 })
      .toBuffer();
  const kept = await made(bytes, "whole").catch((failure: Error) => {
    throw new NoPicture(failure.message);
  });
  mkdirSync(folder, { recursive: true });
  await writeWhole(join(folder, nameOf(id, "small")), await made(kept, "small"));
  await writeWhole(whole, kept);
}

/** A kept picture; null where its file lies elsewhere. */
export async function photoFile(db: Database, id: Id, size: Size): Promise<Uint8Array<ArrayBuffer> | null> {
  try {
    return new Uint8Array(await readFile(join(photosOf(db), nameOf(id, size))));
  } catch (failure) {
    if ((failure as NodeJS.ErrnoException).code === "ENOENT") return null;
    throw failure;
  }
}

/** The files of all pictures in a folder, by name. */
export const photoNames = (folder: string): string[] =>
  existsSync(folder) ? readdirSync(folder).filter(isPhotoName).sort() : [];

/** Copies the pictures that another folder lacks. */
export async function copyPhotos(from: string, to: string): Promise<number> {
  const had = new Set(photoNames(to));
  const lacking = photoNames(from).filter((name) => !had.has(name));
  if (lacking.length > 0) mkdirSync(to, { recursive: true });
  for (const name of lacking) {
    const unfinished = join(to, `${name}.${randomUUID()}`);
    try {
      await copyFile(join(from, name), unfinished);
      await rename(unfinished, join(to, name));
    } finally {
      await rm(unfinished, { force: true });
    }
  }
  return lacking.length;
}
