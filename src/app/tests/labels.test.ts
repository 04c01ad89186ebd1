import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { type Plot, plot } from "@/records/tests/plot";
import { packetTags, tagOf } from "../api/tags/tags";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

describe("labels", () => {
  test("of packets are two each, one outside and one inside, and say what is reserve or broken", () => {
    const lineId = garden.done("line.add", {
      name: "Slatefoot",
      species: "leek",
      school: "keep-pure",
      status: "open-pollinated",
    }).id;
    const lot = garden.done("lot.receive", { lineId, gathered: "2026-09-01", seeds: 200 }).id;
    const code = garden.code("lot", lot);
    expect(packetTags(garden.db, code)!.map(({ lines }) => lines.at(-1))).toEqual(["outside", "inside"]);
    garden.done("packet.make", { lotId: lot, packets: 2, each: 30, reserves: 1 });
    garden.done("table.break", { lotId: lot, why: "a bag tore" });
    const tags = packetTags(garden.db, code)!;
    expect(tags.map(({ lines }) => lines.at(-1))).toEqual([
      "packet 1, 30 seeds; outside",
      "packet 1, 30 seeds; inside",
      "packet 2, 30 seeds, RESERVE; outside",
      "packet 2, 30 seeds, RESERVE; inside",
    ]);
    expect(tags[0]!.lines).toContain("CHAIN BROKEN 2027-07-09: a bag tore");
    expect(packetTags(garden.db, "K27-999-9")).toBeNull();
    const cup = garden.done("vessel.add", { kind: "cup", name: "Cup 1" });
    expect(tagOf(garden.db, "vessel", cup.code)).toEqual({
      kind: "vessel",
      code: cup.code,
      title: "Cup 1",
      lines: ["cup"],
    });
  });
});
