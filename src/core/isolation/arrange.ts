import { addDays } from "../calendar/day";
import type { Id } from "../custody/id";
import { ripensBeforeFrost } from "../flowering/ripening";
import { block } from "../ground/planting";
import { seeded } from "../numbers/chance";
import { airOver, lookAt } from "./arrival";
import { applied, type Change } from "./change";
import { degreeOf } from "./crossing";
import { meshFor } from "./emitter";
import type { Scene, SceneStand } from "./scene";
import { newWays } from "./share";

/** One stand's place in a plan: by how many days its sowing moves, which bed it has, what guards its flowers. */
export type Choice = { shift: number; bedId: Id; means: "open" | "cage" | "hand" };
export type Plan = Choice[];

export type ArrangeTask = {
  scene: Scene;
  /** The stands that must make seed, by id. */
  stands: Id[];
  /** Sowing dates that may be tried for each: first and last day, and days between tries. */
  windows: { from: string; to: string }[];
  step: number;
  /** Beds that may be used, by id; a stand may always stay where it is. */
  beds: Id[];
  means: Choice["means"][];
};

/** The options of each stand: every sowing, bed and means that may be tried, the present choice first. */
export type Options = Choice[][];

export type Judged = {
  /** What the search makes small: labour, and far above it every share over its limit and seed that does not ripen. */
  score: number;
  labour: number;
  /** Stands that exceed their limit in more than a tenth of all gardens, and stands whose seed is not likely enough to ripen. */
  over: number;
  late: number;
};

/** Visits that a means costs over one flowering; rules of thumb, as in the remedies. */
const MEANS_VISITS = { open: 0, cage: 12, hand: 30 } as const;
const MOVE_VISITS = 1;
/** A shift costs little: one visit for four weeks. */
const SHIFT_VISITS = 1 / 28;
/** How much worse a plan counts for each stand over its limit (and again in proportion), or not ripe. */
const FAULT = 1000;

const standOf = (scene: Scene, id: Id): SceneStand => scene.stands.find((s) => s.id === id)!;

/**
 * Everything that may be tried for each stand of a task, as it is now first.
 * @example optionsOf({ scene: scene([stand(1)]), stands: ["1"], windows: [{ from: "2027-04-01", to: "2027-06-01" }],
 *   step: 7, beds: ["90"], means: ["open", "cage"] })[0]?.length // 40
 */
export function optionsOf(task: ArrangeTask): Options {
  return task.stands.map((id, i) => {
    const stand = standOf(task.scene, id);
    const { from, to } = task.windows[i]!;
    const shifts = [0];
    for (let by = -120; by <= 120; by += task.step) {
      const sown = addDays(stand.sowing.sown, by);
      if (by !== 0 && sown >= from && sown <= to && sown >= task.scene.today) shifts.push(by);
    }
    const others = new Set(task.scene.stands.filter((s) => !task.stands.includes(s.id)).map((s) => s.bed.id));
    const beds = stand.window.observed
      ? []
      : task.beds.filter((bed) => {
          const found = task.scene.beds.find((b) => b.id === bed);
          return bed !== stand.bed.id && found && !others.has(bed) && block(stand.plants, stand.spacing, found).fits;
        });
    const now = stand.flowers === "hand" ? "hand" : stand.flowers === "covered" ? "cage" : "open";
    const means = [now, ...task.means.filter((m) => m !== now)] as Choice["means"][];
    return shifts.flatMap((shift) =>
      [stand.bed.id, ...beds].flatMap((bedId) => means.map((guard) => ({ shift, bedId, means: guard }))),
    );
  });
}

/**
 * What a plan changes of the present one.
 * @example changesOf({ scene: scene([stand(1)]), stands: ["1"] }, [{ shift: 7, bedId: "90", means: "hand" }]) // [{
 *   kind: "resow", standId: "1", sown: "2027-05-08" }, { kind: "move", standId: "1", bedId: "90" }, { kind: "hand",
 *   standId: "1" }]
 */
export function changesOf(task: ArrangeTask, plan: Plan): Change[] {
  return plan.flatMap((choice, i): Change[] => {
    const stand = standOf(task.scene, task.stands[i]!);
    const sown = addDays(stand.sowing.sown, choice.shift);
    const now = stand.flowers === "hand" ? "hand" : stand.flowers === "covered" ? "cage" : "open";
    return [
      ...(choice.shift === 0 ? [] : [{ kind: "resow", standId: stand.id, sown } as const]),
      ...(choice.bedId === stand.bed.id ? [] : [{ kind: "move", standId: stand.id, bedId: choice.bedId } as const]),
      ...(choice.means === now
        ? []
        : choice.means === "hand"
          ? [{ kind: "hand", standId: stand.id } as const]
          : choice.means === "cage"
            ? [{ kind: "cover", standId: stand.id, cover: "cage", mesh: meshFor(stand) } as const]
            : []),
    ];
  });
}

/**
 * Judges plans for one task; what does not change between plans is reckoned once.
 * @param quick believe a first look at what arrives
 * @example judge({ scene: scene([stand(1)]), stands: ["1"] })([{ shift: 28, bedId: "90", means: "cage" }]).labour // 14
 */
export function judge(task: ArrangeTask, quick = false): (plan: Plan) => Judged {
  const ways = newWays();
  const sowings = new Map<string, SceneStand>();
  const ripe = new Map<string, number>();
  const beds = new Map(task.scene.beds.map((bed) => [bed.id, bed]));
  const chosen = new Map(task.stands.map((id, i) => [id, i]));
  // What arrives at a stand hangs on the choices of those only that cross with it.
  const arrived = new Map<string, ReturnType<typeof lookAt>>();
  const minded = task.stands.map((id) => {
    const { species } = standOf(task.scene, id);
    return task.stands.flatMap((other, j) => (degreeOf(species, standOf(task.scene, other).species) ? [j] : []));
  });
  return (plan) => {
    const stands = task.scene.stands.map((stand) => {
      const i = chosen.get(stand.id);
      if (i === undefined) return stand;
      const choice = plan[i]!;
      const key = `${stand.id} ${choice.shift}`;
      let sown = sowings.get(key);
      if (!sown) {
        sown =
          choice.shift === 0
            ? stand
            : applied(task.scene, [
                { kind: "resow", standId: stand.id, sown: addDays(stand.sowing.sown, choice.shift) },
              ]).stands.find((s) => s.id === stand.id)!;
        sowings.set(key, sown);
        ripe.set(key, ripensBeforeFrost(sown.window, task.scene.climate).chance);
      }
      const flowers = choice.means === "open" ? "open" : choice.means === "hand" ? "hand" : "covered";
      return {
        ...sown,
        bed: beds.get(choice.bedId) ?? stand.bed,
        flowers,
        cover: choice.means === "cage" ? (stand.cover ?? "cage") : null,
        mesh: choice.means === "cage" && stand.flowers !== "covered" ? meshFor(stand) : stand.mesh,
      } as SceneStand;
    });
    const scene = { ...task.scene, stands };
    const air = airOver(scene);
    const used = new Map<Id, number>();
    let [labour, over, late, fault] = [0, 0, 0, 0];
    plan.forEach((choice, i) => {
      const present = standOf(task.scene, task.stands[i]!);
      labour +=
        MEANS_VISITS[choice.means] +
        (choice.bedId === present.bed.id ? 0 : MOVE_VISITS) +
        Math.abs(choice.shift) * SHIFT_VISITS;
      used.set(choice.bedId, (used.get(choice.bedId) ?? 0) + 1);
      const stand = stands.find((s) => s.id === present.id)!;
      const key = minded[i]!.reduce(
        (key, j) => `${key}|${plan[j]!.shift} ${plan[j]!.bedId} ${plan[j]!.means}`,
        present.id,
      );
      const known = arrived.get(key);
      const look = known ?? lookAt(scene, stand, air, ways, quick);
      if (!known) arrived.set(key, look);
      const { share, risk } = look;
      if (risk > 0) {
        over++;
        fault += FAULT * (1 + risk + Math.min(50, Math.max(0, share / present.limit - 1)));
      }
      const ripens = ripe.get(`${present.id} ${choice.shift}`)!;
      if (ripens < task.scene.ripeWanted) {
        late++;
        fault += FAULT * (1 + task.scene.ripeWanted - ripens);
      }
      // A bed that stood alone is not shared by the search.
      if (choice.bedId !== present.bed.id && used.get(choice.bedId)! > 1) fault += 3 * FAULT;
    });
    return { score: labour + fault, labour, over, late };
  };
}

export type Progress = { share: number; plan: Plan; judged: Judged; tried: number };

const START_HEAT = 400;
const END_HEAT = 0.05;

/**
 * Searches sowing dates, beds and means that bring every chosen stand under its limit at the least labour, its seed
 * ripe
 * before frost: annealing from the present plan and from chance ones, each run ended by trying every single change.
 *
 * Seeded: the same task and seed give the same plan. Yields its best so far, so that a caller can show or stop it.
 * @param restarts runs, the first from the present plan
 * @param steps tries in each run
 * @example arrange({ scene: scene([stand(1)]), stands: ["1"], windows: [{ from: "2027-04-01", to: "2027-06-01" }],
 *   step: 7, beds: [], means: ["open"] }, 1, 1, 100).next().value.judged // { score: 0, labour: 0, over: 0, late: 0 }
 */
export function* arrange(task: ArrangeTask, seed: number, restarts = 6, steps = 1500): Generator<Progress, Progress> {
  const options = optionsOf(task);
  const judgePlan = judge(task, true);
  const judgeWell = judge(task);
  const luck = seeded(seed);
  const pick = <T>(list: T[]): T => list[Math.floor(luck() * list.length)]!;
  let tries = 0;
  const score = (plan: Plan) => {
    tries++;
    return judgePlan(plan);
  };
  const present = options.map((list) => list[0]!);
  let best = { plan: present, judged: judgeWell(present) };
  const keep = (plan: Plan, judged: Judged) => {
    if (judged.score >= best.judged.score) return;
    const well = judgeWell(plan);
    if (well.score < best.judged.score) best = { plan: [...plan], judged: well };
  };
  const at = (run: number, step: number): Progress => ({
    share: (run + step / steps) / restarts,
    ...best,
    tried: tries,
  });
  for (let run = 0; run < restarts; run++) {
    let plan = run === 0 ? [...present] : options.map((list) => pick(list));
    let now = score(plan);
    keep(plan, now);
    for (let step = 0; step < steps; step++) {
      const heat = START_HEAT * (END_HEAT / START_HEAT) ** (step / steps);
      const i = Math.floor(luck() * plan.length);
      const next = plan.with(i, pick(options[i]!));
      const judged = score(next);
      if (judged.score <= now.score || luck() < Math.exp((now.score - judged.score) / heat)) {
        plan = next;
        now = judged;
        keep(plan, now);
      }
      if (step % 100 === 99) yield at(run, step + 1);
    }
    // Down to where no single change is better, from this run's end.
    for (let better = true; better; ) {
      better = false;
      for (let i = 0; i < plan.length; i++) {
        for (const option of options[i]!) {
          const next: Plan = plan.with(i, option);
          const judged = score(next);
          if (judged.score >= now.score) continue;
          plan = next;
          now = judged;
          better = true;
        }
        keep(plan, now);
        yield at(run, steps);
      }
    }
  }
  return at(restarts, 0);
}
