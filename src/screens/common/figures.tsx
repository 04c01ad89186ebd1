"use client";
import { addDays, dayInWords, daysBetween } from "@/core/calendar/day";
import { plural } from "@/core/units/plural";
import { Working } from "@/ui/Working";
import { rangeInHundred } from "./words";
import type { FlowersAsked, MixedAsked, RipeAsked } from "./workings";

/** Flowers still to do, opening to its working. */
export const FlowersFigure = ({ likely, asked }: { likely: number; asked: FlowersAsked }) => (
  <Working shown={plural(likely, "flower")} load={async () => (await import("./workings")).flowersWorking(asked)} />
);

/** Share of the cross's differing genes still mixed in a plant of a generation. */
export const MixedFigure = ({
  mixed,
  asked,
}: {
  mixed: { low: number; likely: number; high: number };
  asked: MixedAsked;
}) => <Working shown={rangeInHundred(mixed)} load={async () => (await import("./workings")).mixedWorking(asked)} />;

/** The likely day of first ripe seed. */
export const RipeFigure = ({ asked }: { asked: RipeAsked }) => (
  <Working
    shown={dayInWords(addDays(asked.from, daysBetween(asked.from, asked.ripe)))}
    load={async () => (await import("./workings")).ripeWorking(asked)}
  />
);
