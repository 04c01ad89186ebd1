import { dayInWords } from "@/core/calendar/day";
import { hasEnds, kindOf } from "@/core/traits/kinds";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import { Table } from "@/ui/Table";
import type { LibraryEntry, YardstickLibrary, YardstickUse, YardstickVersion } from "@/views/yardstickLibrary";
import { Page } from "../common/Page";
import { ScaleEnds } from "./DrawnScale";
import { TakeOver } from "./TakeOver";
import { OFTEN, STAGES } from "./yardstickWords";

/** Every yardstick of the garden: what it means, which lines use it, and what it meant before. */
export function YardstickLibraryScreen({ band, entries }: YardstickLibrary) {
  return (
    <Page
      title="Yardsticks"
      band={band}
      beside={
        <>
          <h2>One word, one meaning</h2>
          <p className="mt-2">
            A yardstick that several lines share lets them be compared. Take one over rather than make another of the
            same name: its ends, unit, stage and aim come along, and the aim may be changed there.
          </p>
          <p className="mt-2 text-soft">
            Where the meaning of a scale is changed a new version begins; what was scored before is read by the old one.
          </p>
        </>
      }
    >
      <Link href="/nursery" className="leaf leaf-plain mb-2">
        Back to the nursery
      </Link>
      <h2 className="mb-4 text-2xl">
        {entries.length === 0 ? "No yardsticks yet" : plural(entries.length, "yardstick")}
      </h2>
      {entries.length === 0 ? (
        <p className="max-w-prose">
          A family’s page offers the usual ones of its kind, and lets you describe your own.
        </p>
      ) : (
        <Table heads={["Yardstick", "How", "Lines", "Plants scored", ""]}>
          {entries.map((one) => (
            <tr key={one.id}>
              <td className="max-w-64">
                <strong>{one.name}</strong>
                <span className="block text-sm text-soft">
                  <Meaning entry={one} version={one.uses[0]!.versions[0]!} />
                </span>
              </td>
              <td className="text-sm">
                {kindOf(one).name}
                {one.unit && `, ${one.unit}`}
                <span className="block text-soft">{STAGES[one.stage]}</span>
                {one.often !== "once" && <span className="block text-soft">{OFTEN[one.often]}</span>}
              </td>
              <td>
                {one.uses.map((use) => (
                  <Use key={use.versions[0]!.id} use={use} entry={one} />
                ))}
              </td>
              <td>{one.scored}</td>
              <td>
                {!kindOf(one).computed && (
                  <TakeOver id={one.id} name={one.name} used={one.uses.map(({ lineId }) => lineId)} />
                )}
              </td>
            </tr>
          ))}
        </Table>
      )}
    </Page>
  );
}

function Meaning({ entry, version }: { entry: LibraryEntry; version: YardstickVersion }) {
  const { lowEnd, highEnd, categories } = version;
  if (hasEnds(entry)) return <ScaleEnds drawn={entry.drawn} lowEnd={lowEnd} highEnd={highEnd} />;
  return (JSON.parse(categories) as string[]).join(", ") || null;
}

function Use({ use: { lineName, lineCode, versions }, entry }: { use: YardstickUse; entry: LibraryEntry }) {
  const [now, ...before] = versions as [YardstickVersion, ...YardstickVersion[]];
  return (
    <span className="block">
      <Link href={`/lines/${lineCode}`}>{lineName}</Link>
      {now.retiredOn && <span className="text-sm text-soft">, not used since {dayInWords(now.retiredOn, "long")}</span>}
      {before.map((version, i) => (
        <span key={version.id} className="block text-sm text-soft">
          version {before.length - i}, {plural(version.scored, "plant")}: {version.name}{" "}
          <Meaning entry={entry} version={version} />
        </span>
      ))}
    </span>
  );
}
