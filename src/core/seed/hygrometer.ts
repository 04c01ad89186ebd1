import { addDays, type Day, daysBetween } from "../calendar/day";
import { normalFrom, seeded } from "../numbers/chance";
import type { Air } from "./ageing";

/** Hours between two readings of the simulated logger. */
const EVERY = 4;

const two = (n: number) => String(n).padStart(2, "0");

/**
 * What the simulated thermo-hygrometer has logged in a place: made-up air around its usual one, warmer in summer, with a
 * spell in which the door stood open, a few lines dropped, and now and then rubbish, as such loggers write.
 * The same place and days give the same log. It stands in for a logger whose file is written the same way.
 * @param seed any whole number, of the place
 * @param south whether its summer is in January
 * @returns lines `2027-07-09T08:00,14.2,38`, °C and %
 * @example hygrometerLog({ temperature: 8, humidity: 0.35 }, 7, "2027-03-01", "2027-03-02", false).split("\n").length // 13
 */
export function hygrometerLog(usual: Air, seed: number, from: Day, to: Day, south: boolean): string {
  const lines = ["time,temperature,humidity"];
  for (let i = 0; i <= daysBetween(from, to); i++) {
    const on = addDays(from, i);
    const year = Number(on.slice(0, 4));
    const dayOfYear = daysBetween(`${year}-01-01`, on);
    const luck = seeded(seed * 7919 + year * 400 + dayOfYear);
    // Each year has one week in which it lay warm and damp.
    const spell = 150 + Math.floor(seeded(seed + year)() * 90);
    const open = dayOfYear >= spell && dayOfYear < spell + 6;
    const summer = Math.cos((2 * Math.PI * (dayOfYear - (south ? 20 : 202))) / 365);
    for (let hour = 0; hour < 24; hour += EVERY) {
      const stamp = `${on}T${two(hour)}:00`;
      const chance = luck();
      const wobble = normalFrom(luck(), luck());
      if (chance < 0.02) lines.push(`${stamp},--,--`);
      else if (chance < 0.025) lines.push(`${stamp},85.0,${100 + Math.floor(luck() * 90)}`);
      else {
        const temperature = usual.temperature + 2 * summer + 0.4 * wobble + (open ? 11 : 0);
        const humidity = Math.min(97, usual.humidity * 100 + 2 * summer + wobble + (open ? 24 : 0));
        lines.push(`${stamp},${temperature.toFixed(1)},${humidity.toFixed(0)}`);
      }
    }
  }
  return lines.join("\n");
}
