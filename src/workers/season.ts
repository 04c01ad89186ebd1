import { type ArrangeTask, arrange, changesOf, type Progress } from "@/core/isolation/arrange";
import type { Change } from "@/core/isolation/change";
import type { Scene } from "@/core/isolation/scene";
import type { Ways } from "@/core/isolation/share";
import { type Tried, tryOut } from "@/core/isolation/tryout";

/** `of` numbers the scene, or the search: an answer bears the number of what was asked. */
export type ToSeasonWorker =
  | { kind: "scene"; of: number; scene: Scene }
  | { kind: "try"; changes: Change[] }
  | { kind: "arrange"; of: number; task: Omit<ArrangeTask, "scene">; seed: number }
  | { kind: "stop" };

export type Found = Omit<Progress, "plan"> & { changes: Change[]; tried: number; after: Tried[]; done: boolean };
export type FromSeasonWorker = { kind: "tried"; of: number; stands: Tried[] } | ({ kind: "found"; of: number } & Found);

let scene: Scene | null = null;
let sceneNumber = 0;
let ways: Ways = new Map();
/** Raised by every new scene, search and stop, so that an old search sees that it is over. */
let search = 0;

const say = (message: FromSeasonWorker) => postMessage(message);

async function run(given: Omit<ArrangeTask, "scene">, seed: number, of: number): Promise<void> {
  const mine = ++search;
  const now = scene!;
  const task: ArrangeTask = { ...given, scene: now };
  const tell = ({ plan, ...progress }: Progress, done: boolean) => {
    const changes = changesOf(task, plan);
    say({ kind: "found", of, ...progress, changes, after: tryOut(now, changes, new Map()), done });
  };
  const steps = arrange(task, seed);
  let told = 0;
  for (;;) {
    const step = steps.next();
    if (step.done) return tell(step.value, true);
    if (Date.now() - told < 120) continue;
    told = Date.now();
    tell(step.value, false);
    // Lets a stop come through.
    await new Promise((resolve) => setTimeout(resolve));
    if (search !== mine) return tell(step.value, true);
  }
}

addEventListener("message", ({ data }: MessageEvent<ToSeasonWorker>) => {
  switch (data.kind) {
    case "scene":
      search++;
      scene = data.scene;
      sceneNumber = data.of;
      ways = new Map();
      break;
    case "try":
      if (scene) say({ kind: "tried", of: sceneNumber, stands: tryOut(scene, data.changes, ways) });
      break;
    case "arrange":
      if (scene) void run(data.task, data.seed, data.of);
      break;
    case "stop":
      search++;
      break;
  }
});
