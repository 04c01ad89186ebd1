"use client";
import type { SeasonCount } from "@/core/purity/offTypeTest";
import { Working } from "@/ui/Working";

/** The most that the share of off-types can be, opening to its working. */
export const OffTypeFigure = ({ seasons, shown }: { seasons: SeasonCount[]; shown: string }) => (
  <Working shown={shown} load={async () => (await import("./offTypeWorking")).offTypeWorking({ seasons })} />
);
