import { command } from "../command";
import { seen, yesNo } from "../record";
import { GARDEN_ID, gardenRecord } from "./garden";
import { questionFrosts, refuseSecond } from "./rules";

const FIELDS = [
  "name",
  "latitude",
  "longitude",
  "timezone",
  "lastFrost",
  "firstFrost",
  "units",
  "locale",
  "care",
  "windFrom",
  "station",
  "ripeWanted",
  "aliveWanted",
] as const;

/** Frost days that seem a slip are asked about once. */
const frostsMeant = yesNo("The frost days are meant");

const beginGarden = command(
  "garden.begin",
  { ...gardenRecord.adding(...FIELDS, "demo", "asOf"), frostsMeant },
  ({ write, garden }, { frostsMeant: meant, ...input }) => {
    refuseSecond(garden);
    if (!meant) questionFrosts(input, null);
    write.insert(gardenRecord, { id: GARDEN_ID, ...input });
    return { message: `Garden ${input.name} begun`, id: GARDEN_ID };
  },
);

const changeGarden = command(
  "garden.change",
  { version: seen(), ...gardenRecord.patching(...FIELDS), frostsMeant },
  ({ write, garden }, { version, frostsMeant: meant, ...patch }) => {
    if (!meant) questionFrosts({ ...garden, ...patch }, garden);
    write.update(gardenRecord, GARDEN_ID, patch, version);
    return { message: `Garden ${patch.name ?? garden.name} kept`, id: GARDEN_ID };
  },
);

export const gardenCommands = [beginGarden, changeGarden] as const;
