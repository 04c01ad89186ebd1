import { generationName } from "@/core/custody/generation";
import { type Kin, kinPaths } from "@/core/pedigree/paths";
import { type Db, theDb } from "@/db/open";
import { type Descent, descents } from "@/records/line/descent";
import { individualOf } from "@/records/line/pedigree";
import { numbersOfPlants } from "@/records/plant/queries";
import { ref, type Told } from "@/records/record";
import { kinOf } from "./kin";

/** Two stands whose plants are held against each other. */
export const KIN = { oneId: ref("stand", "One"), otherId: ref("stand", "Other") };

/** How two are kin, in words: each path as those it passes. */
export type KinView = Omit<Kin, "paths"> & { paths: { through: string[]; share: number }[] };

/** No stand is named that is not there, however late it was sown. */
const EVER = "9999-12-31";
/** Paths that are told. */
const PATHS = 6;

/** How plants of two stands are kin, and by which forebears. */
export function kinView(db: Db, { oneId, otherId }: Told<typeof KIN>): KinView {
  const [one, other] = [oneId, otherId].map((standId) => ({ standId, plantId: null }));
  const { tree } = kinOf(db, [one!, other!]);
  const second = oneId === otherId;
  const { paths, ...kin } = kinPaths(tree, individualOf(one!), individualOf(other!, second), PATHS);
  const words = wordsOf(
    db,
    paths.flatMap(({ through }) => through),
  );
  return { ...kin, paths: paths.map(({ through, share }) => ({ through: through.map(words), share })) };
}

/** What the individuals of a pedigree are known by. */
export type Naming = { stand: (stand: Descent) => string; line: (stand: Descent) => string };

const IN_WORDS: Naming = {
  stand: ({ generation, lineName, season }) => `${generationName(generation) || lineName} ${season}`,
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
    if (kind === "one") return "one of several fathers";
    // "mother of line …", "father of line …", "second of line …"
    return `${kind} of ${lines.get(individual.split(" ").at(-1)!) ?? "a line"}`;
  };
}

// biome-ignore lint/correctness/useYield: done before anyone could stop it
export function* kinJob(asked: Told<typeof KIN>): Generator<unknown, KinView> {
  return kinView(theDb(), asked);
}
