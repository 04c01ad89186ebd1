import type { Cause } from "@/core/purity/surprise";
import type { Telling } from "@/core/purity/telling";
import { oddsInWords } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import type { SurpriseView } from "@/views/surprise";

type Told = Pick<SurpriseView, "suspects" | "grandparents" | "made" | "asked" | "counted">;

/** What a cause is called. */
export function causeInWords({ kind, key }: Pick<Cause, "kind" | "key">, view: Told, source?: string): string {
  const when = view.made ? ` in ${view.made.season}` : "";
  switch (kind) {
    case "pollen":
      return `pollen of ${source ?? view.suspects.find((one) => one.key === key)?.name ?? "a source"}${when}`;
    case "stranger":
      return `pollen of plants on no record${when}`;
    case "mixed-seed":
      return "seed of another lot among it";
    case "hidden":
      return view.grandparents.length > 0
        ? `something hidden of ${view.grandparents.join(" or ")}`
        : "something hidden that its mother carried";
    case "unfixed":
      return "a line that still divides";
    case "slip":
      return "a slip at sowing: a stray seedling, or a label";
    case "mutation":
      return "a new mutation";
  }
}

const MADE = { "by-hand": "tied flowers", open: "open flowers", received: "received seed" } as const;

/** Why a cause is as likely as it is. */
export function whyInWords({ kind, key }: Cause, view: Told): string {
  const { made, asked, counted, suspects } = view;
  switch (kind) {
    case "pollen": {
      const { share, resembles } = suspects.find((one) => one.key === key)!;
      const like = resembles === null ? "" : resembles ? " It looks like it." : " It does not look like it.";
      return `It met ${made ? MADE[made.how] : "flowers"} then: ${oddsInWords(share.likely, { what: "seed" })} foreseen, so one at least among ${plural(counted.plants, "plant")} ${oddsInWords(1 - (1 - share.likely) ** counted.plants)}.${like}`;
    }
    case "stranger":
      return "What nobody entered: a garden out of sight, a volunteer.";
    case "mixed-seed":
      return "Left behind in a sieve, a bag or a drawer; more likely where the chain of its lot is broken.";
    case "hidden":
      return asked.inheritance === "dominant"
        ? "Not where one copy shows: its mother would have shown it."
        : "Of a mother that carries it one selfed plant in four shows it.";
    case "unfixed":
      return "The far end of what still differs between plants of this generation.";
    case "slip":
      return "A seedling that came up by itself, or a tray with another's label.";
    case "mutation":
      return "One plant in many thousands.";
  }
}

/** A test that would tell, with what it takes. */
export function tellingInWords({ key, gain, plants }: Telling, view: Pick<SurpriseView, "suspects">): string {
  const bits =
    gain < 0.05
      ? " It would tell next to nothing."
      : ` It is expected to tell ${fixed(gain, 1)} of what one yes or no can.`;
  switch (key) {
    case "compare":
      return `Hold it beside ${view.suspects.map(({ name }) => name).join(", ")}, and say below whether it looks alike. Costs nothing.${bits}`;
    case "more":
      return `Sow ${plural(plants, "more seed")} of the same lot next season and look for another like it.${bits}`;
    case "self":
      return `Self it, and grow ${plants} of its seed: of strange pollen they divide again, of another line's seed or of what was hidden they all look as it does.${bits}`;
    case "sisters":
      return `Sow ${plural(plants, "seed")} of its mother's neighbours: strange pollen reached them too.${bits}`;
  }
}
