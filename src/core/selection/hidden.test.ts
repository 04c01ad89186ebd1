import { describe, expect, test } from "vitest";
import { normalFrom, seeded } from "../numbers/chance";
import { hiddenSelection } from "./hidden";

describe("what those who gave seed differ by", () => {
  test("by hand: the two highest of five come about once in ten ways, either side counted", () => {
    const [one] = hiddenSelection(
      [true, true, false, false, false],
      [{ name: "t", values: [5, 4, 1, 2, 3] }],
      seeded(1),
    );
    expect(one).toMatchObject({ chosen: 4.5, all: 3, differential: 1.5, chosenKnown: 2, known: 5, found: false });
    // Of ten pairs only 4 + 5 and 1 + 2 lie so far from 3.
    expect(one!.chance).toBeCloseTo(0.2, 1.5);
  });

  test("what is not known of a plant is left out of its measure alone", () => {
    const gave = [true, true, false, false, false];
    const told = hiddenSelection(
      gave,
      [
        { name: "few", values: [1, null, 2, 3, 4] },
        { name: "others", values: [1, 2, 3, null, null] },
        { name: "enough", values: [1, 2, 3, 4, null] },
      ],
      seeded(1),
    );
    expect(told.map(({ name, known }) => [name, known])).toEqual([["enough", 4]]);
  });

  test("a clear leaning is caught, and its size is that of the differential", () => {
    const random = seeded(3);
    const values = Array.from({ length: 60 }, () => normalFrom(random(), random()));
    const order = [...values.keys()].sort((a, b) => values[b]! - values[a]!);
    const gave = values.map((_, i) => order.indexOf(i) < 8);
    const noise = Array.from({ length: 9 }, (_, k) => ({
      name: `noise ${k}`,
      values: values.map(() => normalFrom(random(), random())),
    }));
    const told = hiddenSelection(gave, [{ name: "late", values }, ...noise], random);
    expect(told[0]).toMatchObject({ name: "late", found: true });
    expect(told[0]!.differential).toBeGreaterThan(1);
  });

  test("of gardens where nothing was chosen for, at most one in twenty is told anything", () => {
    const random = seeded(8);
    let alarms = 0;
    const gardens = 150;
    for (let g = 0; g < gardens; g++) {
      const gave = Array.from({ length: 30 }, (_, i) => i < 6);
      const watched = Array.from({ length: 8 }, (_, k) => ({
        name: `${k}`,
        values: gave.map(() => Math.round(2 * normalFrom(random(), random()))),
      }));
      if (hiddenSelection(gave, watched, random).some(({ found }) => found)) alarms++;
    }
    expect(alarms / gardens).toBeLessThanOrEqual(0.08);
  });

  test("where all are alike nothing is told", () => {
    const [one] = hiddenSelection([true, true, false, false], [{ name: "t", values: [2, 2, 2, 2] }], seeded(1));
    expect(one).toMatchObject({ differential: 0, chance: 1, found: false });
  });
});
