import { plural } from "@/core/units/plural";
import { massInWords } from "@/core/units/units";
import type { LotPage } from "@/views/lot";
import type { TableLotView } from "@/views/seedTable";
import { percent } from "../common/words";
import { DryingChart } from "./charts";
import { callInWords, whenInWords } from "./moments";
import { CallPress, WeighIn } from "./TableForms";

const STAGES = {
  ripening: "Its fruit ripens on",
  waiting: "It waits to be cleaned",
  cleaning: "It is being cleaned",
  drying: "It dries",
  dry: "It is dry",
  frozen: "It lies in the freezer",
} as const;

/** A lot on the table: how far it is, what it calls for, and when it will be dry. */
export function OnTable({ lot, view }: { lot: TableLotView; view: LotPage }) {
  const { vessels, garden, species, tableNow: now } = view;
  const { dry } = lot;
  return (
    <section className="mt-3 max-w-2xl" aria-label="On the table">
      <h3 className="text-lg">
        {STAGES[lot.stage]}
        {lot.way && <span className="font-normal text-soft">, way: {lot.way.toLowerCase()}</span>}
      </h3>
      {dry && (
        <p>
          Dry {whenInWords(dry.likely, now)}, nine chances in ten from {whenInWords(dry.early, now)} to{" "}
          {whenInWords(dry.late, now)}
          {dry.mass !== null && `, at about ${massInWords(dry.mass, garden.units)}`}. A fingernail and a snap know
          better. Closed in it should hold {percent(species.moisture)} water, what seed comes to at 30 % humidity by the
          published isotherm
          {dry.stored !== null && `: about ${massInWords(dry.stored, garden.units)}, reached over desiccant`}.
        </p>
      )}
      {dry && dry.mass !== null && <DryingChart dry={dry} mass={dry.mass} units={garden.units} />}
      <ul className="rows mt-2 border-y border-ink">
        {lot.calls.map((call) => (
          <li key={call.act} className="flex flex-wrap items-center justify-between gap-3 py-3">
            <span className="max-w-md">
              <strong>{call.title}.</strong> {call.how} <span className="text-soft">{callInWords(call, now)}</span>
              {call.cautions.map(({ title, caution }) => (
                <span key={title} className="block text-sm">
                  <strong className="text-rust">{title}.</strong> {caution}
                </span>
              ))}
            </span>
            <CallPress lot={lot} call={call} vessels={vessels} units={garden.units} />
          </li>
        ))}
      </ul>
      {lot.stage === "drying" && (
        <p className="mt-3 flex flex-wrap items-center gap-3">
          <WeighIn lotId={lot.id} code={lot.code} units={garden.units} />
          <span className="text-sm text-soft">
            {plural(view.handled.filter(({ act }) => act === "weigh").length, "weigh-in")} so far. Never warmer than
            your hand: heat over 37 °C kills it.
          </span>
        </p>
      )}
    </section>
  );
}
