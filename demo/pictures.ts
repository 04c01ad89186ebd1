import sharp from "sharp";
import { addDays, type Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { keepPhoto } from "@/db/photos";
import { chance } from "./random";
import type { Grower } from "./season";

type Drawn = { id: Id; kind: "vine" | "fruit"; much: number; flesh: string; seed: number };

const FLESH: Record<string, string> = { orange: "#e58a3c", pale: "#efc98a", white: "#f3ecd6" };
const WIDTH = 1200;
const HEIGHT = 900;

/** Soil with a few stones, and on it what was photographed. */
function drawing({ kind, much, flesh, seed }: Drawn): string {
  const luck = chance(seed);
  const at = (least: number, most: number) => Math.round(least + (most - least) * luck.next());
  const stones = Array.from(
    { length: 60 },
    () =>
      `<ellipse cx="${at(0, WIDTH)}" cy="${at(0, HEIGHT)}" rx="${at(4, 18)}" ry="${at(3, 11)}" fill="${luck.yes(0.5) ? "#6d5a48" : "#8b7761"}"/>`,
  ).join("");
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}">
    <rect width="${WIDTH}" height="${HEIGHT}" fill="#7a6550"/>${stones}${kind === "vine" ? vine(much, at) : fruit(much, FLESH[flesh] ?? FLESH.pale!, at)}</svg>`;
}

type At = (least: number, most: number) => number;

/** A vine from above: the more, the more leaves, farther out. */
function vine(much: number, at: At): string {
  const reach = 120 + 360 * much;
  const leaves = Array.from({ length: Math.round(14 + 40 * much) }, () => {
    const [angle, far] = [at(0, 360), at(20, reach)];
    const [x, y] = [600 + far * Math.cos(angle), 450 + 0.75 * far * Math.sin(angle)];
    const size = at(45, 85);
    return `<path d="M600 450 L${x} ${y}" stroke="#7d9a55" stroke-width="7"/>
      <ellipse cx="${x}" cy="${y}" rx="${size}" ry="${size * 0.8}" fill="${at(0, 1) ? "#4f7a3a" : "#5f8d45"}" stroke="#3c5f2c" stroke-width="4"/>`;
  });
  return leaves.join("");
}

/** A fruit cut in two: the more, the larger. */
function fruit(much: number, flesh: string, at: At): string {
  const r = 130 + 130 * much;
  const nets = Array.from(
    { length: 26 },
    () =>
      `<path d="M${at(360 - r, 360 + r)} ${450 - r} L${at(360 - r, 360 + r)} ${450 + r}" stroke="#d9c79a" stroke-width="4"/>`,
  ).join("");
  const seeds = Array.from({ length: 24 }, (_, i) => {
    const angle = (i / 24) * 2 * Math.PI;
    return `<ellipse cx="${850 + 0.36 * r * Math.cos(angle)}" cy="${450 + 0.36 * r * Math.sin(angle)}" rx="13" ry="7" fill="#f6edd2"/>`;
  }).join("");
  return `<clipPath id="skin"><circle cx="360" cy="450" r="${r}"/></clipPath>
    <circle cx="360" cy="450" r="${r}" fill="#b9a94f"/><g clip-path="url(#skin)">${nets}</g>
    <circle cx="850" cy="450" r="${r}" fill="#b9a94f"/><circle cx="850" cy="450" r="${r * 0.92}" fill="${flesh}"/>
    <circle cx="850" cy="450" r="${r * 0.45}" fill="#c9772f"/>${seeds}`;
}

type Pictured = { id: Id; number: number; season: number; sown: Day; mass: number | null; flesh: string | null };

/** Pictures of the last generation's chosen melons as they were cut, two years ago, and of this year's as they grow. */
export function pictures(grower: Grower, today: Day): Drawn[] {
  const season = Number(today.slice(0, 4));
  const score = (name: string, column: string) =>
    `(SELECT c.${column} FROM score c JOIN yardstick y ON y.id = c.yardstickId AND y.name = '${name}' WHERE c.plantId = p.id)`;
  const of = (where: string) =>
    grower.db
      .prepare(
        `SELECT p.id, p.number, s.season, s.sown, ${score("Fruit mass", "number")} mass, ${score("Flesh", "word")} flesh
           FROM plant p JOIN stand s ON s.id = p.standId JOIN line l ON l.id = s.lineId
           WHERE l.species = 'melon' AND s.family = 1 AND p.removedOn IS NULL AND ${where} ORDER BY s.code, p.number`,
      )
      .all() as Pictured[];
  const drawn: Drawn[] = [];
  const take = ({ id, mass, flesh }: Pictured, day: Day, kind: Drawn["kind"], words: string, much: number) => {
    grower.on(day);
    const photo = grower.record("photo.add", { plantId: id, words });
    drawn.push({ id: photo.id, kind, much, flesh: flesh ?? "", seed: Math.round((mass ?? 0) * 1000) + drawn.length });
  };
  for (const plant of of(`s.season = ${season - 2} AND p.mark = 'seed-parent'`))
    take(plant, `${season - 2}-09-20`, "fruit", "cut in two", Math.min(1, (plant.mass ?? 1) / 1.6));
  for (const plant of of(`s.season = ${season} AND p.mark IN ('keep', 'seed-parent')`))
    for (const [i, days] of [
      [1, 38],
      [2, 58],
    ] as const)
      take(plant, addDays(plant.sown, days), "vine", "", i * (0.3 + 0.06 * (plant.number % 4)));
  return drawn;
}

/** Draws the pictures into their places beside the database. */
export async function draw(db: Db, drawn: Drawn[]): Promise<void> {
  for (const one of drawn)
    await keepPhoto(
      db,
      one.id,
      await sharp(Buffer.from(drawing(one)))
        .png()
        .toBuffer(),
    );
}
