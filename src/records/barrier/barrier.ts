import { choice, json, name, type Row, real, record } from "../record";

/** A hedge, wall, building or tunnel that holds pollen back. */
export const barrier = record("barrier", {
  name: name("Name"),
  kind: choice("Kind", ["hedge", "wall", "building", "tunnel"]),
  /** Points in metres, JSON [[x, y], …]. */
  path: json("The line of a barrier"),
  factor: real("Share that passes", { least: 0, most: 1 }),
});
export type BarrierKept = Row<typeof barrier>;
