import { expect, test } from "vitest";
import { addDays, dayNumber } from "../calendar/day";
import { frostsByNormals, frostsByReadings } from "../climate/frost";
import { simulatedStation } from "../climate/station";
import { dailyNormals } from "../climate/temperature";
import { KINDS, type Kind } from "../custody/code";
import { tagOutline } from "../custody/tagShape";
import { correctionFrom } from "../flowering/correction";
import type { FloweringFacts, Sowing, Window } from "../flowering/facts";
import { flowering } from "../flowering/forecast";
import { meetingChance } from "../flowering/meet";
import { ripensBeforeFrost } from "../flowering/ripening";
import { winterSurvival } from "../flowering/winter";
import { enoughPlants } from "../inheritance/enoughPlants";
import { arrange, changesOf } from "../isolation/arrange";
import { arrivalAt, arrivals } from "../isolation/arrival";
import { remediesFor } from "../isolation/remedies/remedies";
import type { SceneStand } from "../isolation/scene";
import { verdictOf } from "../isolation/verdict";
import { seeded } from "../numbers/chance";
import { waysToMeet } from "../pollination/meetInFlower";
import { whatWorks } from "../pollination/whatWorks";
import { ANNUAL, BIENNIAL, bed, climate, hedge, SPECIES, scene, source, south, stand, tropics, VALLEY } from "./place";
import { inParts, told } from "./told";

const places = { valley: climate(), south: south(), tropics: tropics(), unknown: null };

const KINDS_OF_CROP: Record<string, FloweringFacts> = {
  annual: ANNUAL,
  tender: { ...ANNUAL, tender: true, femaleLag: { low: 3, high: 9 }, cutBack: { low: 20, high: 30 } },
  "long days": { ...ANNUAL, light: { kind: "long", hours: { low: 13, high: 15 } } },
  "short days": { ...ANNUAL, light: { kind: "short", hours: { low: 12, high: 14 } } },
  "second year": BIENNIAL,
};
const SOWINGS: Record<string, Sowing> = {
  "in March": { sown: "2027-03-10" },
  "in May": { sown: "2027-05-05" },
  "in May, cut back": { sown: "2027-05-05", cutBack: "2027-07-01" },
  "in July, lifted": { sown: "2027-07-20", overwinter: "lifted" },
  "in July, left": { sown: "2027-07-20", overwinter: "left" },
  "in October": { sown: "2027-10-15" },
};

/** Three lines in one garden: a caged one, one of a mix, a field upwind behind a hedge. */
const WIND = { ...SPECIES, vector: "wind" as const };
const garden = scene(
  [
    stand(1, { seedLasts: 3, limit: 0.005 }),
    stand(2, { bed: bed(2, 12), flowers: "covered", cover: "bags", plants: 8 }),
    stand(3, { bed: bed(3, 40, { turn: 30 }), school: "let-it-mix", harm: "bitter", seedLasts: 1 }),
    stand(4, { bed: bed(4, 70), lineId: "1", saveFrom: 5, species: { ...SPECIES, selfs: true } }),
    stand(5, {
      bed: bed(5, 0, { y: 30 }),
      species: WIND,
      sowing: { sown: "2027-05-12" },
      flowers: "removed",
      removeEvery: 4,
    }),
  ],
  {
    sources: [source(9, 90, { presence: 0.7 }), source(8, -60, { agreed: true, harm: "hot" })],
    barriers: [hedge(80)],
    windFrom: 270,
  },
);

/**
 * Figures of the core on fixed cases, read through by a person when they were written down. A tender crop that a winter
 * should kill flowers in spring here: that is known to be wrong, and its lines will change when it is mended.
 */
const FIGURES: Record<string, () => unknown> = {
  flowerings: () =>
    Object.entries(places).flatMap(([place, here]) =>
      Object.entries(KINDS_OF_CROP).flatMap(([crop, facts]) =>
        Object.entries(SOWINGS).map(([when, sowing]) => {
          const window = flowering(sowing, facts, here, correctionFrom([0.95], { low: 50, high: 60 }));
          const span = ({ start, end, earliest, latest }: Window) => `${start} to ${end} (${earliest} to ${latest})`;
          const { chance, verdict, frost } = ripensBeforeFrost(window, here ?? tropics());
          return [
            `${place}, ${crop}, ${when}: ${span(window.male)}`,
            span(window.female) === span(window.male) ? "" : `female ${span(window.female)}`,
            `ripe ${window.ripe} (${window.ripeEarliest} to ${window.ripeLatest})`,
            `${verdict} ${chance.toPrecision(4)}${frost ? ` of ${frost}` : ""}`,
            window.fate === "flowers" ? "" : window.fate,
            window.kill
              ? `killed ${window.kill.day} ±${window.kill.spread.toFixed(1)}`
              : window.stands
                ? "stands the winter"
                : "",
            window.basis,
            ...window.notes,
          ]
            .filter(Boolean)
            .join("; ");
        }),
      ),
    ),
  frosts: () => {
    const years = Array.from({ length: 8 }, (_, i) => 2015 + i);
    const nights = (shift: number) =>
      new Map(
        years.flatMap((year, i) =>
          Array.from({ length: 365 }, (_, d) => {
            const day = addDays(`${year}-01-01`, d);
            const cold = (d + shift) % 365 < 130 + 3 * i || (d + shift) % 365 > 270 - 2 * i;
            return [dayNumber(day), { min: cold ? -1 : 4, max: 15 }] as const;
          }),
        ),
      );
    return {
      byNormals: frostsByNormals(dailyNormals(VALLEY), 0),
      southByNormals: frostsByNormals(south().daily, 181),
      byReadings: frostsByReadings(nights(0), false),
      southByReadings: frostsByReadings(nights(181), true),
    };
  },
  station: () => {
    const station = simulatedStation(dailyNormals(VALLEY), 3);
    return { january: station.readings("2027-01-01", "2027-01-12"), ahead: station.forecast("2027-05-10", 6) };
  },
  tags: () =>
    Object.fromEntries([...Object.keys(KINDS), "flower"].map((kind) => [kind, tagOutline(kind as Kind, 100, 50)])),
  winters: () =>
    (["lifted", "left", "late-sown"] as const).map((way) => winterSurvival(way, { low: -18, high: -12 }, climate())),
  enough: () =>
    [10, 40, 300].flatMap((plants) =>
      [null, 0.2].map((males) =>
        enoughPlants({
          plants,
          selfingRate: 0.4,
          rogued: 0.2,
          mishap: 0.05,
          males,
          thumbs: {
            "keep going": { low: 10, high: 20 },
            "keep well": { low: 40, high: 60 },
            "rare variety": { low: 100, high: 200 },
          },
          aim: "keep well",
          selfer: false,
          rare: 0.05,
          generations: 8,
        }),
      ),
    ),
  arrivals: () => {
    const { stands } = garden;
    return [...arrivals(garden)].map(([id, arrival]) => ({
      id,
      ...arrival,
      verdict: verdictOf(stands.find((s) => s.id === id)!, arrival),
    }));
  },
  "ways out": () =>
    garden.stands
      .filter(({ id }) => ["1", "4"].includes(id))
      .map((one: SceneStand) =>
        remediesFor(garden, one, arrivalAt(garden, one)).map(({ curve, ...way }) => ({
          ...way,
          curve: curve && [curve[0], curve.at(-1)],
        })),
      ),
  arranged: () => {
    const task = {
      scene: garden,
      stands: ["1", "4"],
      windows: [1, 2].map(() => ({ from: "2027-04-01", to: "2027-06-20" })),
      step: 10,
      beds: ["90", "91"],
      means: ["open", "cage", "hand"] as ("open" | "cage" | "hand")[],
    };
    return [1, 2].map((seed) => {
      const search = arrange(task, seed, 2, 200);
      let step = search.next();
      while (!step.done) step = search.next();
      return { ...step.value, changes: changesOf(task, step.value.plan) };
    });
  },
  meeting: () => {
    const parent = (sown: string, unsown: boolean) => ({
      window: flowering({ sown }, ANNUAL, climate()),
      unsown,
      ifSown: (day: string) => flowering({ sown: day }, ANNUAL, climate()),
      ripens: (window: ReturnType<typeof flowering>) => ripensBeforeFrost(window, climate()).chance,
      cutBack: { low: 18, high: 26 },
      flowerDays: ANNUAL.flowerDays,
    });
    const pollenLife = { room: { low: 1, high: 2 }, fridge: { low: 12, high: 24 }, freezer: { low: 60, high: 200 } };
    const common = { pollenLife, today: "2027-05-20", days: 3, wanted: 0.8, ripeWanted: 0.7 };
    const [early, late] = ["2027-04-10", "2027-07-10"];
    return [
      { mother: parent(late, true), father: parent(early, false) },
      { mother: parent(early, false), father: parent(late, true) },
    ].map((pair) => ({
      chance: meetingChance({ mother: pair.mother.window.female, father: pair.father.window.male }, 3),
      ways: waysToMeet({ ...common, ...pair }),
    }));
  },
  "what works": () => {
    const luck = seeded(5);
    const flowers = Array.from({ length: 160 }, () => {
      const hoursAfterSunrise = luck() * 9;
      return {
        set: luck() < (hoursAfterSunrise < 2 ? 0.7 : 0.3),
        method: luck() < 0.5 ? "by brush" : "by flower",
        hoursAfterSunrise,
        temperature: 8 + luck() * 20,
        noonHeat: luck() < 0.2 ? null : 20 + luck() * 16,
        bud: (["early", "right", "late"] as const)[Math.floor(luck() * 3)]!,
        males: 1 + Math.floor(luck() * 6),
      };
    });
    return whatWorks(flowers);
  },
};

/** Figures read through together. */
const PAGES: Record<string, string[]> = {
  climate: ["winters", "frosts", "station"],
  flowering: ["flowerings", "meeting", "what works"],
  isolation: ["arrivals", "ways out", "arranged"],
  seed: ["enough", "tags"],
};

test.each(Object.entries(PAGES))("of %s are what they were when they were read through", async (page, names) => {
  const parts = names.map((name): [string, string] => [name, told(FIGURES[name]!())]);
  await expect(inParts(parts)).toMatchFileSnapshot(`expected/${page}.txt`);
});

test("each figure is read through", () => {
  expect(Object.values(PAGES).flat().sort()).toEqual(Object.keys(FIGURES).sort());
});
