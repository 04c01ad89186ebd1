import { benchVerdicts } from "/work/main/bench/verdicts";

benchVerdicts(Number(process.argv[2] ?? 100));
