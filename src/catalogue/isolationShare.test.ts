import { describe, expect, test } from "vitest";
import { compute } from "@/core/computations";
import type { ToldShare } from "./isolationShare";
import { METHODS } from "./methods";
import { ours, PUBLISHED } from "./tests/published";

const METHOD = METHODS.find(({ name }) => name === "isolation-share")!;
const days = { start: "2027-07-01", end: "2027-07-20" };
const receptor = { plants: 20, width: 8, length: 4, spacing: 0.5, female: days, male: days, doubt: 4 };
const source = { species: "carrot", plants: 30, width: 5, length: 5, distance: 100, male: days, doubt: 4, presence: 1 };
const told = (more: object = {}, from: object[] = [{}]) =>
  compute(METHOD, {
    species: "carrot",
    limit: 0.01,
    receptor,
    sources: from.map((one) => ({ ...source, ...one })),
    ...more,
  });
function share(more: object = {}, from: object[] = [{}]): ToldShare {
  const answer = told(more, from);
  if (!answer.ok) throw new Error(JSON.stringify(answer.details));
  return answer.result as ToldShare;
}
const refused = (more: object, from?: object[]) => {
  const answer = told(more, from);
  return answer.ok ? {} : answer.details;
};

test.each(PUBLISHED.map((one) => [one.what, one] as const))("within a factor of 3 of what was found: %s", (_, one) => {
  const { likely, low, high } = ours(one);
  expect(likely).toBeGreaterThan(one.found[0] / 3);
  expect(likely).toBeLessThan(one.found[1] * 3);
  expect(low).toBeLessThanOrEqual(likely);
  expect(high).toBeGreaterThanOrEqual(likely);
});

describe("the share that strangers father", () => {
  test("rises with plants, presence and days in common; falls with distance and what lies between", () => {
    const { likely } = share();
    expect(share({}, [{ plants: 60 }]).likely).toBeGreaterThan(likely * 1.5);
    expect(share({}, [{ presence: 0.5 }]).likely).toBeLessThan(likely);
    expect(share({}, [{ distance: 200 }]).likely).toBeLessThan(likely / 3);
    expect(share({}, [{ male: { start: "2027-07-15", end: "2027-08-03" } }]).likely).toBeLessThan(likely / 2);
    expect(share({}, [{ barriers: [0.5] }]).likely).toBeCloseTo(share({}, [{ plants: 15 }]).likely, 12);
    expect(share({}, [{ barriers: ["hedge"] }]).likely).toBeCloseTo(share({}, [{ barriers: [0.4] }]).likely, 12);
    expect(share({}, [{}, {}]).likely).toBeGreaterThan(likely * 1.7);
    expect(share({}, []).chanceOver).toBe(0);
  });

  test("of a lone plant that refuses its own pollen is nearly all", () => {
    const lone = { ...receptor, plants: 1, width: 0, length: 0 };
    const ten = { species: "tomatillo", plants: 10, distance: 30 };
    expect(share({ species: "tomatillo", receptor: lone }, [ten]).likely).toBeGreaterThan(0.94);
    // A carrot takes its own.
    expect(share({ receptor: lone }, [{ plants: 10, distance: 30 }]).likely).toBeLessThan(0.3);
  });

  test("the chance goes with the limit, from over to within", () => {
    const { low, high } = share();
    expect(share({ limit: low * 0.9 }).chanceOver).toBeGreaterThan(0.94);
    expect(share({ limit: high * 1.1 }).chanceOver).toBeLessThan(0.06);
    // A field that is there three times in ten is over no oftener.
    expect(share({ limit: 0.0001 }, [{ plants: 3000, presence: 0.3 }]).chanceOver).toBeCloseTo(0.3, 2);
  });

  test("knows wild kin by name, each by its own degree", () => {
    const quinoa = (species: string) => share({ species: "quinoa" }, [{ species }]).likely;
    expect(quinoa("Pitseed goosefoot")).toBeCloseTo(quinoa("quinoa"), 12);
    expect(quinoa("fat hen")).toBeLessThan(quinoa("quinoa") / 20);
    // Kin of another crop is a stranger that does no harm, and so is another crop.
    expect(share({}, [{ species: "Fat hen" }, { species: "parsnip" }])).toEqual({
      likely: 0,
      low: 0,
      high: 0,
      chanceOver: 0,
    });
  });

  test("the wind has a side only where it is said where everything lies", () => {
    const maize = (bearing: number | undefined) =>
      share({ species: "maize", windFrom: 270 }, [{ species: "maize", bearing }]).likely;
    expect(maize(270)).toBeGreaterThan(maize(90) * 3);
    expect(maize(undefined)).toBeCloseTo(share({ species: "maize" }, [{ species: "maize" }]).likely, 12);
  });

  test.each<[string, object, object[] | undefined, string]>([
    ["a source with no species", {}, [{ species: undefined }], "sources.0.species"],
    ["a species nobody knows", { species: "unicorn" }, undefined, "species"],
    ["a limit above all", { limit: 1.2 }, undefined, "limit"],
    [
      "a flowering that ends before it starts",
      {},
      [{ male: { start: "2027-07-09", end: "2027-07-01" } }],
      "sources.0.male",
    ],
    [
      "a day that is none",
      { receptor: { ...receptor, female: { start: "2027-02-30", end: "2027-03-02" } } },
      undefined,
      "receptor.female.start",
    ],
    ["a presence above certainty", {}, [{ presence: 2 }], "sources.0.presence"],
    ["a distance below nothing", {}, [{ distance: -1 }], "sources.0.distance"],
    ["no plants", { receptor: { ...receptor, plants: 0 } }, undefined, "receptor.plants"],
  ])("refuses %s", (_, more, from, field) => {
    expect(Object.keys(refused(more, from))).toContain(field);
  });
});
