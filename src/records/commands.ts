import { bedCommands } from "./bed/commands";
import { candidateCommands } from "./candidate/commands";
import { climateCommands } from "./climate/commands";
import type { AnyCommand } from "./command";
import { crossCommands } from "./cross/commands";
import { deedCommands } from "./deed/commands";
import { flowerCommands } from "./flower/commands";
import { gardenCommands } from "./garden/commands";
import { groundCommands } from "./ground/commands";
import { tableCommands } from "./handling/commands";
import { partingCommands } from "./handling/parting";
import { sampleCommands } from "./handling/samples";
import { lineCommands } from "./line/commands";
import { locusCommands } from "./locus/commands";
import { lossCommands } from "./loss/commands";
import { lotCommands } from "./lot/commands";
import { passportCommands } from "./lot/passportImport";
import { noteCommands } from "./note/commands";
import { offkindCommands } from "./offkind/commands";
import { offtypeCommands } from "./offtype/commands";
import { packetCommands } from "./packet/commands";
import { photoCommands } from "./photo/commands";
import { pickCommands } from "./pick/commands";
import { adoptCommands } from "./plan/adopt";
import { planCommands } from "./plan/commands";
import { plantCommands } from "./plant/commands";
import type { Sent } from "./record";
import { scoreCommands } from "./score/commands";
import { seedlookCommands } from "./seedlook/commands";
import { sharingCommands } from "./sharing/commands";
import { sortingCommands } from "./sorting/commands";
import { standCommands } from "./stand/commands";
import { copyCommands } from "./stand/copy";
import { remedyCommands } from "./stand/remedy";
import { startCommands } from "./start/commands";
import { storeCommands } from "./store/commands";
import { surpriseCommands } from "./surprise/commands";
import { taskCommands } from "./task/commands";
import { tastingCommands } from "./tasting/commands";
import { testCommands } from "./test/commands";
import { trialCommands } from "./trial/commands";
import { vesselCommands } from "./vessel/commands";
import { yardstickCommands } from "./yardstick/commands";

const ALL = [
  ...gardenCommands,
  ...bedCommands,
  ...groundCommands,
  ...climateCommands,
  ...lineCommands,
  ...yardstickCommands,
  ...planCommands,
  ...adoptCommands,
  ...startCommands,
  ...standCommands,
  ...remedyCommands,
  ...copyCommands,
  ...plantCommands,
  ...scoreCommands,
  ...crossCommands,
  ...flowerCommands,
  ...candidateCommands,
  ...lotCommands,
  ...taskCommands,
  ...deedCommands,
  ...noteCommands,
  ...offtypeCommands,
  ...lossCommands,
  ...offkindCommands,
  ...photoCommands,
  ...tastingCommands,
  ...trialCommands,
  ...locusCommands,
  ...seedlookCommands,
  ...surpriseCommands,
  ...sortingCommands,
  ...storeCommands,
  ...testCommands,
  ...vesselCommands,
  ...tableCommands,
  ...partingCommands,
  ...sampleCommands,
  ...packetCommands,
  ...pickCommands,
  ...sharingCommands,
  ...passportCommands,
] as const;

type One = (typeof ALL)[number];

/** What each command is sent: the doors that forms and buttons knock at. A wrong name or field does not compile. */
export type Commands = { [C in One as C["name"] & string]: Sent<C["fields"]> };

/** Every command by name. */
export const COMMANDS: ReadonlyMap<string, AnyCommand> = new Map<string, AnyCommand>(
  ALL.map((known) => [known.name, known as AnyCommand]),
);
