export type BarrierKind = "hedge" | "wall" | "building" | "tunnel";

/** The share of pollen that passes a barrier, by kind, where the grower says nothing else. Working values. */
export const BARRIER_FACTORS: Record<BarrierKind, number> = { hedge: 0.4, wall: 0.5, building: 0.25, tunnel: 0.1 };
