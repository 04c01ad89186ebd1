import { PROTOCOLS } from "@/catalogue/catalogue";
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
};

export type Practice = { garden: Garden; band: Base["band"]; cards: PracticeCard[] };

/** Every stage of every step that is drawn, as a card. */
export function practiceView(sky: Outlook): Practice {
  const seen = new Set<string>();
  const cards = PROTOCOLS.flatMap((protocol) =>
    protocol.steps.flatMap(({ action, drawing, stages, title, look, tooLate }): PracticeCard[] => {
      // A step that several protocols share is practised once.
      if (!drawing || !stages || seen.has(drawing)) return [];
      seen.add(drawing);
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
      }));
    }),
  );
  return { ...base(sky, null), cards };
}
