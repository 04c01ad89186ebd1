import { generationName } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { type Kin, kinPaths } from "@/core/pedigree/paths";
import { type Db, theDb } from "@/db/open";
import { type Descent, descents } from "@/records/line/descent";
import { individualOf } from "@/records/line/pedigree";
import { lotsById } from "@/records/lot/queries";
import { numbersOfPlants, plantNumbered } from "@/records/plant/queries";
import { ref, type Told, whole } from "@/records/record";
import { standById } from "@/records/stand/queries";
import { kinOf } from "./kin";

const number = (label: string) => whole(label, 1, 100_000).optional();

/** Two stands whose plants are held against each other, any of them or one of a number. */
export const KIN = {
  oneId: ref("stand", "One"),
  otherId: ref("stand", "Other"),
  oneNumber: number("Plant of the one"),
  otherNumber: number("Plant of the other"),
};

/** How two are kin, in words: each path as those it passes; or why that can't be told. */
export type KinView = (Omit<Kin, "paths"> & { paths: { through: string[]; share: number }[] }) | { unknown: string };

/** No stand is named that is not there, however late it was sown. */
const EVER = "9999-12-31";
/** Paths that are told. */
const PATHS = 6;

/** How plants of two stands are kin, and by which forebears. */
export function kinView(db: Db, { oneId, otherId, oneNumber, otherNumber }: Told<typeof KIN>): KinView {
  const plant = (standId: Id, of: number | null) => ({
    standId,
    of,
    plantId: of === null ? null : plantNumbered(db, standId, of),
  });
  const [one, other] = [plant(oneId, oneNumber), plant(otherId, otherNumber)];
  const missing = [one, other].find(({ of, plantId }) => of !== null && plantId === null);
  if (missing) return { unknown: `There is no plant ${missing.of} in ${standById(db, missing.standId)?.code}.` };
  if (one.plantId && one.plantId === other.plantId) return { unknown: `That is one plant, ${oneNumber}.` };
  const { tree } = kinOf(db, [one, other]);
  const second = oneId === otherId && !one.plantId && !other.plantId;
  const { paths, ...kin } = kinPaths(tree, individualOf(one), individualOf(other, second), PATHS);
  const words = wordsOf(
    db,
    paths.flatMap(({ through }) => through),
  );
  return { ...kin, paths: paths.map(({ through, share }) => ({ through: through.map(words), share })) };
}

/** What the individuals of a pedigree are known by. */
export type Naming = { stand: (stand: Descent) => string; line: (stand: Descent) => string };

const IN_WORDS: Naming = {
  stand: ({ generation, backcrosses, lineName, season }) =>
    `${generationName(generation, backcrosses) || lineName} ${season}`,
  line: ({ lineName }) => lineName,
};

/** How the individuals of a pedigree are called. */
export function wordsOf(db: Db, individuals: string[], naming = IN_WORDS): (individual: string) => string {
  const stands = new Map(descents(db, EVER).map((one) => [one.id as string, one]));
  const lines = new Map([...stands.values()].map((one) => [one.lineId as string, naming.line(one)]));
  const numbers = numbersOfPlants(
    db,
    individuals.flatMap((individual) => /^plant (.+)$/.exec(individual)?.[1] ?? []),
  );
  const lots = lotsById(db, individuals.flatMap((individual) => /^seed (\S+)/.exec(individual)?.[1] ?? []) as Id[]);
  const stand = (id: string) => {
    const found = stands.get(id);
    return found ? naming.stand(found) : "a stand";
  };
  return (individual) => {
    const [kind, id = "", second] = individual.split(" ");
    if (kind === "plant") {
      const found = numbers.get(id);
      return found ? `${stand(found.standId)} plant ${found.number}` : "a plant";
    }
    if (kind === "stand") return second ? `${stand(id)}, ${second === "all" ? "all of them" : "another"}` : stand(id);
    if (kind === "pollen") return `pollen around ${stand(id)}`;
    if (kind === "line") return lines.get(id) ?? "a line";
    if (kind === "one") return "one of several";
    if (kind === "seed") return `seed of ${lots.get(id as Id)?.code}`;
    // "mother of line …", "father of line …", "second of line …"
    return `${kind} of ${lines.get(individual.split(" ").at(-1)!) ?? "a line"}`;
  };
}

// biome-ignore lint/correctness/useYield: done before anyone could stop it
export function* kinJob(asked: Told<typeof KIN>): Generator<unknown, KinView> {
  return kinView(theDb(), asked);
}
