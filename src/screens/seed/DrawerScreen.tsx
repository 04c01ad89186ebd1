import { dayInWords } from "@/core/calendar/day";
import { listAddress } from "@/core/lists/listed";
import type { LifeState } from "@/core/seed/life";
import { plural } from "@/core/units/plural";
import { figure } from "@/core/writing/numbers";
import Link from "@/ui/Link";
import { Table } from "@/ui/Table";
import type { WholeLot } from "@/views/drawer";
import type { DrawerPage } from "@/views/seed";
import { ListTools } from "../common/ListTools";
import { Page } from "../common/Page";
import { Pager } from "../common/Pager";
import { LIFE_STATES, LIFE_TONES } from "../common/seedNames";
import { Tag } from "../common/Tag";
import { yearInWords } from "../common/words";
import { Places } from "./Places";

const STATES = Object.keys(LIFE_STATES) as LifeState[];

function headline({ states }: DrawerPage): string {
  const all = STATES.reduce((sum, state) => sum + states[state], 0);
  if (all === 0) return "The drawer is empty";
  const failing = states.regrow + states.failing + states.dead;
  return failing === 0
    ? `${plural(all, "lot")}, and every one keeps`
    : `${failing} of ${plural(all, "lot")} ${failing === 1 ? "does" : "do"} not keep another year`;
}

/** Seeds left of a lot; its range where they were weighed. */
const leftInWords = ({ left, fruits }: WholeLot): string =>
  left
    ? `${figure(left.likely)}${left.counted ? "" : ` (${figure(left.low)}–${figure(left.high)})`}`
    : `not counted${fruits ? `, ${plural(fruits, "fruit")}` : ""}`;

const fromOf = ({ crossCode, motherCode, motherNumber }: WholeLot): string =>
  crossCode ?? (motherCode ? `${motherCode}${motherNumber ? `.${motherNumber}` : ""}` : "received");

const ORDERS = { dies: "What dies first", name: "Name", gathered: "Newest", code: "Code" };

/** Every lot of the drawer; what dies first stands first. */
export function DrawerScreen(view: DrawerPage) {
  const { band, lots, list, stores, today } = view;
  const { words, show, by } = list;
  return (
    <Page title="The drawer" band={band} beside={<Places stores={stores} today={today} lots={lots} />}>
      <p className="mb-1">
        <Link href="/seed" className="underline">
          Seed
        </Link>
      </p>
      <h2 className="text-2xl">{headline(view)}</h2>
      <p className="mb-4 max-w-prose text-soft">
        When less than what you want comes up, by its kind, how it lay, and your own tests. The day is the middle of a
        wide range.
      </p>
      {(list.all > 0 || words) && (
        <ListTools
          path="/seed/drawer"
          looked={list}
          shows={LIFE_STATES}
          orders={ORDERS}
          placeholder="Line, year or code"
        />
      )}
      {lots.length === 0 && words && <p>No lot has all of these words.</p>}
      {lots.length > 0 && (
        <Table heads={["Lot", "Line", "From", "Gathered", "Seeds left", "Sow by"]} wide={["From", "Gathered"]}>
          {lots.map((lot) => (
            <tr key={lot.id}>
              <td>
                <Tag kind="lot" code={lot.code} href={`/seed/${lot.code}`} small />
              </td>
              <td className="max-w-64 break-words">
                {lot.name}
                {lot.brokenOn && <span className="block text-sm font-bold text-rust">chain broken</span>}
              </td>
              <td className="whitespace-nowrap max-sm:hidden">{fromOf(lot)}</td>
              <td className="whitespace-nowrap max-sm:hidden">
                {dayInWords(lot.gathered)} {lot.gathered.slice(0, 4)}
              </td>
              <td>{leftInWords(lot)}</td>
              <td className={`font-bold ${LIFE_TONES[lot.life.state]}`}>
                {lot.life.until.likely
                  ? `${yearInWords(lot.life.until.likely, today)}: ${LIFE_STATES[lot.life.state]}`
                  : LIFE_STATES[lot.life.state]}
              </td>
            </tr>
          ))}
        </Table>
      )}
      <Pager path={listAddress("/seed/drawer", { words, show, by })} cut={list.cut} />
    </Page>
  );
}
