import type { ProtocolStep, StepAction } from "@/core/pollination/protocol";

type Choices = readonly (readonly [string, string])[];

/** What can be found at a step, the usual first; `later` records nothing. */
export const RESULT_CHOICES: Partial<Record<StepAction, Choices>> = {
  gather: [
    ["gathered", "Bagged"],
    ["torn-bag", "Ear bag torn"],
    ["found-open", "Silk was out"],
  ],
  pollinate: [
    ["pollinated", "Pollinated"],
    ["found-open", "Found open"],
    ["limp", "Limp"],
    ["torn-bag", "Torn bag"],
  ],
  uncover: [
    ["uncovered", "Cover off"],
    ["torn-bag", "Was torn"],
    ["later", "Later"],
  ],
  check: [
    ["set", "Set"],
    ["failed", "Not set"],
    ["later", "Later"],
  ],
};

/** Whether male flowers are counted at a step: flowers rubbed, tassels mixed, males that shed. */
export const MALES_WORDS: Record<string, string> = {
  flower: "male flowers on each",
  ear: "tassels mixed",
  head: "heads of the father",
  plant: "males that shed pollen",
  group: "father's heads in the cage",
};

/**
 * What is said of fewer males on a flower than the way of pollinating wants; null where they are enough, or are not
 * counted flower by flower.
 */
export const fewMalesInWords = (
  unit: string,
  { father }: Pick<ProtocolStep, "father">,
  males: number,
): string | null =>
  unit === "flower" && father && males < father.each
    ? `${father.each} are surer: one is often found empty or too early.`
    : null;

/** What can be found at a step past its time: a flower that nobody came to is limp before it is anything else. */
export const choicesPast = (action: StepAction): Choices =>
  [...RESULT_CHOICES[action]!].sort(([a], [b]) => Number(b === "limp") - Number(a === "limp"));

/** Why a flower or fruit was lost. */
export const LOST_WHYS = ["dropped", "eaten", "broken", "rotted", "frost"] as const;

/** So long before and after its hours a step still counts as done now, hours. */
const LEEWAY = 2;
const hoursOf = (clock: string) => Number(clock.slice(0, 2)) + Number(clock.slice(3)) / 60;

/**
 * The clock on this device, as it is written down with a pollination; empty when the step is recorded at another time of
 * day than it was done, so that no wrong hour is kept by itself.
 */
export function hourNow(from: string, to: string): string {
  const now = clockNow();
  const [at, low, high] = [hoursOf(now), hoursOf(from) - LEEWAY, hoursOf(to) + LEEWAY];
  return at >= low && at <= high ? now : "";
}

function clockNow(): string {
  const now = new Date();
  return `${String(now.getHours()).padStart(2, "0")}:${String(now.getMinutes()).padStart(2, "0")}`;
}
