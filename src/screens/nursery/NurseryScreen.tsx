import { dayInWords, daysBetween } from "@/core/calendar/day";
import { seasonName } from "@/core/climate/season";
import { addressOf } from "@/core/custody/address";
import { nameWithGeneration } from "@/core/custody/generation";
import { bedInWords } from "@/core/ground/bedInWords";
import { listAddress } from "@/core/lists/listed";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import { Table } from "@/ui/Table";
import type { FamilyRow, Nursery } from "@/views/nursery";
import { DueWork } from "../common/DueWork";
import { ListTools } from "../common/ListTools";
import { Page } from "../common/Page";
import { Pager } from "../common/Pager";
import { SowNext } from "../common/SowNext";
import { Tag } from "../common/Tag";
import { percent } from "../common/words";

/** What came up, in how many days: a yardstick of the family. */
function cameUpInWords({ sowedSeeds, cameUp, sown, upOn }: FamilyRow): string {
  if (cameUp === null) return "not counted";
  const share = sowedSeeds ? `, ${percent(cameUp / sowedSeeds)}` : "";
  return `${cameUp}${share}${upOn ? `, ${plural(daysBetween(sown, upOn), "day")}` : ""}`;
}

const SHOWS = { waits: "Wait for you", open: "Still open", decided: "Decided", trays: "In trays", past: "Past" };
const ORDERS = { waits: "What waits", line: "Line", newest: "Newest", code: "Code" };

/** How far it is decided, in a few words. */
function decidedInWords({ tally, plants, season, planned, sown }: FamilyRow, now: number): string {
  if (planned) return `to be sown ${dayInWords(sown)}`;
  if (!tally) return plants === null ? "in trays" : plural(plants, "plant");
  const { open, kept, out } = tally;
  const parts = [
    open && `${open} ${season < now ? "neither" : "open"}`,
    kept && `${kept} kept`,
    out && `${out} out`,
  ].filter(Boolean);
  return parts.join(", ");
}

const headline = ({ list, waiting, undecided }: Nursery): string => {
  if (list.all === 0 && !list.words) return "No families yet";
  if (waiting > 0) return `${plural(waiting, "family", "families")} ${waiting === 1 ? "waits" : "wait"} for you`;
  const { families, plants } = undecided;
  return plants > 0
    ? `${plural(plants, "plant")} of ${plural(families, "family", "families")} still to be decided on`
    : "Nothing waits in the nursery";
};

export function NurseryScreen(view: Nursery) {
  const { garden, band, list, next } = view;
  const { words, show, by } = list;
  return (
    <Page
      title="Nursery"
      band={band}
      beside={
        <>
          <h2 className="mb-3">Next generations to sow</h2>
          {next.length === 0 && (
            <p className="mb-4 max-w-prose text-soft">
              None now. Seed of a cross that is next to be sown appears here, until its time to sow is past.
            </p>
          )}
          <ul className="rows mb-5 border-y border-rule empty:hidden">
            {next.map(({ code, name }) => (
              <li key={code} className="flex items-center justify-between gap-3 py-2">
                <Link href={addressOf({ kind: "line", code })} className="min-w-0 break-words font-semibold">
                  {name}
                </Link>
                <SowNext line={code} trigger="Sow" />
              </li>
            ))}
          </ul>
          <p className="mb-4">
            <Link href="/nursery/yardsticks">All yardsticks</Link> of the garden: what they mean, and which lines use
            them.
          </p>
        </>
      }
    >
      <h2 className="mb-4 text-2xl">{headline(view)}</h2>
      {list.all === 0 && !words ? (
        <p className="max-w-prose">
          A family is a lot sown with its plants numbered, so that each can be scored, kept or taken out.
        </p>
      ) : (
        <>
          <ListTools path="/nursery" looked={list} shows={SHOWS} orders={ORDERS} placeholder="Line, lot, bed or code" />
          {list.items.length === 0 ? (
            <p>No family has all of these words.</p>
          ) : (
            <Table heads={["Family", "Line", "Plants", "Next", "Came up", "Season"]}>
              {list.items.map((f) => (
                <tr key={f.id}>
                  <td>
                    <Tag kind="family" code={f.code} href={`/nursery/${f.code}`} small />
                  </td>
                  <td className="max-w-72 break-words">
                    <strong>{nameWithGeneration(f)}</strong>
                    <span className="flex flex-wrap gap-x-2 text-sm text-soft">
                      {f.bedName && <span>{bedInWords(f.bedName)}</span>}
                      {f.lotCode && <span className="whitespace-nowrap">lot {f.lotCode}</span>}
                    </span>
                  </td>
                  <td>{decidedInWords(f, view.season)}</td>
                  <td>{f.due && <DueWork due={f.due} />}</td>
                  <td>{cameUpInWords(f)}</td>
                  <td>{seasonName(f.season, garden.latitude)}</td>
                </tr>
              ))}
            </Table>
          )}
          <Pager path={listAddress("/nursery", { words, show, by })} cut={list.cut} />
        </>
      )}
    </Page>
  );
}
