import { describe, expect, test } from "vitest";
import { type AskedOfList, cutList, listAddress, sifted } from "./listed";

const ROWS = [
  { name: "Élan bean", grown: 2025, waits: true },
  { name: "Ash pea", grown: 2027, waits: false },
  { name: "Żółw bean", grown: 2026, waits: true },
];
const ask = ({ from = null, ...more }: Partial<AskedOfList>) =>
  cutList(
    sifted(
      ROWS,
      {
        wordsOf: ({ name, grown }) => `${name} ${grown}`,
        shows: { waiting: (r) => r.waits, resting: (r) => !r.waits },
        orders: { name: (a, b) => a.name.localeCompare(b.name, "en"), grown: (a, b) => b.grown - a.grown },
      },
      { words: "", show: null, by: null, ...more },
    ),
    from,
  );
const names = (more: Partial<AskedOfList>) => ask(more).items.map(({ name }) => name);

describe("a list", () => {
  test("is searched by every word, in any order, whatever its capitals and marks", () => {
    expect(names({ words: "BEAN  zol" })).toEqual(["Żółw bean"]);
    expect(names({ words: "2025 elan" })).toEqual(["Élan bean"]);
    expect(names({ words: "bean pea" })).toEqual([]);
  });

  test("is sifted and sorted; its choices say how many of what was found they would show", () => {
    expect(names({})).toEqual(["Ash pea", "Élan bean", "Żółw bean"]);
    expect(names({ by: "grown" })).toEqual(["Ash pea", "Żółw bean", "Élan bean"]);
    expect(names({ show: "waiting", by: "grown" })).toEqual(["Żółw bean", "Élan bean"]);
    expect(ask({ words: "bean" })).toMatchObject({ counts: { waiting: 2, resting: 0 }, all: 2 });
    expect(ROWS[0]!.name).toBe("Élan bean");
  });

  test("what it has not is as none, and so is a place past its end", () => {
    expect(ask({ show: "toString", by: "constructor", from: 7 })).toMatchObject({
      show: null,
      by: "name",
      cut: { from: 0, shown: 3, total: 3 },
    });
    expect(ask({ from: 2 }).items).toHaveLength(1);
  });
});

test.each([
  ["/lines", {}, "/lines"],
  ["/lines", { words: "a b&c", show: "waits", by: "name", from: 60 }, "/lines?q=a+b%26c&show=waits&by=name&from=60"],
  ["/crosses?season=2026", { words: "", show: null, by: "mother", from: 0 }, "/crosses?season=2026&by=mother"],
])("the address of %s looked at as %o", (path, asked, address) => {
  expect(listAddress(path, asked)).toBe(address);
});
