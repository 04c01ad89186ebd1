import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { rangeInWords } from "@/core/isolation/verdict";
import { cardView } from "@/views/card";
import { inventoryFile, passportFile } from "@/views/drawerFile";
import { lotPage } from "@/views/lot";
import { arrivalsOf } from "@/views/scene";
import { sharingPage } from "@/views/sharing";
import { perform } from "../command";
import { COMMANDS } from "../commands";
import { type Plot, plot } from "./plot";

let garden: Plot;
let kiln: Id;
let lot: Id;
let scarce: Id;
let day: Id;
let people: Id[];
beforeEach(() => {
  garden = plot();
  kiln = garden.done("line.add", {
    name: "Low Kiln",
    species: "tomato",
    school: "keep-pure",
    status: "open-pollinated",
    origin: "from a friend",
  }).id;
  lot = garden.done("lot.receive", { lineId: kiln, gathered: "2026-09-01", seeds: 100 }).id;
  scarce = garden.done("lot.receive", { lineId: kiln, gathered: "2026-09-02", seeds: 10, note: "=2+2" }).id;
  day = garden.done("sharing.add", { name: "Spring", on: "2027-07-09", mostEach: 2 }).id;
  people = ["M1", "M2"].map((name) => garden.done("member.add", { name }).id);
});
afterEach(() => garden.close());

const offer = (lotId: Id, packets: number, each: number) => ({ sharingId: day, lotId, packets, each });
const wishes = (memberId: Id, ...lotIds: Id[]) => garden.done("sharing.wish", { sharingId: day, memberId, lotIds });
const code = (id: Id) => garden.code("lot", id);

describe("a sharing day", () => {
  test("offers no more than there is, on all days together, and leaves the reserve alone", () => {
    garden.done("lot.change", { id: lot, version: garden.version("lot", lot), reserve: 30 });
    expect(garden.refused("sharing.offer", offer(lot, 8, 10)).fields.packets).toContain("80 seeds; 70 of lot");
    garden.done("sharing.offer", offer(lot, 5, 10));
    const other = garden.done("sharing.add", { name: "Autumn", on: "2027-10-01", mostEach: 2 }).id;
    const second = { ...offer(lot, 3, 10), sharingId: other };
    expect(garden.refused("sharing.offer", second).fields.packets).toContain("30 seeds; 20 of lot");
    garden.done("sharing.offer", { ...second, packets: 2 });
    // Said again it is put right, and its own promise does not stand against it.
    garden.done("sharing.offer", offer(lot, 4, 10));
    expect(garden.db.prepare("SELECT packets FROM offer ORDER BY rowid").pluck().all()).toEqual([4, 2]);
    const fruit = garden.done("lot.receive", { lineId: kiln, gathered: "2027-07-01", fruits: 2 }).id;
    expect(garden.refused("sharing.offer", offer(fruit, 1, 1)).fields.lotId).toContain("Count or weigh");
    garden.done("lot.end", { id: scarce, version: garden.version("lot", scarce), ending: "dead" });
    expect(garden.refused("sharing.offer", offer(scarce, 1, 1)).fields.lotId).toContain("no more");
  });

  test("allots in turns, hands out as packets, and seed comes back", () => {
    expect(garden.refused("sharing.allot", { sharingId: day }).fields.sharingId).toContain("Nobody wished");
    garden.done("sharing.offer", offer(lot, 3, 10));
    garden.done("sharing.offer", offer(scarce, 1, 5));
    for (const member of people) wishes(member, scarce, lot);
    expect(garden.refused("sharing.hand-out", { sharingId: day }).fields.sharingId).toContain("Allot the wishes first");
    expect(garden.done("sharing.allot", { sharingId: day }).message).toBe("Spring: 3 of 4 wishes granted");
    const told = sharingPage(garden.sky(), day)!
      .wishes.map(({ granted, why }) => `${granted} ${why}`)
      .sort();
    expect(told.slice(0, 1)).toEqual(["0 2 wished for the one packet"]);
    expect(told.slice(1)).toEqual(["1 in turn 1, as wish 1", "1 in turn 1, as wish 2", "1 in turn 2, as wish 2"]);
    garden.done("sharing.hand-out", { sharingId: day });
    expect(lotPage(garden.sky(), code(lot))!.lot).toMatchObject({ givenSeeds: 20, seedsLeft: 80 });
    expect(lotPage(garden.sky(), code(scarce))!.packets).toMatchObject([{ number: 1, seeds: 5, goneOn: "2027-07-09" }]);
    for (const [name, input] of [
      ["sharing.offer", offer(lot, 1, 1)],
      ["sharing.allot", { sharingId: day }],
      ["sharing.hand-out", { sharingId: day }],
      ["sharing.withdraw", { sharingId: day, lotId: lot }],
    ] as const)
      expect(garden.refused(name, input).fields.sharingId).toBe("Spring is over.");
    const given = sharingPage(garden.sky(), day)!.wishes.find(({ granted }) => granted === 1)!;
    const back = (more: object) => ({ id: given.id, version: garden.version("wish", given.id), seeds: 60, ...more });
    expect(garden.refused("sharing.return", back({ on: "2027-07-08" })).fields.returnedOn).toContain(
      "before it was given",
    );
    garden.on("2028-09-01");
    garden.done("sharing.return", back({}));
    expect(sharingPage(garden.sky(), day)!.back).toEqual({ given: 25, returned: 60 });
    const refusedOne = sharingPage(garden.sky(), day)!.wishes.find(({ granted }) => granted === 0)!;
    const wrong = { id: refusedOne.id, version: garden.version("wish", refusedOne.id), seeds: 3 };
    expect(garden.refused("sharing.return", wrong).fields.returnedOn).toContain("Nothing was given");
  });

  test("wishes are for what is offered, and take the place of those of before", () => {
    garden.done("sharing.offer", offer(lot, 3, 10));
    const wrong = { sharingId: day, memberId: people[0], lotIds: [scarce] };
    expect(garden.refused("sharing.wish", wrong).fields.lotIds).toContain("not offered");
    garden.done("sharing.offer", offer(scarce, 1, 5));
    wishes(people[0]!, lot, scarce);
    wishes(people[0]!, scarce);
    expect(garden.db.prepare("SELECT lotId, rank FROM wish").raw().all()).toEqual([[scarce, 1]]);
    garden.done("sharing.withdraw", { sharingId: day, lotId: lot });
    expect(garden.refused("sharing.withdraw", { sharingId: day, lotId: lot }).fields.lotId).toContain("not offered");
    expect(garden.done("member.add", { name: "M1" }).warnings[0]).toContain("There is a M1 already");
  });
});

describe("the drawer as files", () => {
  const rows = (text: string) => text.trim().split("\n");

  test("an inventory says what is left of each lot and how alive it is; no cell is a formula", () => {
    const [head, ...lots] = rows(inventoryFile(garden.sky()));
    expect(head).toMatch(/^lot,line,species,generation,gathered,seedsLeft,reserve,comesUp/);
    expect(lots).toHaveLength(2);
    expect(lots[0]).toContain("Low Kiln,Solanum lycopersicum,,2026-09-02,10,,0.");
    expect(lots[0]).toContain(",'=2+2");
  });

  test("passports go out and come in again into another garden with what they say", () => {
    const text = passportFile(garden.sky());
    expect(rows(text)[0]!.split(",")).toHaveLength(41);
    const there = plot();
    const made = there.done("passport.import", { text });
    expect(made.message).toBe("2 lots taken in by their passports");
    const lots = there.db.prepare("SELECT seeds, gathered, kind FROM lot ORDER BY gathered").raw().all();
    expect(lots).toEqual([
      [100, "2026-09-01", "received"],
      [10, "2026-09-02", "received"],
    ]);
    expect(there.row("line", 1)).toMatchObject({ name: "Low Kiln", species: "tomato", origin: "from a friend" });
    // A second time it comes into the line that is there.
    there.done("passport.import", { text });
    expect(there.db.prepare("SELECT count(*) FROM line").pluck().get()).toBe(1);
    there.close();
  });

  const take = (text: string, more: object = {}) => garden.refused("passport.import", { text, ...more });
  const HEAD = "GENUS,SPECIES,ACCENAME,ACQDATE,SAMPSTAT,REMARKS";
  test.each([
    ["Solanum,nobody,X,20260101,,seeds: 4", "the catalogue knows no Solanum nobody"],
    [",,X,20260101,,seeds: 4", "species without a name"],
    ["Solanum,lycopersicum,X,20260101,777,seeds: 4", "SAMPSTAT 777 is no status"],
    ["Solanum,lycopersicum,X,20260231,,seeds: 4", "20260231 is no day"],
    ["Solanum,lycopersicum,X,,,seeds: 4", "ACQDATE is missing"],
    ["Solanum,lycopersicum,X,20280101,,seeds: 4", "still to come"],
    ["Solanum,lycopersicum,,20260101,,seeds: 4", "both missing"],
    ["Solanum,lycopersicum,X,20260101,,", "how many seeds"],
  ])("a passport is refused by its row: %s", (row, why) => {
    const said = take(`${HEAD}\n${row}`);
    expect(said.fields["row 2"]).toContain(why);
    expect(said.message).toContain("Nothing was changed");
  });

  test("unknown columns are left out and named; what is no file of passports is refused", () => {
    const text = `${HEAD},COLOUR\nSolanum,lycopersicum,Old Glow,2026----,300,seeds: 9,red`;
    const dry = take(text, { dryRun: true });
    expect(dry.message).toBe("Would be taken in: 1 lot. No passport descriptors, left out: COLOUR.");
    expect(dry.fields["change 1"]).toBe("Old Glow, tomato, 9 seeds of 2026, a new line");
    expect(garden.done("passport.import", { text }).warnings[0]).toContain("COLOUR");
    expect(garden.row("line", 2)).toMatchObject({ name: "Old Glow", school: "let-it-mix", status: "mix" });
    expect(take("a,b\n1,2").fields.text).toContain("must name the column GENUS");
    expect(take(HEAD).fields.text).toContain("no passports");
    expect(take('GENUS,SPECIES\n"a,b').fields.text).toContain("can't be read as CSV");
    const many = `${HEAD}\n${"Solanum,lycopersicum,X,20260101,,seeds: 4\n".repeat(2001)}`;
    expect(take(many).fields.text).toContain("At most 2000");
    // All or nothing: one wrong row holds back the right one.
    const mixed = `${HEAD}\nSolanum,lycopersicum,A,20260101,,seeds: 4\nSolanum,lycopersicum,B,x,,seeds: 4`;
    expect(Object.keys(take(mixed).fields)).toEqual(["row 3"]);
    expect(
      perform(garden.db, COMMANDS.get("passport.import")!, { text: `${HEAD}\nSolanum,lycopersicum,A,20260101,,` }).ok,
    ).toBe(false);
  });
});

describe("the card that goes with seed", () => {
  test("says where it is from, how it was kept and rogued, and that the chain is broken", () => {
    expect(cardView(garden.sky(), "K27-999-9")).toBeNull();
    const stand = garden.done("stand.add", { lineId: kiln, sown: "2027-03-20", plants: 12, bedId: 1 }).id;
    garden.done("deed.done", { standId: stand, act: "rogue", counted: 2, on: "2027-06-20" });
    const saved = garden.done("lot.save", { standId: stand, kind: "open", gathered: "2027-07-08", seeds: 400 }).id;
    garden.done("table.break", { lotId: saved, why: "a label was lost" });
    const card = cardView(garden.sky(), code(saved))!;
    expect(card).toContain("Variety:                  Low Kiln");
    expect(card).toContain("Isolation:                flowers open, 12 plants");
    expect(card).toContain("Roguing:                  2 plants taken out");
    expect(card).toContain("Chain of custody:         BROKEN 2027-07-09: a label was lost");
    expect(card).toMatch(/Comes up: {17}about \d\d of 100 in 2027/);
    expect(card).toContain("The local law comes first.");
    expect(cardView(garden.sky(), code(lot))).toContain("unbroken as far as recorded");
    expect(cardView(garden.sky(), code(lot))).not.toContain("Roguing");
  });

  test("names the parents of what was crossed, and one that nobody knows", () => {
    const add = (name: string) =>
      garden.done("line.add", { name, species: "tomato", school: "cross-and-fix", status: "breeding-line" }).id;
    const [child, mother, father] = [add("Low Ember"), add("Ember"), add("Wren")];
    const set = (column: string, parent: Id | null) =>
      garden.db.prepare(`UPDATE line SET ${column} = ? WHERE id = ?`).run(parent, child);
    const seed = garden.done("lot.receive", { lineId: child, gathered: "2026-09-01", seeds: 20 }).id;
    const parents = () => /Parents: +(.*)/.exec(cardView(garden.sky(), code(seed))!)?.[1] ?? null;
    expect(parents()).toBeNull();
    set("motherLineId", mother);
    expect(parents()).toBe("Ember × unknown");
    set("fatherLineId", father);
    expect(parents()).toBe("Ember × Wren");
  });

  test("says how much strange pollen is reckoned, of open flowers only, and that nothing was known of to bring any", () => {
    const saved = (standId: Id, kind: string, gathered: string) =>
      cardView(garden.sky(), code(garden.done("lot.save", { standId, kind, gathered, seeds: 40 }).id))!;
    const squash = (name: string, bedId: number) => {
      const lineId = garden.done("line.add", {
        name,
        species: "pepo-squash",
        school: "keep-pure",
        status: "open-pollinated",
      }).id;
      return garden.done("stand.add", { lineId, sown: "2027-05-01", plants: 6, bedId }).id;
    };
    garden.on("2027-10-09");
    const one = squash("Copper Bell", 1);
    expect(saved(one, "open", "2027-09-08")).toContain(
      "Strange pollen:           none that was known of flowered with it",
    );
    const two = squash("Pale Drum", 2);
    const { likely, low, high } = arrivalsOf(garden.sky(), 2027).arrived.get(two)!;
    // Thirty metres away and as many plants: a real share, not all of it.
    expect(likely).toBeGreaterThan(0.01);
    expect(likely).toBeLessThan(0.5);
    const [, rare, often, range] = saved(two, "open", "2027-09-08").match(
      /Strange pollen: {11}for about (\d+) seed in ([\d,]+) reckoned the father \((.+)\), of what/,
    )!;
    expect(Number(rare) / Number(often)).toBeCloseTo(likely, 2);
    expect(range).toBe(rangeInWords({ likely, low, high }));
    garden.done("stand.change", { id: two, version: 2, flowers: "covered" });
    expect(saved(two, "open", "2027-09-09")).not.toContain("Strange pollen");
  });
});
