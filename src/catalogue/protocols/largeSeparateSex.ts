import type { Protocol } from "@/core/pollination/steps";

export const largeSeparateSex: Protocol = {
  id: "large-separate-sex",
  name: "Large separate-sex flowers",
  faults: ["found-open", "limp", "torn-bag"],
  steps: [
    {
      action: "cover",
      band: "evening",
      after: { low: 0, high: 0 },
      title: "Tie or bag buds for the morning",
      look: "Buds that open tomorrow: swollen, coloured at the tip, still shut. The female has a small fruit behind it, the male a plain stalk. Tie about two males for each female.",
      tooLate: "Too late once a bud has opened: insects may have been in it.",
      tools: "soft ties or small bags, marking wool, a lamp",
    },
    {
      action: "pollinate",
      band: "dawn",
      after: { low: 1, high: 1 },
      title: "Pollinate at dawn, tie again, mark",
      look: "Today's flower is crisp, yesterday's limp. Pick the male, strip its petals, rub its anthers on the stigma, close the female again and mark her.",
      tooLate: "Too late if a flower is found open or limp: record it as unusable and go on.",
      tools: "tied males, ties, marking wool",
    },
    {
      action: "check",
      band: "any-hour",
      after: { low: 7, high: 10 },
      title: "Look whether the fruit has set, take the tie off",
      look: "A set fruit has swollen and is green; a failed one is yellow, shrunken or gone. Leave the mark on.",
      tooLate: "Later is possible, but the tie may cut in.",
      tools: "none",
    },
    {
      action: "harvest",
      band: "any-hour",
      after: { low: 0, high: 0 },
      title: "Bring the ripe fruit in with its mark",
      look: "Seed-ripe is past eating-ripe.",
      tooLate: "Too late after a hard frost or once the fruit rots.",
      tools: "crate, a tag inside and outside",
    },
  ],
};
