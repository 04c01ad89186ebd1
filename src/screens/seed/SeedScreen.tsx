import { dayInWords } from "@/core/calendar/day";
import { nameWithGeneration } from "@/core/custody/generation";
import { plural } from "@/core/units/plural";
import { Table } from "@/ui/Table";
import type { Seed } from "@/views/seed";
import { Page } from "../common/Page";
import { Pager } from "../common/Pager";
import { Tag } from "../common/Tag";
import { KeepSeed } from "./KeepSeed";

const SHELF = { keeps: "keeps", regrow: "regrow soon", past: "past its shelf life" } as const;

export function SeedScreen({ garden, band, lots, cut, dying, today }: Seed) {
  return (
    <Page title="Seed" band={band} beside={<KeepSeed units={garden.units} today={today} />}>
      <h2 className="text-2xl">
        {lots.length === 0
          ? "The drawer is empty"
          : dying > 0
            ? `${plural(dying, "lot")} to regrow before ${dying === 1 ? "it dies" : "they die"}`
            : "Every lot still keeps"}
      </h2>
      <p className="mb-5 max-w-prose text-soft">
        {lots.length === 0
          ? "Lots come here from harvested crosses, from stands and plants you save, and from seed you were given."
          : "Age against the catalogue's shelf life: a rule of thumb for cool, dry, dark storage. A germination test knows better."}
      </p>
      {lots.length > 0 && (
        <Table heads={["Lot", "Line", "From", "Gathered", "Seeds left", "Age"]}>
          {lots.map((lot) => (
            <tr key={lot.id}>
              <td>
                <Tag kind="lot" code={lot.code} href={`/seed/${lot.code}`} small />
              </td>
              <td className="max-w-64 break-words">{nameWithGeneration(lot.lineName, lot.generation)}</td>
              <td className="whitespace-nowrap">
                {lot.crossCode ??
                  (lot.motherCode ? `${lot.motherCode}${lot.motherNumber ? `.${lot.motherNumber}` : ""}` : "received")}
              </td>
              <td className="whitespace-nowrap">
                {dayInWords(lot.gathered)} {lot.gathered.slice(0, 4)}
              </td>
              <td>
                {lot.left ? lot.left.likely : `not counted, ${plural(lot.fruits ?? 0, "fruit")}`}
                {!lot.left || lot.left.counted ? "" : ` (${lot.left.low}–${lot.left.high})`}
              </td>
              <td
                className={
                  lot.shelf === "past" ? "font-bold text-rust" : lot.shelf === "regrow" ? "font-bold text-quince" : ""
                }
              >
                {plural(lot.age, "year")} of {lot.shelfYears.low}–{lot.shelfYears.high}: {SHELF[lot.shelf]}
              </td>
            </tr>
          ))}
        </Table>
      )}
      <Pager path="/seed" cut={cut} />
    </Page>
  );
}
