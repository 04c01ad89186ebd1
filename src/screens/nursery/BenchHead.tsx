import clsx from "clsx";
import type { Id } from "@/core/custody/id";
import { hasEnds, kindOf } from "@/core/traits/kinds";
import type { YardstickView } from "@/views/family";
import { sentence } from "../common/words";
import { ScaleEnds } from "./DrawnScale";
import { wantedInWords } from "./yardstickWords";

type Choice = {
  yardsticks: YardstickView[];
  chosen: Id;
  /** Plants that stand on the bench, and how many of them are scored on a yardstick. */
  standing: number;
  scored: (yardstickId: Id) => number;
  /** Names of those to be scored now. */
  due: string[];
  onChoose: (id: Id) => void;
};

function scoredInWords(yardstick: YardstickView, standing: number, scored: Choice["scored"]): string {
  if (kindOf(yardstick).computed) return "reckoned";
  const count = scored(yardstick.id);
  return count === standing ? "all" : `${count} of ${standing}`;
}

/** The yardsticks of the family, each with how many plants are scored on it. */
export function YardstickChoice({ yardsticks, chosen, standing, scored, due, onChoose }: Choice) {
  return (
    <div className="mb-2 flex flex-wrap gap-2" role="group" aria-label="Yardstick">
      {yardsticks.map((yardstick) => (
        <button
          key={yardstick.id}
          type="button"
          aria-pressed={yardstick.id === chosen}
          onClick={() => onChoose(yardstick.id)}
          className={clsx("leaf min-h-11 max-w-full text-left", yardstick.id === chosen && "leaf-strong")}
        >
          <span className="break-words">{yardstick.name}</span>{" "}
          <span className="whitespace-nowrap text-sm font-normal">
            {scoredInWords(yardstick, standing, scored)}
            {due.includes(yardstick.name) && ", now"}
          </span>
        </button>
      ))}
    </div>
  );
}

type Ways = {
  yardstick: YardstickView;
  across: boolean;
  again: boolean;
  onAcross: (across: boolean) => void;
  onAgain: (again: boolean) => void;
};

/** What its figures mean, how it is scored, and in which order. */
export function HowToScore({ yardstick, across, again, onAcross, onAgain }: Ways) {
  const { unit, drawn, lowEnd, highEnd, often, words } = yardstick;
  const kind = kindOf(yardstick);
  return (
    <div className="mb-2 text-sm">
      <div className="flex min-h-8 flex-wrap items-center gap-x-4 gap-y-1">
        {hasEnds(yardstick) ? (
          <ScaleEnds drawn={drawn} lowEnd={lowEnd} highEnd={highEnd} />
        ) : (
          <span>{sentence(wantedInWords(yardstick))}</span>
        )}
        {unit && kind.describedBy.includes("unit") && <span>in {unit}</span>}
        {often === "pass" && <span>each picking is added up</span>}
        {often === "again" && <span>the mean of all looks counts</span>}
      </div>
      <p className="text-soft max-sm:hidden print:hidden">{kind.keys(words)}; k keeps a plant, ? shows all keys.</p>
      <div className="mt-1 flex flex-wrap gap-x-5 gap-y-1 print:hidden">
        <label className="flex min-h-11 items-center gap-2 max-sm:hidden">
          <input type="checkbox" checked={across} onChange={(event) => onAcross(event.target.checked)} />
          One plant on all yardsticks, then the next
        </label>
        {often === "once" && !kind.computed && (
          <label className="flex min-h-11 items-center gap-2">
            <input type="checkbox" checked={again} onChange={(event) => onAgain(event.target.checked)} />
            Second look: hides what was scored, keeps both
          </label>
        )}
      </div>
    </div>
  );
}
