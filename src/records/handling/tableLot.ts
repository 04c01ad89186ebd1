import { speciesById } from "@/catalogue/catalogue";
import { middle } from "@/core/flowering/facts";
import type { RunFacts } from "@/core/seed/cleaning/ways";
import { hoursAt, type TableLot } from "@/core/seed/table";
import type { LotRow } from "../lot/queries";
import type { HandlingRow } from "./handling";

/** A room's warmth where nobody measured it, °C. Working value. */
const ROOM_WARMTH = 20;

export type OfTable = Pick<LotRow, "species" | "way" | "warmth" | "starter" | "gathered">;

/** How a lot is cleaned, with what its species says of it. */
function runOf({ species, way, warmth, starter }: OfTable): RunFacts | null {
  const { seed, hazards } = speciesById(species);
  const { goodSeed, chaff } = seed;
  const hot = hazards.includes("hot-pepper");
  return way && { way, warmth: warmth ?? ROOM_WARMTH, starter: starter === 1, goodSeed, chaff, hot };
}

/** Families whose seed weevils and moths live in. */
const WITH_LARVAE = new Set(["Fabaceae", "Poaceae"]);

/** A lot as the table's reckoning takes it. */
export function tableLot(lot: OfTable, handled: Pick<HandlingRow, "act" | "on" | "at" | "value">[]): TableLot {
  const { seed, extraction, family, seedsPerGram } = speciesById(lot.species);
  return {
    run: runOf(lot),
    gathered: hoursAt(lot.gathered, null),
    afterRipening: seed.afterRipening,
    fleshy: extraction !== "dry",
    handled: handled.map(({ act, on, at, value }) => ({ act, at: hoursAt(on, at), value })),
    perGram: middle(seedsPerGram),
    larvae: WITH_LARVAE.has(family),
  };
}
