import { sceneSpecies, speciesById } from "@/catalogue/catalogue";
import type { Day } from "@/core/calendar/day";
import { flowersAtAll } from "@/core/flowering/facts";
import { flowering } from "@/core/flowering/forecast";
import { meetingChance } from "@/core/flowering/meet";
import { ripensBeforeFrost } from "@/core/flowering/ripening";
import { type MeetParent, type WayToMeet, waysToMeet } from "@/core/pollination/meetInFlower";
import type { ForecastStand, Outlook } from "./outlook";
import type { Parents } from "./pollination";

/** Days that two flowerings should have in common, so that bad weather and a second try have room. */
const MEET_DAYS = 3;
/** The chance of meeting from which on nothing more is proposed. */
export const MEET_WANTED = 0.8;

/** The chance that two stands are in flower together for some days; one stand meets itself. */
export function chanceToMeet({ mother, father }: Parents): number {
  if (!flowersAtAll(mother.window) || !flowersAtAll(father.window)) return 0;
  if (mother.id === father.id) return 1;
  return meetingChance({ mother: mother.window.female, father: father.window.male }, MEET_DAYS);
}

function parent(stand: ForecastStand, { climate, correction, today }: Outlook): MeetParent {
  const species = speciesById(stand.species);
  return {
    window: stand.window,
    unsown: stand.planned === 1 || stand.sown > today,
    ifSown: (day: Day) => flowering({ sown: day }, sceneSpecies(species), climate, correction(stand.lineId)),
    ripens: (window) => ripensBeforeFrost(window, climate).chance,
    cutBack: species.cutBack,
    flowerDays: species.flowerDays,
  };
}

/** What brings two stands into flower together, when they would miss each other. */
export function meetWays({ mother, father }: Parents, sky: Outlook): WayToMeet[] {
  if (mother.id === father.id) return [];
  return waysToMeet({
    mother: parent(mother, sky),
    father: parent(father, sky),
    pollenLife: speciesById(father.species).pollenLife,
    today: sky.today,
    days: MEET_DAYS,
    wanted: MEET_WANTED,
    ripeWanted: sky.garden.ripeWanted,
  });
}
