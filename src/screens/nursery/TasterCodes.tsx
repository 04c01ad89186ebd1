"use client";
import { useRouter } from "next/navigation";
import { ToggleGroup } from "radix-ui";
import { useState } from "react";
import { post } from "@/ui/outbox";
import type { OneTasting, TasterSheet } from "@/views/tasting";
import { ScaleEnds } from "./DrawnScale";

type Given = { number: number | null; bitter: boolean; trouble?: string };

type Props = { of: Pick<OneTasting, "id" | "scale" | "closedOn">; sheet: TasterSheet; bitterPoisons: boolean };

/** One taster's codes in their order, by thumb; kept on the device while the server is away. */
export function TasterCodes({ of, sheet, bitterPoisons }: Props) {
  const [given, setGiven] = useState<Record<string, Given>>({});
  const { taster, codes } = sheet;
  const router = useRouter();
  const give = async (code: string, said: Given) => {
    setGiven((all) => ({ ...all, [code]: said }));
    const words = `Taster ${taster}, ${code}: ${said.bitter ? "bitter" : said.number}`;
    const answer = await post("tasting.bite", { tastingId: of.id, taster, code, ...said }, words);
    if (answer && !answer.ok) setGiven((all) => ({ ...all, [code]: { ...said, trouble: answer.message } }));
    // What others found bitter meanwhile comes with the page drawn anew.
    else if (answer) router.refresh();
  };
  const left = codes.filter(({ code, number, bitter }) => number === null && !bitter && !given[code]).length;
  return (
    <>
      <p className="mt-1 text-soft">
        <ScaleEnds {...of.scale} />
      </p>
      {of.closedOn ? (
        <p className="mt-3 font-semibold">This tasting is over.</p>
      ) : (
        <p role="status" className="mt-3">
          {left === 0 ? "All tasted. Thank you." : `${left} of ${codes.length} left, from the top down.`}
        </p>
      )}
      <ol className="rows mt-3 max-w-xl border-y border-rule">
        {codes.map(({ code, foundBitter, ...before }) => {
          const { number, bitter, trouble }: Given = given[code] ?? before;
          const shut = of.closedOn !== null || (foundBitter && !bitter);
          return (
            <li key={code} className="py-4">
              <div className="flex items-center justify-between gap-3">
                <strong className="text-3xl tabular-nums">{code}</strong>
                {bitterPoisons && (
                  <button
                    type="button"
                    className="leaf min-h-12 border-rust text-rust"
                    aria-pressed={bitter}
                    disabled={shut}
                    onClick={() => void give(code, { number: null, bitter: true })}
                  >
                    Bitter: spat out
                  </button>
                )}
              </div>
              {(bitter || foundBitter) && (
                <p role="alert" className="mt-1 font-semibold text-rust">
                  {bitter ? "Leave it, and tell the others." : "Bitter to another taster: do not taste it."}
                </p>
              )}
              <ToggleGroup.Root
                type="single"
                aria-label={code}
                disabled={shut}
                value={number === null ? "" : String(number)}
                onValueChange={(next) => next && void give(code, { number: Number(next), bitter: false })}
                className="mt-2 grid grid-cols-9 gap-1"
              >
                {Array.from({ length: 9 }, (_, i) => String(i + 1)).map((step) => (
                  <ToggleGroup.Item
                    key={step}
                    value={step}
                    className="leaf min-h-12 px-0 data-[state=on]:bg-damson data-[state=on]:text-on-damson"
                  >
                    {step}
                  </ToggleGroup.Item>
                ))}
              </ToggleGroup.Root>
              {trouble && (
                <p role="alert" className="mt-1 font-semibold text-rust">
                  Not taken: {trouble}
                </p>
              )}
            </li>
          );
        })}
      </ol>
    </>
  );
}
