import { speciesById } from "@/catalogue/catalogue";
import { areaOf, crossesItself, type Point } from "@/core/ground/shape";
import { refuse } from "@/db/ops";
import type { BarrierKept } from "../barrier/barrier";
import { type Rule, touched } from "../facts";
import type { SourceKept } from "../source/source";
import { pointsOf } from "./points";

export const barrierRule: Rule<BarrierKept> = (_, next, before) => {
  if (!touched(next, before, "path")) return;
  const path = pointsOf(next.path);
  const long = path.some((p, i) => i > 0 && Math.hypot(p.x - path[i - 1]!.x, p.y - path[i - 1]!.y) > 0);
  if (!long) refuse("path", "A barrier needs two different points.");
};

/** Refuses an outline that encloses nothing or crosses itself. */
function outlines(outline: Point[]): void {
  if (outline.length === 1) return;
  if (crossesItself(outline)) refuse("outline", "The outline crosses itself. Draw it round once, without loops.");
  if (outline.length === 2 || areaOf(outline) < 0.01) refuse("outline", "The outline encloses no ground.");
}

export const sourceRule: Rule<SourceKept> = (_, next, before) => {
  if (touched(next, before, "outline")) outlines(pointsOf(next.outline));
  const { wild, name } = speciesById(next.species);
  if (next.wild && !wild.some((kin) => kin.name === next.wild))
    refuse("species", `${name} has no wild kin called ${next.wild} here.`);
  if ((next.flowersFrom === null) !== (next.flowersTo === null))
    refuse(next.flowersFrom === null ? "flowersFrom" : "flowersTo", "Give both days, or neither.");
};
