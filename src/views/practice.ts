import { PROTOCOLS, SPECIES } from "@/catalogue/catalogue";
import type { Petals } from "@/core/pollination/protocol";
import { STAGES, type Stage } from "@/core/pollination/protocol";
import type { Garden } from "@/records/garden/garden";
import type { Outlook } from "@/views/outlook";
import { type Base, base } from "./guide";

/** A flower at a stage of a step: what a practice question shows. */
export type PracticeCard = {
  key: string;
  protocol: string;
  flowerType: string;
  unit: string;
  drawing: string;
  stage: Stage;
  look: string;
  title: string;
  tooLate: string;
  stages: Record<Stage, string>;
  /** Colours of the flowers that are done so. */
  petals: Petals[];
};

export type Practice = { garden: Garden; band: Base["band"]; cards: PracticeCard[] };

/** The colours of the species that a protocol is for, each once. */
const petalsOf = (protocol: string): Petals[] => [
  ...new Set(SPECIES.filter(({ methods }) => methods.includes(protocol)).map(({ petals }) => petals)),
];

/** Every stage of every step that is drawn, as a card. */
export function practiceView(sky: Outlook): Practice {
  const seen = new Set<string>();
  const cards = PROTOCOLS.flatMap((protocol) =>
    protocol.steps.flatMap(({ action, drawing, stages, title, look, tooLate }): PracticeCard[] => {
      // A step that several protocols share is practised once.
      if (!drawing || !stages || seen.has(drawing)) return [];
      seen.add(drawing);
      const petals = petalsOf(protocol.id);
      return STAGES.map((stage) => ({
        key: `${protocol.id}/${action}/${stage}`,
        protocol: protocol.name,
        flowerType: protocol.flowerType,
        unit: protocol.unit,
        drawing,
        stage,
        look,
        title,
        tooLate,
        stages,
        petals,
      }));
    }),
  );
  return { ...base(sky, null), cards };
}
