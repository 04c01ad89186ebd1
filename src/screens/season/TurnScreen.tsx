import type { ReactNode } from "react";
import { dayInWords } from "@/core/calendar/day";
import { seasonName } from "@/core/climate/season";
import { addressOf } from "@/core/custody/address";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import type { Turn, TurnLine } from "@/views/turn";
import { CommandButton } from "../common/command";
import { Page } from "../common/Page";
import { Part, Row } from "../common/Part";
import { PrintButton } from "../common/PrintButton";
import { SowNext } from "../common/SowNext";
import { Tag } from "../common/Tag";
import {
  keptInWords,
  lackingInWords,
  plannedInWords,
  proposedInWords,
  restInWords,
  turnHeadline,
  WHY_WORDS,
} from "./turnWords";

/** The season's turn: once a line what becomes of it, what is missing, and everything planned with one press. */
export function TurnScreen(turn: Turn) {
  const { lines, season, latitude, closes, band, units, noBeds, lacking } = turn;
  const of = (...states: TurnLine["state"][]) => lines.filter(({ state }) => states.includes(state));
  const open = of("decide");
  const ready = open.filter(({ toPlan }) => toPlan.length > 0);
  const missing = lackingInWords(lacking, units);
  return (
    <Page title="The season’s turn" band={band} beside={<Missing words={missing} />}>
      <div className="mb-4 flex flex-wrap items-center justify-between gap-4">
        <h2 className="text-2xl">{turnHeadline(turn)}</h2>
        {ready.length > 1 && (
          <CommandButton command="stand.sow-season" input={{ sowings: ready.flatMap(({ toPlan }) => toPlan) }} strong>
            Plan {plural(ready.length, "line")} as proposed
          </CommandButton>
        )}
      </div>
      {lines.length === 0 && (
        <p>
          <Link href="/lines">Name your first line</Link>, then come back after the harvest.
        </p>
      )}
      {open.length > 0 && (
        <Part title="To decide" when={`until ${dayInWords(closes)}, one by one or all at once`}>
          {open.map((line) => (
            <Row
              key={line.id}
              tag={<LineTag line={line} />}
              title={`${line.name}, ${WHY_WORDS[line.why]}`}
              said={
                <>
                  <span className="block text-ink">{proposedInWords(line, units, noBeds).join(" ")}</span>
                  {line.kept && <span className="block">{keptInWords(line.kept).join(" ")}</span>}
                </>
              }
            >
              <span className="flex flex-wrap gap-2 max-sm:col-span-2 sm:justify-end print:hidden">
                {line.toPlan.length > 0 && (
                  <CommandButton
                    command="stand.sow-season"
                    input={{ sowings: line.toPlan }}
                    label={`Plan it: ${line.name}`}
                  >
                    Plan it
                  </CommandButton>
                )}
                <SowNext line={line.code} trigger="Change" plain />
                <CommandButton
                  command="deed.leave"
                  input={{ lineId: line.id, act: "regrow", how: "cannot" }}
                  plain
                  label={`Not this season: ${line.name}`}
                >
                  Not this season
                </CommandButton>
              </span>
            </Row>
          ))}
        </Part>
      )}
      <Planned lines={of("planned")} season={seasonName(season, latitude)} />
      <Others title="Left by choice" when="in the drawer for this season" lines={of("left")} />
      <Others
        title="Not ripe to decide"
        when="something else comes first"
        lines={of("growing", "table", "crossing", "grows on")}
      />
      <Others title="Nothing of it here" when="get seed, or end the line" lines={of("lost", "begin")} />
      <Others title="Kept as seed" when="nothing to do" lines={of("rests")} />
    </Page>
  );
}

const LineTag = ({ line: { code } }: { line: TurnLine }) => (
  <Tag kind="line" code={code} href={addressOf({ kind: "line", code })} />
);

function Planned({ lines, season }: { lines: TurnLine[]; season: string }) {
  if (lines.length === 0) return null;
  return (
    <Part title="Planned" when={`for ${season}`}>
      {lines.map((line) => {
        const { planned, kept, toPlan, name } = line;
        return (
          <Brief
            key={line.id}
            line={line}
            said={[planned && plannedInWords(planned), ...(kept ? keptInWords(kept) : [])]}
          >
            {toPlan.length > 0 && (
              <CommandButton
                command="stand.sow-season"
                input={{ sowings: toPlan }}
                plain
                label={`Sow its parents beside: ${name}`}
              >
                Sow its parents beside
              </CommandButton>
            )}
          </Brief>
        );
      })}
    </Part>
  );
}

/** Lines with nothing to decide, in a line each. */
function Others({ title, when, lines }: { title: string; when: string; lines: TurnLine[] }) {
  if (lines.length === 0) return null;
  return (
    <Part title={title} when={when}>
      {lines.map((line) => (
        <Brief key={line.id} line={line} said={restInWords(line)}>
          {line.state === "left" && <SowNext line={line.code} trigger="Sow it after all" plain />}
        </Brief>
      ))}
    </Part>
  );
}

type BriefProps = { line: TurnLine; said: (string | null)[]; children?: ReactNode };

const Brief = ({ line: { code, name }, said, children }: BriefProps) => (
  <li className="flex flex-wrap items-baseline gap-x-3 py-1">
    <Link href={addressOf({ kind: "line", code })} className="font-semibold">
      {name}
    </Link>
    <span className="text-sm text-soft">{said.filter(Boolean).join(" ")}</span>
    {children && <span className="ml-auto print:hidden">{children}</span>}
  </li>
);

function Missing({ words }: { words: string[] }) {
  return (
    <section aria-label="What is missing">
      <h3>What to get ready</h3>
      {words.length === 0 ? (
        <p className="mt-2 text-soft">Nothing is missing.</p>
      ) : (
        <>
          <ul className="mt-2 list-disc pl-5">
            {words.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
          <p className="mt-4">
            <PrintButton>Print this page</PrintButton>
          </p>
        </>
      )}
    </section>
  );
}
