import Link from "next/link";
import { dayInWords } from "@/core/calendar/day";
import { seasonName } from "@/core/climate/season";
import { nameWithGeneration } from "@/core/custody/generation";
import { Table } from "@/ui/Table";
import type { Season } from "@/views/season";
import { RipeFigure } from "../common/figures";
import { Page } from "../common/Page";
import { SeasonPicker } from "../common/SeasonPicker";
import { Tag } from "../common/Tag";
import { plural, spanInWords } from "../common/words";

const VERDICTS = {
  safe: "before frost",
  doubtful: "frost may be first",
  "too-late": "frost comes first",
  "no-frost": "no frost here",
} as const;

export function SeasonScreen({ garden, band, season, seasons, groups }: Season) {
  const late = groups.flatMap((g) => g.stands).filter((s) => s.seedWanted === 1 && s.ripening.verdict === "too-late");
  return (
    <Page at="/season" title="Season" band={{ ...band, full: true }}>
      <div className="mb-5 flex flex-wrap items-center justify-between gap-4">
        <h2 className="text-2xl">
          {groups.length === 0
            ? `Nothing stands in ${seasonName(season, garden.latitude)} yet`
            : late.length > 0
              ? `${plural(late.length, "stand")} will not ripen seed before frost`
              : "Everything sown for seed can ripen"}
        </h2>
        <SeasonPicker path="/season" season={season} seasons={seasons} latitude={garden.latitude} />
      </div>
      {groups.length === 0 && (
        <p className="max-w-prose">
          Stands come here as they are sown. <Link href="/ground">Sow one on the Ground.</Link>
        </p>
      )}
      {groups.map((group) => (
        <section key={group.name} className="mb-8" aria-label={group.name}>
          <h3 className="text-soft">Crossing group {group.name}</h3>
          <Table heads={["Stand", "Line", "Bed", "Sown", "In flower", "First seed ripe"]}>
            {group.stands.map((s) => (
              <tr key={s.id}>
                <td>
                  <Tag
                    kind={s.code.startsWith("F") ? "family" : "stand"}
                    code={s.code}
                    href={`/ground?season=${season}&stand=${s.id}`}
                    small
                  />
                </td>
                <td className="max-w-72 break-words">{nameWithGeneration(s.lineName, s.generation)}</td>
                <td>{s.bedName ?? "trays"}</td>
                <td className="whitespace-nowrap">{dayInWords(s.sown)}</td>
                <td className="whitespace-nowrap">
                  {spanInWords(s.window.start, s.window.end)}
                  <span className="block text-sm text-soft">
                    {s.window.observed
                      ? "first flower seen"
                      : `${spanInWords(s.window.earliest, s.window.latest)} at the widest`}
                  </span>
                </td>
                <td className="whitespace-nowrap">
                  {s.seedWanted ? (
                    <>
                      <RipeFigure from={s.window.start} observed={s.window.observed} range={s.daysToRipe} />
                      <span
                        className={`block text-sm ${s.ripening.verdict === "too-late" ? "font-bold text-rust" : "text-soft"}`}
                      >
                        {VERDICTS[s.ripening.verdict]}
                      </span>
                    </>
                  ) : (
                    <span className="text-soft">no seed wanted</span>
                  )}
                </td>
              </tr>
            ))}
          </Table>
        </section>
      ))}
    </Page>
  );
}
