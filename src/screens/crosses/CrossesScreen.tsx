import { generationName } from "@/core/custody/generation";
import { plural } from "@/core/units/plural";
import { Table } from "@/ui/Table";
import type { Crosses } from "@/views/crosses";
import { Page } from "../common/Page";
import { SeasonPicker } from "../common/SeasonPicker";
import { Tag } from "../common/Tag";
import { parentsInWords } from "../common/words";
import { CrossTabs } from "./CrossTabs";
import { PlanCross } from "./PlanCross";

export function CrossesScreen({ garden, band, season, seasons, crosses, head }: Crosses) {
  const openOnes = crosses.filter((c) => !c.cross.closed);
  const missing = openOnes.filter((c) => c.toDo.likely > 0);
  return (
    <Page at="/crosses" title="Crosses" band={band} beside={<PlanCross season={season} since={head} />}>
      <CrossTabs at="/crosses" />
      <div className="mb-5 flex flex-wrap items-center justify-between gap-4">
        <h2 className="text-2xl">
          {crosses.length === 0
            ? "No crosses planned yet"
            : missing.length === 0
              ? "Every open cross has enough under way"
              : `${missing.length} ${missing.length === 1 ? "cross still wants" : "crosses still want"} flowers`}
        </h2>
        <SeasonPicker path="/crosses" season={season} seasons={seasons} latitude={garden.latitude} />
      </div>
      {crosses.length === 0 ? (
        <p className="max-w-prose">
          Choose a mother and a father stand that flower together, say how many fruits or seeds you want, and the
          flowers to do are worked out.
        </p>
      ) : (
        <Table
          heads={["Cross", "Mother × father", "Gives", "Set / wanted", "Waiting", "Lost", "Tonight", "Still to do"]}
        >
          {crosses.map(({ cross, tally, toDo, evenings }) => (
            <tr key={cross.id}>
              <td>
                <Tag kind="cross" code={cross.code} href={`/crosses/${cross.code}`} small />
              </td>
              <td className="max-w-80 break-words">{parentsInWords(cross)}</td>
              <td className="whitespace-nowrap">
                {cross.lineName.length > 22 ? `${cross.lineName.slice(0, 21)}…` : cross.lineName}{" "}
                {generationName(cross.generation)}
              </td>
              <td>
                {tally.set} / {cross.fruitsWanted}
              </td>
              <td>
                {tally.covered + tally.waiting}
                {tally.doubtful > 0 && <span className="text-soft"> +{tally.doubtful} in doubt</span>}
              </td>
              <td>{tally.lost}</td>
              <td className="font-bold">{evenings?.tonight ? plural(evenings.tonight, "flower") : "–"}</td>
              <td>
                {cross.closed ? "closed" : toDo.likely === 0 ? "none" : `${toDo.likely} (${toDo.fewest}–${toDo.most})`}
              </td>
            </tr>
          ))}
        </Table>
      )}
    </Page>
  );
}
