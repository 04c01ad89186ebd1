import { dayInWords } from "@/core/calendar/day";
import { seasonName } from "@/core/climate/season";
import { plural } from "@/core/units/plural";
import { Table } from "@/ui/Table";
import type { Lines } from "@/views/lines";
import { Page } from "../common/Page";
import { Pager } from "../common/Pager";
import { Tag } from "../common/Tag";
import { LINE_ENDINGS, SCHOOLS, STATUSES } from "../common/words";
import { LineForm } from "./LineForm";

export function LinesScreen({ garden, band, lines, going, cut }: Lines) {
  return (
    <Page title="Lines" band={band}>
      <div className="mb-5 flex flex-wrap items-center justify-between gap-4">
        <h2 className="text-2xl">{lines.length === 0 ? "No lines yet" : `${plural(going, "line")} in your care`}</h2>
        <LineForm />
      </div>
      {lines.length === 0 ? (
        <p className="max-w-prose">
          A line is a variety, a mix, or a cross on its way to one. Name the parents of your first cross, or the variety
          you keep. Its school decides how the garden is judged for it: keep pure, cross and fix, or let it mix.
        </p>
      ) : (
        <Table heads={["Line", "Name", "Species", "School", "Status", "Stands", "Seed lots", "Last grown"]}>
          {lines.map((line) => (
            <tr key={line.id}>
              <td>
                <Tag kind="line" code={line.code} href={`/lines/${line.code}`} small />
              </td>
              <td className="max-w-80 break-words font-semibold">
                {line.name}
                {line.ending && (
                  <span className="block text-sm font-normal text-soft">
                    {LINE_ENDINGS[line.ending].toLowerCase()} {dayInWords(line.endedOn!)} {line.endedOn!.slice(0, 4)}
                  </span>
                )}
              </td>
              <td>{line.speciesName}</td>
              <td>{SCHOOLS[line.school]}</td>
              <td>{STATUSES[line.status]}</td>
              <td>{line.stands}</td>
              <td>{line.lots}</td>
              <td>{line.lastSeason === null ? "not yet" : seasonName(line.lastSeason, garden.latitude)}</td>
            </tr>
          ))}
        </Table>
      )}
      <Pager path="/lines" cut={cut} />
    </Page>
  );
}
