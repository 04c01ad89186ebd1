import type { Id } from "../custody/id";
import { type Cover, type Mesh, type Scene, type SceneStand, sownAnew } from "./scene";

/** One thing a remedy changes, as data that a command can carry out. */
export type Change =
  | { kind: "resow"; standId: Id; sown: string }
  | { kind: "move"; standId: Id; bedId: Id }
  | { kind: "thicken"; standId: Id; plants: number }
  | { kind: "save-from"; standId: Id; plants: number }
  | { kind: "cover"; standId: Id; cover: Cover; mesh?: Mesh }
  | { kind: "hand"; standId: Id }
  | { kind: "remove"; standId: Id; every: number }
  | { kind: "agree"; sourceId: Id }
  | { kind: "not-this-year"; standId: Id };

/**
 * The scene with changes carried out; what they name and do not find is left out.
 * @example applied(scene([stand(1)]), [{ kind: "thicken", standId: "1", plants: 50 }]).stands[0]?.plants // 50
 */
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
      return { ...stand, flowers: "covered", cover: change.cover, mesh: change.mesh ?? null };
    case "hand":
      return { ...stand, flowers: "hand" };
    case "remove":
      return { ...stand, flowers: "removed", removeEvery: change.every, seedWanted: false };
    case "not-this-year":
      return { ...stand, flowers: "removed", removeEvery: null, seedWanted: false };
  }
}
