import { candidateCommands } from "./candidate/commands";
import { climateCommands } from "./climate/commands";
import type { AnyCommand } from "./command";
import { crossCommands } from "./cross/commands";
import { gardenCommands } from "./garden/commands";
import { groundCommands } from "./ground/commands";
import { lineCommands } from "./line/commands";
import { lotCommands } from "./lot/commands";
import { plantCommands } from "./plant/commands";
import { standCommands } from "./stand/commands";

/** Every command by name. */
export const COMMANDS: ReadonlyMap<string, AnyCommand> = new Map(
  [
    ...gardenCommands,
    ...groundCommands,
    ...climateCommands,
    ...lineCommands,
    ...standCommands,
    ...plantCommands,
    ...crossCommands,
    ...candidateCommands,
    ...lotCommands,
  ].map((known) => [known.name, known]),
);
