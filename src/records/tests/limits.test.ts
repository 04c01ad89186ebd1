import { expect, test } from "vitest";
import { described } from "@/core/tests/described";
import { COMMANDS } from "../commands";
import type { Fields } from "../record";
import { RECORDS } from "../records";
import { schemaOf } from "../schema";

test("every column of a record and every field of a command takes what it is meant to take", async () => {
  const all = [
    ...RECORDS.flatMap(({ table, columns }) => described(table, schemaOf(columns as Fields))),
    ...[...COMMANDS.values()].flatMap(({ name, schema }) => described(name, schema)),
  ];
  await expect(`${all.join("\n")}\n`).toMatchFileSnapshot("expected/limits.txt");
});
