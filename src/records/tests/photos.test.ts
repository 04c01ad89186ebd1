import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import { strToU8, zipSync } from "fflate";
import sharp from "sharp";
import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { archiveOf, NoArchive, unpack } from "@/db/archive";
import { keepDaily } from "@/db/backup";
import { newId } from "@/db/ids";
import { copyPhotos, keepPhoto, NoPicture, photoFile, photoNames, photosOf } from "@/db/photos";
import { compareView } from "@/views/compare";
import { familyView } from "@/views/family";
import { roguingView } from "@/views/roguing";
import { family, NOBODY, type Plot, plot } from "./plot";

let garden: Plot;
let made: ReturnType<typeof family>;
let away: string;
beforeEach(() => {
  garden = plot();
  made = family(garden);
  away = mkdtempSync(join(tmpdir(), "orchard-away-"));
});
afterEach(() => {
  garden.close();
  rmSync(away, { recursive: true });
});

/** A picture as a phone gives it: on its side, with the place where it was taken. */
const fromPhone = () =>
  sharp({ create: { width: 2000, height: 1000, channels: 3, background: "#486" } })
    .jpeg()
    .withMetadata({ orientation: 6 })
    .withExifMerge({ IFD0: { Make: "a phone" }, IFD3: { GPSLatitude: "48/1 30/1 0/1", GPSLatitudeRef: "N" } })
    .toBuffer();
const kept = async (id = newId()) => {
  await keepPhoto(garden.db, id, await fromPhone());
  return id;
};

describe("a picture's file", () => {
  test("is made smaller and upright, and says nothing of the place it was taken at", async () => {
    const phone = await fromPhone();
    expect((await sharp(phone).metadata()).exif).toBeDefined();
    const id = await kept();
    const whole = (await photoFile(garden.db, id, "whole"))!;
    expect(await sharp(whole).metadata()).toMatchObject({ format: "jpeg", width: 800, height: 1600 });
    const { exif, xmp, iptc, orientation } = await sharp(whole).metadata();
    expect([exif, xmp, iptc, orientation]).toEqual([undefined, undefined, undefined, undefined]);
    const small = (await photoFile(garden.db, id, "small"))!;
    expect(await sharp(small).metadata()).toMatchObject({ width: 160, height: 320 });
    expect(photoNames(photosOf(garden.db))).toEqual([`${id}.small.jpg`, `${id}.whole.jpg`]);
  });

  test("a small one stays as large as it is; what is kept under an id stays", async () => {
    const id = newId();
    const little = await sharp({ create: { width: 40, height: 30, channels: 3, background: "red" } })
      .png()
      .toBuffer();
    await keepPhoto(garden.db, id, little);
    const first = (await photoFile(garden.db, id, "whole"))!;
    expect(await sharp(first).metadata()).toMatchObject({ format: "jpeg", width: 40, height: 30 });
    await keepPhoto(garden.db, id, await fromPhone());
    expect(await photoFile(garden.db, id, "whole")).toEqual(first);
  });

  test.each([
    ["a text", strToU8("no picture")],
    ["nothing", new Uint8Array()],
    ["a picture broken off", new Uint8Array([0xff, 0xd8, 0xff, 0xe0, 0, 16])],
  ])("%s is none, and leaves nothing behind", async (_, bytes) => {
    await expect(keepPhoto(garden.db, newId(), bytes)).rejects.toThrow(NoPicture);
    expect(existsSync(photosOf(garden.db))).toBe(false);
  });

  test("one that lies elsewhere is none here", async () => {
    expect(await photoFile(garden.db, NOBODY, "whole")).toBeNull();
  });

  test("every backup's pictures lie in one folder beside the backups", async () => {
    const [first] = [await kept()];
    await keepDaily(garden.db, "2028-07-01");
    const second = await kept();
    await keepDaily(garden.db, "2028-07-02");
    expect(photoNames(`${garden.path}.backups/orchard.photos`)).toEqual(
      [first, second].flatMap((id) => [`${id}.small.jpg`, `${id}.whole.jpg`]).sort(),
    );
    expect(await copyPhotos(photosOf(garden.db), `${garden.path}.backups/orchard.photos`)).toBe(0);
  });
});

describe("the archive", () => {
  const archived = async () => {
    const pieces: Uint8Array[] = [];
    for await (const piece of archiveOf(garden.db)) pieces.push(piece);
    const path = join(away, "garden.zip");
    writeFileSync(path, Buffer.concat(pieces));
    return path;
  };
  const to = () => ({ db: join(away, "copy.db"), photos: join(away, "photos") });
  const MOST = 50_000_000;

  test("holds the database and every picture, byte for byte", async () => {
    const id = await kept();
    garden.done("photo.add", { plantId: made.plants[0] });
    await unpack(await archived(), to(), MOST);
    const copy = new Database(to().db, { readonly: true });
    expect(copy.pragma("integrity_check", { simple: true })).toBe("ok");
    expect(copy.prepare("SELECT count(*) FROM photo").pluck().get()).toBe(1);
    copy.close();
    for (const name of photoNames(photosOf(garden.db)))
      expect(readFileSync(join(to().photos, name)).equals(readFileSync(join(photosOf(garden.db), name)))).toBe(true);
    expect(photoNames(to().photos)).toHaveLength(2);
    expect(photoNames(to().photos)[0]).toContain(id);
  });

  test.each([0.4, 0.9, 0.97])("broken off after %d of it, it is refused", async (share) => {
    await kept();
    const path = await archived();
    const bytes = readFileSync(path);
    const torn = join(away, "torn.zip");
    // The list of files at its end is not needed; the files are.
    const list = bytes.indexOf(Buffer.from([0x50, 0x4b, 0x01, 0x02]));
    writeFileSync(torn, bytes.subarray(0, Math.floor(list * share)));
    await expect(unpack(torn, to(), MOST)).rejects.toThrow(NoArchive);
  });

  const zipped = (files: Record<string, Uint8Array>) => {
    const path = join(away, "other.zip");
    writeFileSync(path, zipSync(files));
    return path;
  };
  test.each<[string, Record<string, Uint8Array>, RegExp]>([
    ["without a garden", { "letter.txt": strToU8("hello") }, /no garden in it/],
    [
      "with something else under a picture's name",
      { "a.db": strToU8("x"), [`p/${NOBODY}.whole.jpg`]: strToU8("<svg>") },
      /is no picture/,
    ],
    ["that unpacks to too much", { "a.db": new Uint8Array(3000) }, /larger than any garden/],
  ])("one %s is refused", async (_, files, why) => {
    await expect(unpack(zipped(files), to(), 2000)).rejects.toThrow(why);
  });

  test("nothing is written beside the places it is unpacked to", async () => {
    const jpeg = new Uint8Array([0xff, 0xd8, 0xff, 0]);
    await unpack(
      zipped({
        "a.db": strToU8("db"),
        "../../evil.db": strToU8("no"),
        "x/b.db": strToU8("no"),
        [`../${NOBODY}.small.jpg`]: jpeg,
      }),
      to(),
      MOST,
    );
    expect(readFileSync(to().db, "utf8")).toBe("db");
    expect(photoNames(to().photos)).toEqual([`${NOBODY}.small.jpg`]);
    expect(existsSync(join(away, "..", "evil.db"))).toBe(false);
  });

  test("what is no zip at all is refused", async () => {
    const path = join(away, "torn.zip");
    writeFileSync(path, "PK torn");
    await expect(unpack(path, to(), MOST)).rejects.toThrow(NoArchive);
  });
});

describe("what a picture is of", () => {
  const photos = () => familyView(garden.sky(), garden.code("stand", made.stand))!.photos;

  test("history says of what a picture is: of a plant by its number, of a kind of off-type by its name", () => {
    const [one] = made.plants;
    const code = garden.code("stand", made.stand);
    const { id, message } = garden.done("photo.add", { plantId: one });
    expect(message).toBe(`Picture of ${code} plant 1 kept`);
    const { version } = photos()[one!]![0]!;
    expect(garden.done("photo.change", { id, version, words: "ripe" }).message).toBe(
      `Picture of ${code} plant 1: its words changed`,
    );
  });

  test("a plant's pictures stand with it, the oldest first, and with the kept plants side by side", () => {
    const [one, two] = made.plants;
    garden.on("2028-07-20");
    const late = garden.done("photo.add", { plantId: one, words: "ripe" });
    const early = garden.done("photo.add", { plantId: one, takenOn: "2028-06-20" });
    const other = garden.done("photo.add", { plantId: two, takenOn: "2028-06-28" });
    expect(photos()[one!]!.map(({ id }) => id)).toEqual([early.id, late.id]);
    garden.done("plant.marks", { ids: [one, two], mark: "keep" });
    const side = compareView(garden.sky(), garden.code("stand", made.stand), { x: null, y: null, plants: [] })!;
    expect(side.days).toEqual(["2028-06-20", "2028-06-28", photos()[one!]![1]!.takenOn]);
    // One that is asked for stands alone, kept or not.
    const alone = compareView(garden.sky(), garden.code("stand", made.stand), { x: null, y: null, plants: [3] })!;
    expect(alone.chosen.map(({ number }) => number)).toEqual([3]);
    expect(side.chosen.map((plant) => plant.photos.map(({ id }) => id))).toEqual([[early.id, late.id], [other.id]]);
  });

  test("its first row goes by the id that the device sent the file under", () => {
    const { id, entry } = garden.done("photo.add", { plantId: made.plants[0] });
    expect(Number.parseInt(id.slice(-10), 16)).toBe((Number.parseInt(entry.slice(-10), 16) + 1) % 16 ** 10);
  });

  test("it is of one thing, on a day that plant and press have seen", () => {
    const plantId = made.plants[0];
    const kind = garden.done("offkind.add", { lineId: made.lineId, name: "split" }).id;
    expect(garden.refused("photo.add", {}).fields.plantId).toBe("A picture is of one thing.");
    expect(garden.refused("photo.add", { plantId, offkindId: kind }).fields.plantId).toBe("A picture is of one thing.");
    expect(garden.refused("photo.add", { plantId, takenOn: "2029-01-01" }).fields.takenOn).toContain("still to come");
    expect(garden.refused("photo.add", { plantId, takenOn: "2027-01-01" }).fields.takenOn).toContain("was sown on");
    // An off-type may have been seen in any year.
    garden.done("photo.add", { offkindId: kind, takenOn: "2020-01-01" });
  });

  test("an off-type that is struck out takes its pictures with it, and brings them back", () => {
    const kind = garden.done("offkind.add", { lineId: made.lineId, name: "split" }).id;
    const { id } = garden.done("photo.add", { offkindId: kind });
    const shown = () =>
      roguingView(garden.sky(), garden.code("stand", made.stand))!.kinds.map(({ photos: of }) => of.map((p) => p.id));
    expect(shown()).toEqual([[id]]);
    const dropped = garden.done("offkind.drop", { id: kind, version: garden.version("offkind", kind) });
    expect(shown()).toEqual([]);
    garden.undone(dropped.entry);
    expect(shown()).toEqual([[id]]);
  });

  test("one taken away keeps its file, so that it can be brought back", async () => {
    const { id } = garden.done("photo.add", { plantId: made.plants[0] });
    await kept(id);
    const gone = garden.done("photo.remove", { id, version: garden.version("photo", id) });
    expect(photos()).toEqual({});
    expect(garden.refused("photo.remove", { id, version: gone.entry }).message).toContain("not there any more");
    garden.undone(gone.entry);
    expect(photos()[made.plants[0]!]).toHaveLength(1);
    expect(await photoFile(garden.db, id, "small")).not.toBeNull();
  });
});
