import { daysBetween } from "@/core/calendar/day";
import { seasonName } from "@/core/climate/season";
import { nameWithGeneration } from "@/core/custody/generation";
import { groupBy } from "@/core/lists/groupBy";
import { plural } from "@/core/units/plural";
import { Table } from "@/ui/Table";
import type { Nursery } from "@/views/nursery";
import { Page } from "../common/Page";
import { Pager } from "../common/Pager";
import { Tag } from "../common/Tag";
import { percent } from "../common/words";
import { SowFamily } from "./SowFamily";

/** What came up, in how many days: a yardstick of the family. */
function cameUpInWords({ sowedSeeds, cameUp, sown, upOn }: Nursery["families"][number]): string {
  if (cameUp === null) return "not counted";
  const share = sowedSeeds ? `, ${percent(cameUp / sowedSeeds)}` : "";
  return `${cameUp}${share}${upOn ? `, ${plural(daysBetween(sown, upOn), "day")}` : ""}`;
}

export function NurseryScreen({ garden, band, families, cut, head, beds }: Nursery) {
  const seasons = [...groupBy(families, (f) => f.season)];
  return (
    <Page
      title="Nursery"
      band={band}
      beside={
        <>
          <h2 className="mb-4">Sow a lot as a family</h2>
          <SowFamily since={head} beds={beds} today={band.today} />
        </>
      }
    >
      {families.length === 0 ? (
        <>
          <h2 className="text-2xl">No families yet</h2>
          <p className="mt-2 max-w-prose">
            A family is a lot sown with its plants numbered, so that each can be scored, kept or taken out.
          </p>
        </>
      ) : (
        seasons.map(([season, list]) => (
          <section key={season} className="mb-8">
            <h2 className="mb-2">{seasonName(season, garden.latitude)}</h2>
            <Table heads={["Family", "Line", "Lot", "Sown", "Came up", "Planted", "Bed"]}>
              {list.map((f) => (
                <tr key={f.id}>
                  <td>
                    <Tag kind="family" code={f.code} href={`/nursery/${f.code}`} small />
                  </td>
                  <td className="max-w-72 break-words">{nameWithGeneration(f.lineName, f.generation)}</td>
                  <td className="whitespace-nowrap">{f.lotCode ?? "–"}</td>
                  <td>{f.sowedSeeds ?? "–"}</td>
                  <td>{cameUpInWords(f)}</td>
                  <td>{f.plants === null ? "in trays" : plural(f.plants, "plant")}</td>
                  <td>{f.bedName ?? "–"}</td>
                </tr>
              ))}
            </Table>
          </section>
        ))
      )}
      <Pager path="/nursery" cut={cut} />
    </Page>
  );
}
