import type { Point } from "./shape";

/** The garden's corner on the globe, degrees. */
export type Origin = { latitude: number; longitude: number };

const RADIUS = 6_371_008.8;
const DEGREE = (Math.PI * RADIUS) / 180;

/**
 * Metres from the garden's corner as longitude and latitude, on a sphere of the earth's mean radius, flat around the
 * corner: good to about a part in a thousand within ten kilometres.
 * @example toGlobe({ x: 0, y: 111195 }, { latitude: 0, longitude: 0 }) // [0, 1.0000]
 */
export function toGlobe({ x, y }: Point, origin: Origin): [number, number] {
  const longitude = origin.longitude + x / (DEGREE * Math.cos((origin.latitude * Math.PI) / 180));
  return [round(longitude, 8), round(origin.latitude + y / DEGREE, 8)];
}

/**
 * Longitude and latitude as metres from the garden's corner; the reverse of `toGlobe`.
 * @example fromGlobe([0, 1], { latitude: 0, longitude: 0 }) // { x: 0, y: 111195.08 }
 */
export function fromGlobe([longitude, latitude]: [number, number], origin: Origin): Point {
  return {
    x: round((longitude - origin.longitude) * DEGREE * Math.cos((origin.latitude * Math.PI) / 180), 3),
    y: round((latitude - origin.latitude) * DEGREE, 3),
  };
}

const round = (value: number, places: number) => Number(value.toFixed(places));
