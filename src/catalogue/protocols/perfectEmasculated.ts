import type { Protocol } from "@/core/pollination/steps";

export const perfectEmasculated: Protocol = {
  id: "perfect-emasculated",
  name: "Perfect flowers, emasculated in bud",
  faults: ["found-open", "limp", "torn-bag"],
  steps: [
    {
      action: "cover",
      band: "evening",
      after: { low: 0, high: 0 },
      title: "Take the anthers out of full-grown buds and bag them",
      look: "Buds a day from opening, anthers still shut. Open the petals, take out every anther with fine tweezers, bag the flower.",
      tooLate: "Too late once the anthers shed: the flower has its own pollen.",
      tools: "fine tweezers, hand lens, small bags, marking wool",
    },
    {
      action: "pollinate",
      band: "morning",
      after: { low: 0, high: 2 },
      title: "Brush the father's pollen on the sticky stigma, bag again",
      look: "A shining, sticky stigma takes pollen. Take fresh dusty pollen from an open flower of the father.",
      tooLate: "Too late when the stigma is brown and dry.",
      tools: "fine brush, bags",
    },
    {
      action: "check",
      band: "any-hour",
      after: { low: 6, high: 10 },
      title: "Look whether the ovary swells, take the bag off",
      look: "A lengthening, swelling ovary has set. Leave the mark on.",
      tooLate: "Later is possible, but the bag may cramp the fruit.",
      tools: "none",
    },
    {
      action: "harvest",
      band: "any-hour",
      after: { low: 0, high: 0 },
      title: "Bring the ripe fruit in with its mark",
      look: "Seed-ripe is past eating-ripe.",
      tooLate: "Too late once pods shatter, rot or freeze.",
      tools: "crate, a tag inside and outside",
    },
  ],
};
