import { addressOfStand } from "@/core/custody/address";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Outlook } from "../outlook";
import { openWork, type StandWork, workOfSeason } from "../work";
import type { LinkedTask } from "./task";

const taskOf = ({ act, stand, standing, waits: _, count: __, ...work }: StandWork): LinkedTask => ({
  ...work,
  of: "planting",
  id: stand.id,
  act,
  name: nameWithGeneration(stand),
  code: stand.code,
  place: stand.bedName,
  at: null,
  standing,
  href: addressOfStand(stand),
});

/** What plantings ask for, from sowing to seed: of one season, or of all that grow or are planned. */
export const plantingTasks = (sky: Outlook, season: number | null = null): LinkedTask[] =>
  (season === null ? openWork(sky) : workOfSeason(sky, season)).map(taskOf);
