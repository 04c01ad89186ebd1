import { candidateRule } from "./candidate/rules";
import { crossRule } from "./cross/rules";
import { deedRule } from "./deed/rules";
import type { Facts } from "./facts";
import { flowerRule } from "./flower/rules";
import { gardenRule } from "./garden/rules";
import { barrierRule, sourceRule } from "./ground/rules";
import { handlingRule } from "./handling/rules";
import { lineRule } from "./line/rules";
import { locusRule } from "./locus/rules";
import { lossRule } from "./loss/rules";
import { lotRule, partRule } from "./lot/rules";
import { noteRule } from "./note/rules";
import { offkindRule } from "./offkind/rules";
import { offtypeRule } from "./offtype/rules";
import { packetRule } from "./packet/rules";
import { photoRule } from "./photo/rules";
import { pickRule } from "./pick/rules";
import { planRule } from "./plan/rules";
import { plantRule } from "./plant/rules";
import { seedlookRule } from "./seedlook/rules";
import { offerRule, sharingRule, wishRule } from "./sharing/rules";
import { sortingRule } from "./sorting/rules";
import { standRule } from "./stand/rules";
import { airRule, stayRule, storeRule } from "./store/rules";
import { surpriseRule } from "./surprise/rules";
import { taskRule } from "./task/rules";
import { biteRule, tastingRule } from "./tasting/rules";
import { testCountRule, testRule } from "./test/rules";
import { trialRule } from "./trial/rules";
import { moveRule, vesselRule } from "./vessel/rules";
import { yardstickRule } from "./yardstick/rules";

/** The rule books, by table: every row that a command, an import or an undo leaves behind is held against its own. */
export const RULES: Record<string, (facts: Facts, next: never, before: never) => void> = Object.assign(
  Object.create(null),
  {
    garden: gardenRule,
    line: lineRule,
    stand: standRule,
    plan: planRule,
    plant: plantRule,
    yardstick: yardstickRule,
    cross: crossRule,
    flower: flowerRule,
    lot: lotRule,
    part: partRule,
    barrier: barrierRule,
    source: sourceRule,
    candidate: candidateRule,
    task: taskRule,
    deed: deedRule,
    loss: lossRule,
    note: noteRule,
    store: storeRule,
    stay: stayRule,
    air: airRule,
    test: testRule,
    testCount: testCountRule,
    vessel: vesselRule,
    move: moveRule,
    handling: handlingRule,
    packet: packetRule,
    offtype: offtypeRule,
    offkind: offkindRule,
    photo: photoRule,
    tasting: tastingRule,
    bite: biteRule,
    sorting: sortingRule,
    trial: trialRule,
    locus: locusRule,
    seedlook: seedlookRule,
    surprise: surpriseRule,
    pick: pickRule,
    sharing: sharingRule,
    offer: offerRule,
    wish: wishRule,
  },
);
