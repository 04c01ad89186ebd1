"use client";
import { oneIn } from "@/core/isolation/verdict";
import { Working } from "@/ui/Working";
import type { ShareAsked } from "./shareWorking";

/** The share that one source fathers, opening to its working with this source alone. */
export const ShareFigure = (asked: ShareAsked) => (
  <Working shown={oneIn(asked.source.likely)} load={async () => (await import("./shareWorking")).shareWorking(asked)} />
);
