"use client";
import { useState } from "react";
import { dayInWords } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import type { Commands } from "@/records/commands";
import { FilePick } from "@/ui/FilePick";
import { newPress } from "@/ui/press";
import { Sheet } from "@/ui/Sheet";
import { type Answer, send } from "@/ui/send";
import { Table } from "@/ui/Table";
import type { Shed } from "@/views/shed";
import { CommandForm, useCommand } from "../common/command";
import { askedOf, type FileTold, ImportQuestion } from "../common/ImportQuestion";

const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
const FROM = {
  readings: "your readings",
  station: "the simulated station",
  stated: "the days you stated above; the spread is a working value",
  normals: "the monthly normals; the spread is a working value",
} as const;
const frostInWords = ({ day, spread }: { day: string; spread: number }) =>
  `${dayInWords(`2027-${day}`)}, two years in three within ${Math.round(spread)} days of it`;
const tenth = (degrees: number) => `${fixed(degrees, 1)} °C`;

/** What is known of the place's climate, and what it says of frost. */
export function Climate({ climate }: { climate: Shed["climate"] }) {
  const { normals, normalsVersion, readings, frosts, odds, days, heat } = climate;
  return (
    <section aria-label="Climate" className="mt-10 max-w-2xl">
      <h2 className="text-2xl">Climate</h2>
      <p className="mt-1 text-soft">
        {normals
          ? "Flowering is reckoned from warmth: measured days where there are any, the normals for the rest."
          : "Give the monthly normals of your place, and flowering is reckoned from warmth instead of days from sowing."}
        {heat === null ? "" : ` This season has had ${Math.round(heat)} °C days above 5 °C so far.`}
      </p>
      <div className="mt-3 flex flex-wrap gap-3">
        <NormalsSheet normals={normals} version={normalsVersion} />
        <ReadingsSheet />
      </div>
      <p className="mt-3 text-sm text-soft">
        {readings.count
          ? `${plural(readings.count, "day")} of your own readings, ${dayInWords(readings.from!, "long")} to ${dayInWords(readings.to!, "long")}.`
          : "No readings of your own yet."}
      </p>
      {frosts ? (
        <>
          <h3 className="mt-5">Frost</h3>
          <p className="text-sm text-soft">
            From {FROM[frosts.from]}
            {frosts.seasons ? `, ${frosts.seasons} seasons` : ""}. Last {frostInWords(frosts.last)}; first{" "}
            {frostInWords(frosts.first)}.
          </p>
          <ul className="mt-1 text-sm sm:columns-2">
            {odds.map((o) => (
              <li key={o.day}>
                {dayInWords(o.day)}: {timesInTen(o.chance)} {o.words}
              </li>
            ))}
          </ul>
        </>
      ) : (
        <p className="mt-3 text-sm">No frost is known here.</p>
      )}
      {days.length > 0 && (
        <>
          <h3 className="mt-5">Simulated station</h3>
          <p className="text-sm text-soft">Made-up weather around your normals. It says nothing of real weather.</p>
          <Table heads={["Day", "Lowest", "Highest", ""]}>
            {days.map((d) => (
              <tr key={d.day}>
                <td>{dayInWords(d.day)}</td>
                <td className={d.min <= 0 ? "font-bold text-dusk" : ""}>{tenth(d.min)}</td>
                <td>{tenth(d.max)}</td>
                <td className="text-soft">
                  {d.spread === null ? "measured" : `forecast, wrong by about ${fixed(d.spread, 1)} °C`}
                </td>
              </tr>
            ))}
          </Table>
        </>
      )}
    </section>
  );
}

type MonthField = Exclude<keyof Commands["climate.normals"], "version">;
const fieldOf = (of: "min" | "max", month: number) => `${of}${month + 1}` as MonthField;

function NormalsSheet({ normals, version }: { normals: Shed["climate"]["normals"]; version: Id | null }) {
  const values = Object.fromEntries(
    MONTHS.flatMap((_, i) => [
      [fieldOf("min", i), normals?.min[i] ?? null],
      [fieldOf("max", i), normals?.max[i] ?? null],
    ]),
  ) as Record<MonthField, number | null>;
  return (
    <Sheet trigger={normals ? "Change the normals" : "Give the monthly normals"} title="Monthly normals">
      {(close) => (
        <CommandForm
          command="climate.normals"
          draft="normals"
          values={values}
          hidden={{ version }}
          submit="Save"
          onDone={close}
        >
          {(Field) => (
            <>
              <p className="text-sm text-soft">
                Mean daily lowest and highest of each month, °C, as weather services publish them for the nearest
                station.
              </p>
              {MONTHS.map((month, i) => (
                <div key={month} className="grid grid-cols-2 gap-4">
                  <Field name={fieldOf("min", i)} label={`${month}, lowest`} type="number" unit="°C" />
                  <Field name={fieldOf("max", i)} label={`${month}, highest`} type="number" unit="°C" />
                </div>
              ))}
            </>
          )}
        </CommandForm>
      )}
    </Sheet>
  );
}

function ReadingsSheet() {
  return (
    <Sheet trigger="Import readings" title="Your own readings" at="readings" plain>
      {(close) => <ReadingsImport onDone={close} />}
    </Sheet>
  );
}

/** A file of readings is looked at first: which days, in which order and unit. */
function ReadingsImport({ onDone }: { onDone: () => void }) {
  const { runAloud, busy } = useCommand();
  const [file, setFile] = useState<{ text: string; told: FileTold } | null>(null);
  const [answer, setAnswer] = useState<Answer | null>(null);
  const look = async (text: string, told: FileTold) => {
    setFile({ text, told });
    setAnswer(await send("/api/commands/climate.import", { text, ...told, dryRun: true }, newPress()));
  };
  const bringIn = async () => {
    const done = await runAloud("climate.import", { text: file!.text, ...file!.told });
    if (done?.ok) onDone();
    else if (done) setAnswer(done);
  };
  const good = answer?.kind === "dry-run";
  const asked = answer !== null && askedOf(answer) !== undefined;
  return (
    <div className="grid gap-4">
      <p className="max-w-prose text-sm text-soft">
        A CSV file whose first line names the columns date, min and max, one line a day. All of it is imported, or
        nothing.
      </p>
      <FilePick label="CSV file" accept=".csv,text/csv,text/plain" onText={(text) => look(text, {})} />
      {answer && (
        <div role="status">
          {asked ? (
            <ImportQuestion answer={answer} onSay={(told) => void look(file!.text, { ...file!.told, ...told })} />
          ) : (
            <p className={good ? "font-semibold" : "font-semibold text-rust"}>{answer.message}</p>
          )}
          {good && Object.values(answer.fields ?? {}).map((words) => <p key={words}>{words}</p>)}
        </div>
      )}
      {good && (
        <button
          type="button"
          className="leaf leaf-strong justify-self-start"
          disabled={busy}
          onClick={() => void bringIn()}
        >
          Import these readings
        </button>
      )}
    </div>
  );
}
