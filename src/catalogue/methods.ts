import { BREEDING } from "@/core/breeding";
import { COMPUTATIONS, type Computation } from "@/core/computations";
import { COMES_TRUE } from "@/core/purity/comesTrue";
import { FLOWERING_FORECAST } from "./forecasts";
import { ISOLATION_SHARE } from "./isolationShare";

/** Every computation that can be called from outside: the core's, and those that know the catalogue. */
export const METHODS: Computation[] = [...COMPUTATIONS, ...BREEDING, COMES_TRUE, FLOWERING_FORECAST, ISOLATION_SHARE];
