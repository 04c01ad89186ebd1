import { type ArrangeTask, arrange, changesOf, type Progress } from "@/core/isolation/arrange";
import type { Change } from "@/core/isolation/change";
import type { Scene } from "@/core/isolation/scene";
import { newWays } from "@/core/isolation/share";
import { type Tried, tryOut } from "@/core/isolation/tryout";
import { type Locale, writeAs } from "@/core/writing/locale";
import { runner, type ToWorker } from "./jobs";

/** The best plan of a search so far: what it changes, and every stand after it. */
export type Found = Omit<Progress, "plan"> & { changes: Change[]; after: Tried[] };

let scene: Scene;
let ways = newWays();

/** What the season's page asks of its worker: to keep a scene, to try changes on it, to search for a plan. */
export const SEASON_JOBS = {
  // biome-ignore lint/correctness/useYield: done at once
  *scene({ scene: next, locale }: { scene: Scene; locale: Locale }): Generator<never, void> {
    writeAs(locale);
    scene = next;
    ways = newWays();
  },
  // biome-ignore lint/correctness/useYield: one reckoning, short enough for a drag
  *try(changes: Change[]): Generator<never, Tried[]> {
    return tryOut(scene, changes, ways);
  },
  *arrange({ task, seed }: { task: Omit<ArrangeTask, "scene">; seed: number }): Generator<() => Found, Found> {
    const whole: ArrangeTask = { ...task, scene };
    const found = ({ plan, ...progress }: Progress): Found => {
      const changes = changesOf(whole, plan);
      return { ...progress, changes, after: tryOut(whole.scene, changes, ways) };
    };
    const steps = arrange(whole, seed);
    for (;;) {
      const { done, value } = steps.next();
      if (done) return found(value);
      yield () => found(value);
    }
  },
};

const take = runner(SEASON_JOBS, (message) => postMessage(message));
addEventListener("message", ({ data }: MessageEvent<ToWorker>) => take(data));
