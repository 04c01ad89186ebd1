import { type Day, dayNumber, dayOf } from "../calendar/day";
import { normalFrom, seeded } from "../numbers/chance";
import { placeInYear, type Temperature } from "./temperature";

export type StationReading = Temperature & { day: Day };
/** A forecast day: how far ahead it lies, and the standard deviation of its error, °C. */
export type StationForecast = StationReading & { lead: number; spread: number };

/** Rain ahead: the chance of it on a day, 0–1, and about how much would fall, mm. */
export type RainAhead = { day: Day; chance: number; mm: number };

/** What a weather station answers, simulated or real. */
export type WeatherStation = {
  name: string;
  readings: (from: Day, to: Day) => StationReading[];
  forecast: (today: Day, days: number) => StationForecast[];
  rain: (today: Day, days: number) => RainAhead[];
};

const SPELL = [0.55, 0.45, 0.36, 0.3, 0.24, 0.19, 0.15, 0.12];
const SPELL_DEVIATION = Math.hypot(...SPELL);
const tenth = (degrees: number) => Math.round(degrees * 10) / 10;
/** How wrong a forecast is, °C, one day ahead and for every day further. */
const FIRST_ERROR = 0.9;
const LATER_ERROR = 0.45;
/** About one day in three is wet. */
const WET = 0.5;

/**
 * A weather station that ships with the program: days scatter around the normals in spells of warm and cold, with a
 * clear cold night now and then, so that frosts come late and early. The same seed always gives the same weather.
 * It stands in for a real one and says nothing of real weather.
 * @param daily 366 normal days, 1 January first
 * @example simulatedStation(Array(366).fill({ min: 5, max: 15 }), 7).readings("2027-02-27", "2027-03-01").length // 3
 */
export function simulatedStation(daily: Temperature[], seed: number): WeatherStation {
  const lows = daily.map((day) => day.min);
  const [coldest, warmest] = [Math.min(...lows), Math.max(...lows)];
  const noise = (day: number, kind: number) => {
    const luck = seeded(seed * 7919 + day * 31 + kind);
    luck();
    return Math.max(-2.6, Math.min(2.6, normalFrom(luck(), luck())));
  };
  const on = (number: number): Temperature => {
    const normal = daily[placeInYear(number)]!;
    const spell = SPELL.reduce((sum, weight, back) => sum + weight * noise(number - back, 1), 0) / SPELL_DEVIATION;
    const clear = noise(number, 2);
    const coldNight = clear > 1.75 ? 3 : 0;
    // Summer weather scatters less than winter weather.
    const swing = 0.75 + (0.35 * (warmest - normal.min)) / Math.max(1, warmest - coldest);
    const min = normal.min + swing * (3 * spell - 0.8 * clear - coldNight);
    const max = normal.max + swing * (3.6 * spell + 1.2 * clear);
    return { min: tenth(Math.min(min, max - 0.5)), max: tenth(max) };
  };
  return {
    name: "Simulated station",
    readings(from, to) {
      const readings: StationReading[] = [];
      for (let n = dayNumber(from); n <= dayNumber(to); n++) readings.push({ day: dayOf(n), ...on(n) });
      return readings;
    },
    rain(today, days) {
      return Array.from({ length: days }, (_, i) => {
        const number = dayNumber(today) + i + 1;
        // Wet days come in spells of two or three; what is forecast of them is less sure the farther off they are.
        const wet = noise(number, 5) + 0.6 * noise(number - 1, 5) > WET;
        const doubt = Math.min(0.35, 0.06 * (i + 1));
        const mm = 2 + 5 * Math.abs(noise(number, 6));
        return {
          day: dayOf(number),
          chance: Number((wet ? 0.95 - doubt : 0.05 + doubt).toFixed(2)),
          mm: Math.round(mm),
        };
      });
    },
    forecast(today, days) {
      return Array.from({ length: days }, (_, i) => {
        const lead = i + 1;
        const number = dayNumber(today) + lead;
        const spread = FIRST_ERROR + LATER_ERROR * (lead - 1);
        const error = (kind: number) => spread * noise(number * 13 + lead, kind);
        const { min, max } = on(number);
        const [low, high] = [min + error(3), max + error(4)];
        return {
          day: dayOf(number),
          lead,
          spread: tenth(spread),
          min: tenth(Math.min(low, high - 0.5)),
          max: tenth(high),
        };
      });
    },
  };
}
