import { BREEDING } from "@/core/breeding";
import { COMPUTATIONS, type Computation, computing } from "@/core/computations";
import { COMES_TRUE } from "@/core/purity/comesTrue";
import { RANKING } from "@/core/selection/rankingMethod";
import { FLOWERING_FORECAST } from "./forecasts";
import { ISOLATION_SHARE } from "./isolationShare";
import { OPEN_POLLINATION } from "./openPollination";

/** Every computation that can be called from outside: the core's, and those that know the catalogue. */
export const METHODS: Computation[] = [
  ...COMPUTATIONS,
  ...BREEDING,
  RANKING,
  COMES_TRUE,
  FLOWERING_FORECAST,
  ISOLATION_SHARE,
  OPEN_POLLINATION,
];

/** A method by its name, for the server's worker. */
export function* computeJob({ name, input }: { name: string; input: unknown }) {
  return yield* computing(METHODS.find((one) => one.name === name)!, input);
}
