import type { Day } from "../calendar/day";

/** The days of a stand's life, each under the name of its column. */
export type Life = {
  planned: 0 | 1;
  sown: Day;
  upOn: Day | null;
  pottedOn: Day | null;
  plantedOut: Day | null;
  liftedOn: Day | null;
  replantedOn: Day | null;
  firstFlower: Day | null;
  setOn: Day | null;
  ripeOn: Day | null;
  endedOn: Day | null;
  ending: "done" | "lost" | "pulled" | null;
};
export type Step = Exclude<keyof Life, "planned" | "ending">;

/** What a stand is once a step was taken. */
export const STEP_WORDS: Record<Step, string> = {
  sown: "sown",
  upOn: "up",
  pottedOn: "potted",
  plantedOut: "out",
  liftedOn: "lifted",
  replantedOn: "replanted",
  firstFlower: "in flower",
  setOn: "setting",
  ripeOn: "ripe",
  endedOn: "ended",
};
const STEPS = Object.keys(STEP_WORDS) as Step[];

/** What follows what; a plant in a pot may flower before it is planted out, so that those two may come either way. */
const FOLLOWS: [later: Step, earlier: Step][] = [
  ["upOn", "sown"],
  ["pottedOn", "sown"],
  ["pottedOn", "upOn"],
  ["plantedOut", "upOn"],
  ["plantedOut", "pottedOn"],
  ["liftedOn", "sown"],
  ["liftedOn", "upOn"],
  ["replantedOn", "liftedOn"],
  ["setOn", "sown"],
  ["setOn", "firstFlower"],
  ["ripeOn", "sown"],
  ["ripeOn", "firstFlower"],
  ["ripeOn", "setOn"],
  ...STEPS.filter((step) => step !== "endedOn").map((step): [Step, Step] => ["endedOn", step]),
];

/** Where a stand is in its life. */
export type Stage = "planned" | Exclude<Step, "endedOn"> | NonNullable<Life["ending"]>;

/**
 * Where a stand is in its life on a day: as it ended, or the last step it has taken by then.
 * @example stageOf({ planned: 0, sown: "2027-04-20", upOn: "2027-05-02" }, "2027-05-01") // "sown"
 */
export function stageOf(life: Pick<Life, "planned" | "sown"> & Partial<Life>, today: Day): Stage {
  if (life.endedOn && life.endedOn <= today && life.ending) return life.ending;
  if (life.planned || life.sown > today) return "planned";
  const taken = STEPS.filter((step) => step !== "endedOn" && life[step] && life[step] <= today);
  return taken.at(-1) as Exclude<Step, "endedOn">;
}

/**
 * The first two steps of a life that stand the wrong way round.
 * @example outOfOrder({ sown: "2027-04-20", upOn: "2027-04-18" }) // { later: "upOn", earlier: "sown" }
 */
export function outOfOrder(life: Partial<Life>): { later: Step; earlier: Step } | null {
  const wrong = FOLLOWS.find(([later, earlier]) => life[later] && life[earlier] && life[later] < life[earlier]);
  return wrong ? { later: wrong[0], earlier: wrong[1] } : null;
}
