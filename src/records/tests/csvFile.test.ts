import { describe, expect, test } from "vitest";
import type { Refusal } from "@/db/ops";
import { dayInCell, hourInCell, orderOf, readCsv, toCsv } from "../csvFile";

const cells = (text: string) => readCsv(text, 100).lines.map((line) => line.cells);

describe("a file that comes in", () => {
  test.each([
    ["commas", "Date,Min\n2027-07-09,1.5\n"],
    ["semicolons, capitals, the ends of Windows", "DATE;MIN\r\n2027-07-09;1.5\r\n"],
    ["tabs, and a mark of Unicode", "\uFEFFdate\tmin\n2027-07-09\t1.5"],
    ["a line that says what separates", "sep=;\ndate;min\n2027-07-09;1.5\n"],
    ["an empty last row, and empty ones between", "date;min\n;\n\n2027-07-09;1.5\n;;\n"],
    ["spaces around, and a cell kept from being a formula", " date , min \n '=2027-07-09 ,1.5\n"],
  ])("with %s is read", (_, text) => {
    expect(cells(text).map(({ date, min }) => [date!.replace("=", ""), min])).toEqual([["2027-07-09", "1.5"]]);
  });

  test("keeps the numbers of its lines, and cells that hold what separates", () => {
    expect(readCsv('sep=,\nname,note\n"Gold, early","a ""b"""\n\nLate,x\n', 9).lines).toEqual([
      { line: 3, cells: { name: "Gold, early", note: 'a "b"' } },
      { line: 5, cells: { name: "Late", note: "x" } },
    ]);
    // Rows longer or shorter than the head.
    expect(cells("a,b\n1\n1,2,3")).toEqual([
      { a: "1", b: "" },
      { a: "1", b: "2" },
    ]);
    expect(readCsv("", 9)).toEqual({ heads: [], lines: [] });
    expect(() => readCsv('a,b\n1,"2', 9)).toThrow("can't be read as CSV");
  });

  test("what goes out comes in as it was, whatever it holds", () => {
    const rows = [{ name: "=1+1; a,b", note: "Żółw\nsecond" }];
    const text = toCsv(rows, ["name", "note"]);
    expect(text.startsWith("\uFEFFname,note\r\n")).toBe(true);
    expect(cells(text)).toEqual(rows);
  });
});

test.each([
  ["2027-07-09", "2027-07-09"],
  ["9.7.2027", "2027-07-09"],
  ["25/10/2027", "2027-10-25"],
  ["9 July 2027", "2027-07-09"],
  ["20270709", "2027-07-09"],
  ["20271309", "20271309"],
  // British order is the garden's here; what is no day stays, to be refused by its line.
  ["31/02/2027", "31/02/2027"],
  ["soon", "soon"],
])("the day %s in a cell", (text, day) => {
  expect(dayInCell(text, "2027-07-09", "day-first")).toBe(day);
});

describe("the order of a file's days", () => {
  test("is one for the whole file, as any of its days shows it", () => {
    expect(orderOf(["3/4/2027", "3/13/2027"], {})).toBe("month-first");
    expect(dayInCell("3/4/2027", "2027-07-09", "month-first")).toBe("2027-03-04");
    expect(orderOf(["3-4-2027", "13-4-2027"], {})).toBe("day-first");
    // Points, names and years first can be read in one way only, as can two figures that are alike.
    expect(orderOf(["3.4.2027", "4 March", "2027-03-04", "5/5/2027"], {})).toBe("day-first");
    expect(orderOf([], {})).toBe("day-first");
  });

  test("is asked where none shows it, and what was said must be so", () => {
    const unclear = ["3/4/2027", "12/12/2027"];
    const asked = (days: string[], told: object) => {
      try {
        return orderOf(days, told);
      } catch (failure) {
        return (failure as Refusal).fields;
      }
    };
    expect(asked(unclear, {})).toEqual({ order: "Say which comes first in this file's days: the day or the month." });
    expect(asked(unclear, { order: "month-first" })).toBe("month-first");
    expect(asked(["3/13/2027"], { order: "day-first" })).toEqual({ order: "This file's days begin with the month." });
    expect(asked(["13/3/2027"], { order: "month-first" })).toEqual({ order: "This file's days begin with the day." });
    expect(asked(["3/13/2027", "13/3/2027"], { order: "month-first" })).toEqual({
      text: "Some days begin with the day and some with the month. Write them all as 2027-07-09.",
    });
  });
});

test.each([
  ["07:10:00 AM", "07:10"],
  ["7:10 pm", "19:10"],
  ["12:05 am", "00:05"],
  ["12:05 PM", "12:05"],
  ["7.10", "07:10"],
  ["19:10:30", "19:10"],
  ["noon", "noon"],
])("the hour %s in a cell", (text, hour) => {
  expect(hourInCell(text)).toBe(hour);
});
