import { barrier } from "./barrier/barrier";
import { bed } from "./bed/bed";
import { candidate } from "./candidate/candidate";
import { cross } from "./cross/cross";
import { deed, found } from "./deed/deed";
import { flower } from "./flower/flower";
import { gardenRecord } from "./garden/garden";
import { handling, sample } from "./handling/handling";
import { line } from "./line/line";
import { locus } from "./locus/locus";
import { loss } from "./loss/loss";
import { lot, part } from "./lot/lot";
import { normal } from "./normal/normal";
import { note } from "./note/note";
import { offkind } from "./offkind/offkind";
import { offtype } from "./offtype/offtype";
import { packet } from "./packet/packet";
import { photo } from "./photo/photo";
import { pick } from "./pick/pick";
import { plan } from "./plan/plan";
import { plant } from "./plant/plant";
import { reading } from "./reading/reading";
import { score } from "./score/score";
import { seedlook } from "./seedlook/seedlook";
import { member, offer, sharing, wish } from "./sharing/sharing";
import { sorting } from "./sorting/sorting";
import { source } from "./source/source";
import { stand } from "./stand/stand";
import { air, stay, store } from "./store/store";
import { surprise } from "./surprise/surprise";
import { task } from "./task/task";
import { bite, serving, tasting } from "./tasting/tasting";
import { test, testCount } from "./test/test";
import { trial } from "./trial/trial";
import { move, vessel } from "./vessel/vessel";
import { yardstick } from "./yardstick/yardstick";

/** Every record there is, those that others name before those that name them. */
export const RECORDS = [
  gardenRecord,
  bed,
  line,
  vessel,
  lot,
  stand,
  plant,
  plan,
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
  part,
  move,
  handling,
  sample,
  packet,
  pick,
  member,
  sharing,
  offer,
  wish,
  offtype,
  offkind,
  photo,
  tasting,
  serving,
  bite,
  sorting,
  trial,
  locus,
  found,
  loss,
  surprise,
  seedlook,
] as const;
