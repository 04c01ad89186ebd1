import { barrier } from "./barrier/barrier";
import { bed } from "./bed/bed";
import { candidate } from "./candidate/candidate";
import { cross } from "./cross/cross";
import { deed } from "./deed/deed";
import { flower } from "./flower/flower";
import { gardenRecord } from "./garden/garden";
import { line } from "./line/line";
import { lot } from "./lot/lot";
import { normal } from "./normal/normal";
import { note } from "./note/note";
import { plant } from "./plant/plant";
import { reading } from "./reading/reading";
import { score } from "./score/score";
import { source } from "./source/source";
import { stand } from "./stand/stand";
import { air, stay, store } from "./store/store";
import { task } from "./task/task";
import { test, testCount } from "./test/test";
import { yardstick } from "./yardstick/yardstick";

/** Every record there is, those that others name before those that name them. */
export const RECORDS = [
  gardenRecord,
  bed,
  line,
  lot,
  stand,
  plant,
  yardstick,
  score,
  cross,
  flower,
  barrier,
  source,
  normal,
  reading,
  candidate,
  task,
  deed,
  note,
  store,
  stay,
  air,
  test,
  testCount,
] as const;
