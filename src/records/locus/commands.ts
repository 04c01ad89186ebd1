import Joi from "joi";
import { refuse } from "@/db/ops";
import { command } from "../command";
import { given, ref, seen } from "../record";
import { yardstick } from "../yardstick/yardstick";
import { locus } from "./locus";
import { locusOfYardstick } from "./queries";

const words = given<string[]>("Words", Joi.array().items(Joi.string().trim().max(60).required()).min(2).max(4));

/** Says how a yardstick of words is inherited; what was said of it before is replaced. */
const define = command(
  "locus.define",
  { ...locus.adding("yardstickId", "way", "recombination", "error"), words },
  ({ db, write }, { words: said, ...input }) => {
    const mark =
      write.read(yardstick, input.yardstickId) ?? refuse("yardstickId", "That yardstick is not there any more.");
    const before = locusOfYardstick(db, input.yardstickId);
    const told = { ...input, words: JSON.stringify(said) };
    if (before) write.update(locus, before.id, told);
    const id = before?.id ?? write.insert(locus, told);
    return { message: `${mark.name} is inherited as you say`, id };
  },
);

const drop = command("locus.drop", { id: ref("locus", "Gene"), version: seen() }, ({ write }, { id, version }) => {
  if (!write.read(locus, id)) refuse("id", "That is not there any more.");
  write.remove(locus, id, version);
  return { message: "Struck out" };
});

export const locusCommands = [define, drop] as const;
