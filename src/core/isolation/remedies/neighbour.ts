import type { Scene } from "../scene";
import type { SourceShare } from "../share";
import type { Draft } from "./remedy";

/**
 * A talk with the neighbour; nothing where it was had, or for what grows wild.
 * @example againstSource(scene([], { sources: [source(9, 30)] }), { id: "9" })[0]?.changes // [{ kind: "agree",
 *   sourceId: "9" }]
 */
export function againstSource(scene: Scene, source: SourceShare): Draft[] {
  const known = scene.sources.find((s) => s.id === source.id);
  if (!known || known.agreed || known.kind === "wild") return [];
  return [
    {
      key: `agree ${known.id}`,
      title: `Talk to the neighbour about ${known.name}`,
      cost: { plants: 0, days: 0, visits: 1 },
      note: "another variety, another year, or flowers taken off; count on less than all of it",
      feasible: !known.asked,
      why: "he is to be asked already; his answer is awaited on Today",
      changes: [{ kind: "agree", sourceId: known.id }],
    },
  ];
}
