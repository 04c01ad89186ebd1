import { PDFPage } from "pdf-lib";
import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import { family, type Plot, plot, twoMelons } from "@/records/tests/plot";
import { tagsPdf, USUAL } from "../api/tags/tagPdf";
import { crossTags, sharingTags, tagsOf } from "../api/tags/tags";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

describe("labels", () => {
  test("of packets are two each, one outside and one inside, and say what is reserve or broken", () => {
    const lineId = garden.line("Slatefoot", "leek");
    const lot = garden.done("lot.receive", { lineId, gathered: "2026-09-01", seeds: 200 }).id;
    const code = garden.code("lot", lot);
    expect(tagsOf(garden.db, "packets", code)!.map(({ lines }) => lines.at(-1))).toEqual(["outside", "inside"]);
    garden.done("packet.make", { lotId: lot, packets: 2, each: 30, reserves: 1 });
    garden.done("table.break", { lotId: lot, why: "a bag tore" });
    const tags = tagsOf(garden.db, "packets", code)!;
    expect(tags.map(({ lines }) => lines.at(-1))).toEqual([
      "packet 1, 30 seeds; outside",
      "packet 1, 30 seeds; inside",
      "packet 2, 30 seeds, RESERVE; outside",
      "packet 2, 30 seeds, RESERVE; inside",
    ]);
    expect(tags[0]!.lines).toContain("CHAIN BROKEN 2027-07-09: a bag tore");
    expect(tagsOf(garden.db, "packets", "K27-999-9")).toBeNull();
    const cup = garden.done("vessel.add", { kind: "cup", name: "Cup 1" });
    expect(tagsOf(garden.db, "vessel", cup.code)).toEqual([
      {
        kind: "vessel",
        code: cup.code,
        title: "Cup 1",
        lines: ["cup"],
      },
    ]);
  });

  test("of a cross's packets leave nothing of the lot out: neither its fraction nor that its chain is broken", () => {
    const { plan } = twoMelons(garden);
    const crossId = garden.done("cross.plan", plan).id;
    const cross = garden.code("cross", crossId);
    const last = () => crossTags(garden.db, cross, ["packets"], 0)!.map(({ lines }) => lines.at(-1));
    expect(last()).toEqual(["outside", "inside"]);
    const lotId = garden.done("lot.receive", {
      lineId: garden.row("cross", crossId).lineId,
      gathered: "2027-07-01",
      seeds: 9,
    }).id;
    garden.db.prepare("UPDATE lot SET crossId = ?, fraction = 'second-best' WHERE id = ?").run(crossId, lotId);
    garden.done("table.break", { lotId, why: "a bag tore" });
    const [outside] = crossTags(garden.db, cross, ["packets"], 0)!;
    expect(outside!.lines.join("; ")).toContain("gathered Thu 1 July 2027, second best");
    expect(outside!.lines).toContain("CHAIN BROKEN 2027-07-09: a bag tore");
    expect(last()).toEqual(["outside", "inside"]);
  });

  test("of a family are one for each tray, then for each crate, and one once it is planted out", () => {
    const lineId = garden.line("Kiln", "tomato");
    const lotId = garden.done("lot.receive", { lineId, gathered: "2026-09-01", seeds: 200 }).id;
    const lot = garden.code("lot", lotId);
    const sowing = { lineId, lotId, sown: "2027-04-01", sowedSeeds: 60, family: 1, sownIn: "tray", trays: 3 };
    const { id, code } = garden.done("stand.add", sowing);
    const third = () => tagsOf(garden.db, "family", code)!.map(({ lines }) => lines[2]);
    expect(third()).toEqual(["tray 1 of 3", "tray 2 of 3", "tray 3 of 3"]);
    expect(tagsOf(garden.db, "family", code)![1]).toMatchObject({ kind: "family", code, title: "Kiln" });
    expect(tagsOf(garden.db, "family", code)![1]!.lines[1]).toBe(`lot ${lot}`);
    garden.done("deed.done", { standId: id, act: "look-up", counted: 40, on: "2027-04-10" });
    garden.done("deed.done", { standId: id, act: "prick-out", counted: 36, crates: 2, on: "2027-04-20" });
    expect(third()).toEqual(["crate 1 of 2", "crate 2 of 2"]);
    garden.done("deed.done", { standId: id, act: "plant-out", counted: 30, spare: 4, on: "2027-05-25" });
    expect(third()).toEqual(["in trays"]);
    expect(garden.row("stand", id)).toMatchObject({ cameUp: 40, potted: 36, crates: 2, plants: 30, spare: 4 });
  });

  test("of plants that are kept there is one each, with its number; none where none is kept", () => {
    const { stand, plants } = family(garden);
    const code = garden.code("stand", stand);
    expect(tagsOf(garden.db, "kept", code)).toBe(null);
    for (const id of [plants[1], plants[3]]) garden.done("plant.mark", { id, mark: "keep" });
    garden.done("plant.mark", { id: plants[4], mark: "out", reason: "bitter" });
    expect(tagsOf(garden.db, "kept", code)!.map(({ kind, title }) => [kind, title])).toEqual([
      ["family", "Plant 2"],
      ["family", "Plant 4"],
    ]);
  });

  test("of a sharing day are made for each packet that is offered, then only for what is given, with whose it is", () => {
    const lineId = garden.line("Slatefoot", "leek");
    const lotId = garden.done("lot.receive", { lineId, gathered: "2026-09-01", seeds: 200 }).id;
    const sharingId = garden.done("sharing.add", { name: "Swap", on: "2027-08-01", mostEach: 2 }).id;
    expect(sharingTags(garden.db, sharingId)).toEqual([]);
    garden.done("sharing.offer", { sharingId, lotId, packets: 2, each: 25 });
    const last = () => sharingTags(garden.db, sharingId)!.map(({ lines }) => lines.at(-1));
    expect(last()).toEqual(["25 seeds; outside", "25 seeds; inside", "25 seeds; outside", "25 seeds; inside"]);
    for (const name of ["AB", "CD", "EF"]) {
      const memberId = garden.done("member.add", { name }).id;
      garden.done("sharing.wish", { sharingId, memberId, lotIds: [lotId] });
    }
    garden.done("sharing.allot", { sharingId });
    const given = last();
    expect(given).toHaveLength(4);
    expect(new Set(given.map((line) => line!.replace(/; .*/, ""))).size).toBe(2);
    for (const line of given) expect(line).toMatch(/^25 seeds, for (AB|CD|EF); (outside|inside)$/);
    expect(sharingTags(garden.db, lotId)).toBeNull();
  });

  test("leave no line out: a broken chain and the packet's number stand on the paper, above its edge", async () => {
    const drawn: { words: string; y: number; size: number }[] = [];
    const draw = PDFPage.prototype.drawText;
    const spy = vi.spyOn(PDFPage.prototype, "drawText").mockImplementation(function (this: PDFPage, words, options) {
      drawn.push({ words, y: options!.y!, size: options!.size! });
      return draw.call(this, words, options);
    });
    const lines = ["Leek", "from K27-001", "gathered", "CHAIN BROKEN", "packet 1; outside"];
    await tagsPdf([{ kind: "lot", code: "K27-001-1", title: "Slatefoot", lines }], USUAL);
    spy.mockRestore();
    expect(drawn.slice(2).map(({ words }) => words)).toEqual(lines);
    const edge = 4 * (72 / 25.4);
    for (const { y, size } of drawn) {
      expect(y).toBeGreaterThan(edge);
      expect(size).toBeGreaterThanOrEqual(6);
    }
    const down = drawn.map(({ y }) => y);
    expect(down).toEqual([...down].sort((a, b) => b - a));
  });
});
