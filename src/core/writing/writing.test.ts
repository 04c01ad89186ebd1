import fc from "fast-check";
import { afterEach, describe, expect, test } from "vitest";
import { dayInWords, dayOf } from "../calendar/day";
import { readAmount } from "./amounts";
import { dayOfYearTyped, dayTyped, readDay, readDayOfYear } from "./days";
import { hourInWords } from "./hours";
import { foreignWords, lettersOf } from "./letters";
import { LOCALES, type Locale, writeAs } from "./locale";
import { figure, numberTyped, readNumber } from "./numbers";
import {
  bearingInWords,
  bearingTyped,
  coordinateInWords,
  coordinateTyped,
  readBearing,
  readCoordinate,
} from "./places";
import type { Read } from "./read";

afterEach(() => writeAs("en-GB"));

/** What was read, in short: the value; the choices; or that it was not. */
const short = <T>(of: Read<T>) =>
  of.kind === "read" ? of.value : of.kind === "asked" ? of.choices.map(({ value }) => value) : of.kind;

describe("a number", () => {
  test.each<[string, unknown]>([
    ["12", 12],
    [" 1,2 ", 1.2],
    ["-44,9", -44.9],
    ["−3.5", -3.5],
    ["+7", 7],
    [".5", 0.5],
    [",5", 0.5],
    ["5.", 5],
    ["85,5", 85.5],
    ["0,250", 0.25],
    ["1.2500", 1.25],
    ["1 250", 1250],
    ["1\u202f250,5", 1250.5],
    ["1'250", 1250],
    ["1,250,000", 1_250_000],
    ["1.250,5", 1250.5],
    ["1,250.5", 1250.5],
    ["½", 0.5],
    ["1½", 1.5],
    ["3 1/2", 3.5],
    ["1/4", 0.25],
    ["", "empty"],
    ["  ", "empty"],
    // What nobody means, and what can be meant in two ways.
    ["0x10", "unread"],
    ["1e5", "unread"],
    ["12a", "unread"],
    ["1,25,5", "unread"],
    ["1.25.500", "unread"],
    [".", "unread"],
    ["-", "unread"],
    ["1/0", "unread"],
    ["Infinity", "unread"],
    ["1,250", [1250, 1.25]],
    ["1.250", [1.25, 1250]],
    ["-1,250", [-1250, -1.25]],
    ["10-20", [10, 15, 20]],
    ["10 – 20", [10, 15, 20]],
    ["10 to 20", [10, 15, 20]],
    ["1,5 bis 2", [1.5, 1.75, 2]],
    ["5-5", 5],
  ])("%s", (text, value) => {
    expect(short(readNumber(text))).toEqual(value);
  });

  test("of two readings the one by the person's own sign comes first", () => {
    expect(short(readNumber("1,250", "de"))).toEqual([1.25, 1250]);
    expect(short(readNumber("1.250", "de"))).toEqual([1250, 1.25]);
  });

  test("is written as the locale does", () => {
    expect([figure(1234.567, 1), figure(2, 2, 2), figure(0.04, 1)]).toEqual(["1,234.6", "2.00", "0"]);
    writeAs("de");
    expect([figure(1234.567, 1), numberTyped(0.25), numberTyped(1234.5)]).toEqual(["1.234,6", "0,25", "1234,5"]);
  });
});

describe("an amount", () => {
  test.each<[string, string | null, unknown]>([
    ["12,5", "m", 12.5],
    ["30 ft", "m", 9.144],
    ["30ft", "ft", 30],
    ["9.1440 m", "ft", 30],
    ["5'6\"", "m", 1.6764],
    ["5 ft 6 in", "ft", 5.5],
    ["40 cm", "m", 0.4],
    ["350 mm", "m", 0.35],
    ["2 oz", "g", 56.69904625],
    ["2 lb 3 oz", "g", 992.2333094],
    ["1,5 kg", "g", 1500],
    ["68 °F", "°C", 20],
    ["20 C", "°F", 68],
    ["40", "°C", 40],
    ["1 in 40", "%", 2.5],
    ["5 %", "%", 5],
    ["3 weeks", "days", 21],
    ["½ oz", "oz", 0.5],
    ["1,250 m", "m", [1250, 1.25]],
    // Another dimension, a unit where there is none, the smaller before the larger, twice the same.
    ["2 oz", "m", "unread"],
    ["12 m", null, "unread"],
    ["6 in 5 ft", "m", "unread"],
    ["1 m 2 m", "m", "unread"],
    ["5 parsec", "m", "unread"],
    ["68 F 2 F", "°C", "unread"],
    ["m", "m", "unread"],
    ["", "m", "empty"],
  ])("%s, in %s", (text, unit, value) => {
    expect(short(readAmount(text, unit))).toEqual(value);
  });

  test("says what it is where something else is wanted", () => {
    expect(readAmount("2 oz", "m")).toEqual({ kind: "unread", why: "“2 oz” is a mass; a length is wanted here." });
  });
});

describe("a day", () => {
  const TODAY = "2027-09-01";
  test.each<[string, Locale, unknown]>([
    ["2027-07-09", "en-GB", "2027-07-09"],
    ["25/10", "en-GB", "2027-10-25"],
    ["10/25", "en-US", "2027-10-25"],
    ["3/4", "en-GB", "2027-04-03"],
    ["3/4", "en-US", "2027-03-04"],
    // The other order where the person's own gives no day.
    ["25/10", "en-US", "2027-10-25"],
    ["10 April", "en-GB", "2027-04-10"],
    ["April 10th, 2026", "en-US", "2026-04-10"],
    ["10. April 2027", "de", "2027-04-10"],
    ["1. März", "de", "2028-03-01"],
    ["10.4.", "de", "2027-04-10"],
    ["10.4.27", "de", "2027-04-10"],
    ["1er août", "fr", "2027-08-01"],
    ["10 kwietnia", "pl", "2027-04-10"],
    ["10 paz", "pl", "2027-10-10"],
    ["10/4/27", "en-GB", "2027-04-10"],
    ["Fri 9 July 2027", "en-GB", "2027-07-09"],
    ["Fr. 9. Juli 2027", "de", "2027-07-09"],
    ["9th of July", "en-GB", "2027-07-09"],
    ["yesterday", "en-GB", "2027-08-31"],
    ["gestern", "de", "2027-08-31"],
    ["demain", "fr", "2027-09-02"],
    ["dziś", "pl", "2027-09-01"],
    ["3 days ago", "en-GB", "2027-08-29"],
    ["in 2 weeks", "en-GB", "2027-09-15"],
    ["vor 2 Wochen", "de", "2027-08-18"],
    // The nearest year, over New Year too.
    ["10 Jan", "en-GB", "2028-01-10"],
    ["29 Feb", "en-GB", "2028-02-29"],
    ["", "en-GB", "empty"],
    ["31/6", "en-GB", "unread"],
    ["2027-02-29", "en-GB", "unread"],
    ["32", "en-GB", "unread"],
    ["ma 5", "en-GB", "unread"],
    ["soon", "en-GB", "unread"],
    ["5 days", "en-GB", "unread"],
    ["05-06", "en-GB", ["2027-05-06", "2027-06-05"]],
  ])("%s as %s writes it", (text, locale, day) => {
    expect(short(readDay(text, TODAY, locale))).toEqual(day);
  });

  test.each<[string, unknown]>([
    ["05-20", "05-20"],
    ["20 May", "05-20"],
    ["20/5", "05-20"],
    ["20.5.", "05-20"],
    ["25-09", "09-25"],
    ["05-06", ["05-06", "06-05"]],
    ["29 Feb", "unread"],
    ["20 May 2027", "unread"],
    ["13-13", "unread"],
    ["", "empty"],
  ])("of every year: %s", (text, day) => {
    expect(short(readDayOfYear(text))).toEqual(day);
  });
});

describe("a place and a bearing", () => {
  test.each<[string, "latitude" | "longitude", unknown]>([
    ["-44,9", "latitude", -44.9],
    ["44.9 S", "latitude", -44.9],
    ["S 44.9", "latitude", -44.9],
    ["s44,9", "latitude", -44.9],
    ["44°54′ S", "latitude", -44.9],
    ["44° 54' 36\" S", "latitude", -44.91],
    ["44 54 36 S", "latitude", -44.91],
    ["44°54.6'", "latitude", 44.91],
    ["9.3° O", "longitude", "unread"],
    ["170.2 E", "longitude", 170.2],
    ["170.2 E", "latitude", "unread"],
    ["91", "latitude", "unread"],
    ["44°75'", "latitude", "unread"],
    ["44.5°30'", "latitude", "unread"],
    ["-44.9 S", "latitude", "unread"],
    ["somewhere", "latitude", "unread"],
    ["", "longitude", "empty"],
  ])("%s as a %s", (text, axis, value) => {
    expect(short(readCoordinate(text, axis))).toEqual(value);
  });

  test.each(["44.9 S, 170.2 E", "-44.9, 170.2", "-44.9,170.2", "S44.9 E170.2", "170.2 E; 44.9 S", "44°54'S 170°12'E"])(
    "%s is both of a place, and fills both fields",
    (text) => {
      expect(readCoordinate(text, "latitude")).toEqual({ kind: "read", value: -44.9, also: { longitude: 170.2 } });
      expect(readCoordinate(text, "longitude")).toEqual({ kind: "read", value: 170.2, also: { latitude: -44.9 } });
    },
  );

  test("an O is east in German, west in French, and asked for elsewhere", () => {
    expect(short(readCoordinate("9,3 O", "longitude", "de"))).toBe(9.3);
    expect(short(readCoordinate("9,3 O", "longitude", "fr"))).toBe(-9.3);
    expect([short(readBearing("NO", "de")), short(readBearing("NO", "fr")), short(readBearing("NO", "en-GB"))]).toEqual(
      [45, 315, [45, 315]],
    );
  });

  test.each<[string, unknown]>([
    ["E", 90],
    ["nnw", 337.5],
    ["north-west", 315],
    ["South South East", 157.5],
    ["Südwest", 225],
    ["nord-ouest", 315],
    ["wschód", 90],
    ["270", 270],
    ["270°", 270],
    ["22,5", 22.5],
    ["360", 0],
    ["361", "unread"],
    ["-5", "unread"],
    ["left", "unread"],
    ["", "empty"],
  ])("from the %s", (text, value) => {
    expect(short(readBearing(text))).toEqual(value);
  });

  test("in words", () => {
    expect([coordinateInWords(-44.9, "latitude"), coordinateInWords(170.2, "longitude")]).toEqual([
      "44.9° south",
      "170.2° east",
    ]);
    expect([bearingInWords(270), bearingInWords(359)]).toEqual(["west, 270°", "north, 359°"]);
  });
});

describe("what is shown can be typed back", () => {
  const locale = fc.constantFrom(...LOCALES);
  test("numbers", () => {
    const number = fc.oneof(
      fc.double({ min: -1e6, max: 1e6, noNaN: true }).map((n) => Number(n.toFixed(4))),
      fc.double({ min: -1000, max: 1000, noNaN: true }).map((n) => Number(n.toFixed(3))),
      fc.integer({ min: -1e9, max: 1e9 }),
    );
    fc.assert(
      fc.property(locale, number, (of, value) => {
        writeAs(of);
        expect(short(readNumber(numberTyped(value)))).toBe(value === 0 ? 0 : value);
        // Thousands marked as the locale marks them are read too, where a fraction leaves no doubt.
        const told = figure(value + 0.5, 4, 4);
        expect(short(readNumber(told))).toBeCloseTo(value + 0.5, 4);
      }),
    );
  });

  test("days, and days of the year, long ones as they stand on a page too", () => {
    fc.assert(
      fc.property(
        locale,
        fc.integer({ min: 7400, max: 47_000 }),
        fc.integer({ min: 7400, max: 47_000 }),
        (of, n, on) => {
          writeAs(of);
          const day = dayOf(n);
          expect(short(readDay(dayTyped(day), dayOf(on)))).toBe(day);
          expect(short(readDay(dayInWords(day, "long"), dayOf(on)))).toBe(day);
          if (!day.endsWith("02-29")) expect(short(readDayOfYear(dayOfYearTyped(day.slice(5))))).toBe(day.slice(5));
        },
      ),
    );
  });

  test("coordinates and bearings", () => {
    const degrees = fc.double({ min: -90, max: 90, noNaN: true }).map((n) => Number(n.toFixed(5)) + 0);
    fc.assert(
      fc.property(locale, degrees, fc.double({ min: 0, max: 359.9, noNaN: true }), (of, at, from) => {
        writeAs(of);
        expect(short(readCoordinate(coordinateTyped(at), "latitude"))).toBeCloseTo(at, 6);
        const bearing = Number(from.toFixed(1));
        expect(short(readBearing(bearingTyped(bearing)))).toBe(bearing);
        const point = Math.floor(from / 22.5) * 22.5;
        expect(short(readBearing(bearingTyped(point)))).toBe(point);
      }),
    );
  });

  test("nothing that is typed breaks a reader, or is read as what is no number", () => {
    const text = fc.oneof(fc.string({ maxLength: 24 }), fc.stringMatching(/^[-+0-9.,' °NSEWOo/a-z½]{0,16}$/));
    fc.assert(
      fc.property(text, locale, (typed, of) => {
        for (const one of [
          readNumber(typed, of),
          readAmount(typed, "m", of),
          readCoordinate(typed, "latitude", of),
          readBearing(typed, of),
        ])
          if (one.kind === "read") expect(Number.isFinite(one.value)).toBe(true);
        const day = readDay(typed, "2027-07-09", of);
        if (day.kind === "read") expect(day.value).toMatch(/^\d{4}-\d\d-\d\d$/);
      }),
    );
  });
});

test("hours are said by twelve where that is usual, and never past midnight or noon wrongly", () => {
  const said = (locale: Locale) => ["00:05", "07:10", "12:00", "23:59"].map((clock) => hourInWords(clock, locale));
  expect(said("en-US")).toEqual(["12:05 AM", "7:10 AM", "12:00 PM", "11:59 PM"]);
  for (const locale of ["en-GB", "de", "fr", "pl"] as const)
    expect(said(locale)).toEqual(["00:05", "07:10", "12:00", "23:59"]);
});

test("a file's letters are read as it was written: UTF-8, UTF-16 by its mark, else as old spreadsheets write", () => {
  const words = "name;Żółw, Tante Käthe";
  const utf16 = (little: boolean) =>
    Uint8Array.from(
      [...`\uFEFF${words}`].flatMap((c) => {
        const code = c.charCodeAt(0);
        return little ? [code & 255, code >> 8] : [code >> 8, code & 255];
      }),
    );
  expect(lettersOf(new TextEncoder().encode(words))).toEqual({ text: words, from: "utf-8" });
  expect(lettersOf(utf16(true))).toEqual({ text: words, from: "utf-16" });
  expect(lettersOf(utf16(false))).toEqual({ text: words, from: "utf-16" });
  const old = Uint8Array.from([...'"Käthe, Zoë"'].map((c) => c.charCodeAt(0)));
  // Only both bytes together are the mark.
  expect(lettersOf(Uint8Array.of(0xff, 0x41))).toEqual({ text: "ÿA", from: "windows-1252" });
  expect(lettersOf(Uint8Array.of(0x41, 0xfe))).toEqual({ text: "Aþ", from: "windows-1252" });
  const read = lettersOf(old);
  expect(read).toEqual({ text: '"Käthe, Zoë"', from: "windows-1252" });
  expect(foreignWords(`${read.text} Käthe Ann`, 9)).toEqual(["Käthe", "Zoë"]);
});
