"use client";
import { useState } from "react";
import { dayInWords } from "@/core/calendar/day";
import { seasonName } from "@/core/climate/season";
import { placeInWords } from "@/core/ground/bedInWords";
import { toggled } from "@/core/lists/toggled";
import { plural } from "@/core/units/plural";
import { Sheet } from "@/ui/Sheet";
import type { CopyChoice } from "@/views/choices";
import { Choices } from "../common/Choices";
import { CommandForm } from "../common/command";

type Props = { season: number; latitude: number; head: string | null };

/** The season before, copied forward: whichever of its stands are wished for again, each as a plan of its own. */
export function CopySeason({ season, latitude, head }: Props) {
  const before = seasonName(season - 1, latitude);
  return (
    <Sheet
      trigger={`Copy from ${before}`}
      title={`Plan ${seasonName(season, latitude)} like ${before}`}
      plain
      at="copy"
    >
      {(close) => (
        <Choices of="copy" season={season} since={head}>
          {(stands) => <Chosen stands={stands} season={season} close={close} />}
        </Choices>
      )}
    </Sheet>
  );
}

function Chosen({ stands, season, close }: { stands: CopyChoice[]; season: number; close: () => void }) {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(
    new Set(stands.filter(({ there, past }) => !there && !past).map(({ id }) => id)),
  );
  if (stands.length === 0) return <p>Nothing stood in the season before that could be copied.</p>;
  const warned = stands.filter(({ id, warning }) => warning && chosen.has(id)).length;
  return (
    <>
      <ul className="rows mb-5 border-y border-rule">
        {stands.map(({ id, label, sown, bedName, plants, there, past, warning }) => (
          <li key={id} className="py-2">
            <label className="flex min-h-11 items-start gap-3">
              <input
                type="checkbox"
                className="mt-1 size-5"
                checked={chosen.has(id)}
                onChange={() => setChosen(toggled(chosen, id))}
              />
              <span>
                <span className="font-semibold">{label}</span>
                <span className="block text-sm text-soft">
                  {placeInWords(bedName)}, to be sown {dayInWords(sown)} {sown.slice(0, 4)}
                  {plants ? `, ${plural(plants, "plant")}` : ""}
                  {there && ". A stand of it is planned already"}
                  {past && ". That day is past"}
                </span>
                {warning && <span className="block text-sm font-bold text-rust">{warning}</span>}
              </span>
            </label>
          </li>
        ))}
      </ul>
      <CommandForm
        command="stand.copy"
        draft={`copy-${season}`}
        values={{ turn: warned > 0 }}
        hidden={{ standIds: [...chosen] }}
        submit={`Plan ${plural(chosen.size, "stand")}`}
        onDone={close}
      >
        {(Field) => (
          <Field
            name="turn"
            label="Give those that come back too soon a bed where their family has waited"
            type="checkbox"
            hint={
              warned > 0
                ? `${plural(warned, "stand")} would; where no bed is free it stays, with its warning.`
                : undefined
            }
          />
        )}
      </CommandForm>
    </>
  );
}
