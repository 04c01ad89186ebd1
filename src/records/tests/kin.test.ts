import { afterEach, beforeEach, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { kinshipsOf } from "@/core/pedigree/pedigree";
import { forebears, foundersInWords, individualOf } from "../line/pedigree";
import { type Plot, plot } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
  garden.on("2027-10-01");
});
afterEach(() => garden.close());

const line = (species: string, status = "open-pollinated") =>
  garden.done("line.add", { name: `${species} ${status}`, species, school: "cross-and-fix", status }).id!;
const sow = (lineId: Id, lotId: Id | null = null) =>
  garden.done("stand.add", { lineId, lotId, sown: "2027-05-01", sowedSeeds: 4, plants: 4 }).id!;
/** Of any two plants of a stand, and of one of them with itself. */
function kin(standId: Id): [between: number, itself: number] {
  const any = { standId, plantId: null };
  const of = kinshipsOf(forebears(garden.db, [any]));
  return [of(individualOf(any), individualOf(any, true)), of(individualOf(any), individualOf(any))];
}

test.each<[string, string, [number, number]]>([
  // A pure line is one plant; children of two pure lines are full sibs, not inbred themselves.
  ["tomato", "open-pollinated", [1, 1]],
  ["tomato", "f1-hybrid", [0.5, 0.5]],
  ["squash", "f1-hybrid", [0.5, 0.5]],
  ["pepper", "open-pollinated", [0.25, 0.5]],
  ["carrot", "open-pollinated", [0.125, 0.5]],
  ["tomato", "mix", [0, 1]],
  ["carrot", "mix", [0, 0.5]],
])("plants of a received %s, %s, are as near as they are taken to be", (name, status, expected) => {
  expect(kin(sow(line(name === "squash" ? "pepo-squash" : name, status)))).toEqual(expected);
});

test("an F1 whose parents are told is their child", () => {
  const [mother, father] = [line("tomato"), line("tomato", "breeding-line")];
  const told = line("tomato", "f1-hybrid");
  garden.db.prepare("UPDATE line SET motherLineId = ?, fatherLineId = ? WHERE id = ?").run(mother, father, told);
  const hybrid = sow(told);
  const parent = sow(mother);
  const of = kinshipsOf(
    forebears(garden.db, [
      { standId: hybrid, plantId: null },
      { standId: parent, plantId: null },
    ]),
  );
  expect(of(`stand ${hybrid}`, `stand ${parent}`)).toBe(0.5);
});

test("open seed of what selfs is selfed, of what crosses its fathers are unknown", () => {
  const child = (species: string) => {
    const lineId = line(species, "f1-hybrid");
    const stand = sow(lineId);
    const lot = garden.done("lot.save", { standId: stand, kind: "open", gathered: "2027-09-20", seeds: 20 }).id!;
    garden.on("2028-06-01");
    const next = garden.done("stand.add", { lineId, lotId: lot, sown: "2028-05-01", sowedSeeds: 4, plants: 4 }).id!;
    const any = { standId: next, plantId: null };
    return kinshipsOf(forebears(garden.db, [any]))(individualOf(any), individualOf(any));
  };
  // Selfed of a plant that is not inbred: F ½, itself ¾.
  expect(child("tomato")).toBe(0.75);
  expect(child("carrot")).toBe(0.5);
});

test("what is taken for granted is said", () => {
  expect(foundersInWords("tomato", "f1-hybrid")).toContain("full sibs of two pure lines");
  expect(foundersInWords("tomato", "breeding-line")).toContain("one pure line");
  expect(foundersInWords("tomato", "mix")).toContain("not related, each a pure line");
  expect(foundersInWords("carrot", "mix")).toMatch(/not related$/);
  expect(foundersInWords("pepper", "open-pollinated")).toContain("full sibs");
  expect(foundersInWords("carrot", "wild")).toContain("half sibs");
});

test("whoever names an F1 of a kind that is often male-sterile is told so", () => {
  const add = (species: string, school: string) =>
    garden.done("line.add", { name: `${species} ${school}`, species, school, status: "f1-hybrid" }).warnings;
  expect(add("onion", "cross-and-fix")).toEqual([expect.stringContaining("often male-sterile")]);
  expect(add("onion", "keep-pure")).toHaveLength(2);
  expect(add("tomato", "cross-and-fix")).toEqual([]);
});
