import { type Cover, type Scene, type SceneStand, sownAnew } from "./scene";

/** One thing a remedy changes, as data that a command can carry out. */
export type Change =
  | { kind: "resow"; standId: number; sown: string }
  | { kind: "move"; standId: number; bedId: number }
  | { kind: "thicken"; standId: number; plants: number }
  | { kind: "save-from"; standId: number; plants: number }
  | { kind: "cover"; standId: number; cover: Cover }
  | { kind: "hand"; standId: number }
  | { kind: "remove"; standId: number; every: number }
  | { kind: "agree"; sourceId: number }
  | { kind: "not-this-year"; standId: number };

/** The scene with changes carried out; what they name and do not find is left out. */
export function applied(scene: Scene, changes: Change[]): Scene {
  let { stands, sources } = scene;
  for (const change of changes) {
    if (change.kind === "agree") sources = sources.map((s) => (s.id === change.sourceId ? { ...s, agreed: true } : s));
    else stands = stands.map((s) => (s.id === change.standId ? changed(scene, s, change) : s));
  }
  return { ...scene, stands, sources };
}

function changed(scene: Scene, stand: SceneStand, change: Exclude<Change, { kind: "agree" }>): SceneStand {
  switch (change.kind) {
    case "resow":
      return sownAnew(stand, change.sown, scene.climate);
    case "move":
      return { ...stand, bed: scene.beds.find((bed) => bed.id === change.bedId) ?? stand.bed };
    case "thicken":
      return { ...stand, plants: change.plants };
    case "save-from":
      return { ...stand, saveFrom: change.plants };
    case "cover":
      return { ...stand, flowers: "covered", cover: change.cover };
    case "hand":
      return { ...stand, flowers: "hand" };
    case "remove":
      return { ...stand, flowers: "removed", removeEvery: change.every, seedWanted: false };
    case "not-this-year":
      return { ...stand, flowers: "removed", removeEvery: null, seedWanted: false };
  }
}
