import type { SunMarks } from "./sun";
import type { Temperature } from "./temperature";

const HOUR = 3_600_000;
/** The warmest hour comes about this long after the sun's highest point. */
const WARMEST_AFTER_NOON = 2.5;

/**
 * The air's temperature at a moment of a day: lowest at sunrise, warmest two and a half hours after the sun's highest
 * point, half a cosine between them and back towards the next low by the same curve. A rule of thumb for clear days.
 * @returns °C
 * @example temperatureAt({ min: 8, max: 24 }, { sunrise: new Date(0), noon: new Date(3e7) }, new Date(0)) // 8
 */
export function temperatureAt({ min, max }: Temperature, { sunrise, noon }: SunMarks, moment: Date): number {
  const low = sunrise.getTime();
  const high = noon.getTime() + WARMEST_AFTER_NOON * HOUR;
  const at = moment.getTime();
  const rise = high - low;
  const share = at <= high ? (at - low) / rise : 1 - (at - high) / (24 * HOUR - rise);
  return min + ((max - min) * (1 - Math.cos(Math.PI * Math.min(1, Math.max(0, share))))) / 2;
}

/** Air in which bumblebees, and later honey bees, begin to fly, °C; common guidance, working values. */
const FLIES = { bumblebees: 7, honeyBees: 12 };

/**
 * Between which moments the first insects are about: bumblebees from sunrise once it is mild enough for them, honey
 * bees once it is warmer. A working value, and weather moves it.
 * @returns null where it stays too cold all day even for bumblebees
 * @example firstInsects({ min: 5, max: 17 }, { sunrise: new Date(0), noon: new Date(3e7), sunset: new Date(6e7)
 *   })?.from.getTime() // 10500000
 * @example firstInsects({ min: 5, max: 17 }, { sunrise: new Date(0), noon: new Date(3e7), sunset: new Date(6e7)
 *   })?.to.getTime() // 21600000
 */
export function firstInsects(temperature: Temperature, marks: SunMarks): { from: Date; to: Date } | null {
  const { sunrise, sunset } = marks;
  const when = (degrees: number): Date | null => {
    for (let at = sunrise.getTime(); at <= sunset.getTime(); at += HOUR / 12)
      if (temperatureAt(temperature, marks, new Date(at)) >= degrees) return new Date(at);
    return null;
  };
  const from = when(FLIES.bumblebees);
  return from && { from, to: when(FLIES.honeyBees) ?? sunset };
}
