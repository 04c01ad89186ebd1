import { dayInWords } from "@/core/calendar/day";
import { seasonName } from "@/core/climate/season";
import { listAddress } from "@/core/lists/listed";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import { Table } from "@/ui/Table";
import type { LineRow } from "@/views/lineRows";
import type { Lines } from "@/views/lines";
import { DueWork } from "../common/DueWork";
import { ListTools } from "../common/ListTools";
import { Page } from "../common/Page";
import { Pager } from "../common/Pager";
import { Starts } from "../common/Starts";
import { LIFE_STATES } from "../common/seedNames";
import { LINE_ENDINGS, SCHOOLS } from "../common/standNames";
import { Tag } from "../common/Tag";
import { sentence, yearInWords } from "../common/words";
import { LineForm } from "./LineForm";
import { PedigreeIn } from "./PedigreeIn";

const SHOWS = {
  waits: "Wait for you",
  growing: "Growing",
  seed: "Seed only",
  nothing: "No stand, no seed",
  ended: "Ended",
};
const ORDERS = { waits: "What waits", name: "Name", species: "Species", grown: "Last grown", code: "Code" };

/** So many beds are named. */
const BEDS = 3;

function seedInWords({ gathered, until, state }: NonNullable<LineRow["seed"]>, today: string): string {
  const year = `seed of ${gathered.slice(0, 4)}`;
  if (until === null || state === "failing" || state === "dead") return `${year}, ${LIFE_STATES[state]}`;
  const last = yearInWords(until, today);
  return last.startsWith("beyond") ? `${year} keeps ${last}` : `${year}, sow by ${last}`;
}

/** Why nothing of a line is there. */
const NOTHING_YET: Partial<Record<LineRow["step"], string>> = {
  crossing: "its cross comes first",
  clean: "its seed is on the table",
  begin: "no seed of it here yet",
};

/** Where a line stands, in a few words. */
function standingInWords({ ending, endedOn, growing, planned, seed, step }: LineRow, today: string): string {
  if (ending) return `${LINE_ENDINGS[ending].toLowerCase()} ${dayInWords(endedOn!)} ${endedOn!.slice(0, 4)}`;
  const kept = seed && seedInWords(seed, today);
  if (growing) {
    const { beds } = growing;
    const generations = growing.generations.join(" and ");
    const named = beds.length > BEDS ? `${beds.length} beds` : beds.join(", ");
    return `${generations ? `${generations} growing` : "growing"}${named ? ` in ${named}` : " in trays"}${kept ? `; ${kept}` : ""}`;
  }
  if (planned) return `to be sown ${dayInWords(planned)} ${planned.slice(0, 4)}${kept ? `; ${kept}` : ""}`;
  return kept ?? NOTHING_YET[step] ?? "no plants and no seed";
}

/** What it asks for, and where that is done. */
function Next({ due, sow, step, risk, code, endedOn }: LineRow) {
  if (endedOn !== null) return null;
  if (step === "lost")
    return (
      <Link href={`/lines/${code}`} className="font-bold text-rust">
        Nothing of it lives: get seed, or end it
      </Link>
    );
  if (risk === "no-seed-coming")
    return (
      <Link href={`/lines/${code}`} className="font-bold text-rust">
        Save its seed: it has none, and none is coming
      </Link>
    );
  if (due) return <DueWork due={due} href={due.family ? `/nursery/${due.code}` : `/ground?stand=${due.code}`} />;
  if (sow)
    return (
      <Link href={`/lines/${code}`} className="font-semibold">
        {sow === "old" ? "Its seed fades: grow it again" : "Sow its next generation"}
      </Link>
    );
  return null;
}

const headline = ({ list, going, waiting }: Lines): string => {
  if (going === 0 && list.all === 0 && !list.words) return "No lines yet";
  if (waiting > 0)
    return `${plural(waiting, "line")} ${waiting === 1 ? "waits" : "wait"} for you, of ${going} in your care`;
  return `${plural(going, "line")} in your care, and none waits for you`;
};

export function LinesScreen(view: Lines) {
  const { garden, band, list, going } = view;
  const { words, show, by } = list;
  const empty = going === 0 && list.all === 0 && !words;
  return (
    <Page title="Lines" band={band}>
      <div className="mb-5 flex flex-wrap items-center justify-between gap-4">
        <h2 className="text-2xl">{headline(view)}</h2>
        <div className="flex flex-wrap items-center gap-3">
          <PedigreeIn />
          <LineForm />
        </div>
      </div>
      {empty ? (
        <>
          <p className="mb-5 max-w-prose">A line is a variety, a mix, or a cross on its way to one.</p>
          <Starts />
        </>
      ) : (
        <>
          <ListTools path="/lines" looked={list} shows={SHOWS} orders={ORDERS} placeholder="Name, species or code" />
          {list.items.length === 0 ? (
            <p>No line has all of these words.</p>
          ) : (
            <Table heads={["Line", "Name", "Where it stands", "Next", "Last grown"]}>
              {list.items.map((line) => (
                <tr key={line.id}>
                  <td>
                    <Tag kind="line" code={line.code} href={`/lines/${line.code}`} small />
                  </td>
                  <td className="max-w-80 break-words">
                    <strong>{line.name}</strong>
                    <span className="block text-sm text-soft">
                      {line.speciesName}, {SCHOOLS[line.school].toLowerCase()}
                    </span>
                  </td>
                  <td>{sentence(standingInWords(line, band.today))}</td>
                  <td>
                    <Next {...line} />
                  </td>
                  <td className="whitespace-nowrap">
                    {line.lastSeason === null ? "not yet" : seasonName(line.lastSeason, garden.latitude)}
                  </td>
                </tr>
              ))}
            </Table>
          )}
          <Pager path={listAddress("/lines", { words, show, by })} cut={list.cut} />
        </>
      )}
    </Page>
  );
}
