import { generationName } from "@/core/custody/generation";
import { Table } from "@/ui/Table";
import type { Crosses } from "@/views/crosses";
import { Page } from "../common/Page";
import { SeasonPicker } from "../common/SeasonPicker";
import { Tag } from "../common/Tag";
import { plural } from "../common/words";
import { PlanCross } from "./PlanCross";

export function CrossesScreen({ garden, band, season, seasons, crosses, parents, kept, knownPairs }: Crosses) {
  const openOnes = crosses.filter((c) => !c.cross.closed);
  const missing = openOnes.filter((c) => c.toDo.likely > 0);
  return (
    <Page
      at="/crosses"
      title="Crosses"
      band={band}
      beside={<PlanCross parents={parents} kept={kept} knownPairs={knownPairs} />}
    >
      <div className="mb-5 flex flex-wrap items-center justify-between gap-4">
        <h2 className="text-2xl">
          {crosses.length === 0
            ? "No crosses planned yet"
            : missing.length === 0
              ? "Every open cross has enough under way"
              : `${plural(missing.length, "cross").replace("crosss", "crosses")} still want${missing.length === 1 ? "s" : ""} flowers`}
        </h2>
        <SeasonPicker path="/crosses" season={season} seasons={seasons} latitude={garden.latitude} />
      </div>
      {crosses.length === 0 ? (
        <p className="max-w-prose">
          Choose a mother and a father stand that flower together, say how many fruits or seeds you want, and the
          flowers to do are worked out.
        </p>
      ) : (
        <Table heads={["Cross", "Mother × father", "Gives", "Set / wanted", "Waiting", "Lost", "Still to do"]}>
          {crosses.map(({ cross, tally, toDo }) => (
            <tr key={cross.id}>
              <td>
                <Tag kind="cross" code={cross.code} href={`/crosses/${cross.id}`} small />
              </td>
              <td className="max-w-80 break-words">
                {cross.motherName}
                {cross.motherNumber ? ` plant ${cross.motherNumber}` : ""} ×{" "}
                {cross.kind === "self"
                  ? "itself"
                  : `${cross.fatherName}${cross.fatherNumber ? ` plant ${cross.fatherNumber}` : ""}`}
              </td>
              <td className="whitespace-nowrap">
                {cross.lineName.length > 22 ? `${cross.lineName.slice(0, 21)}…` : cross.lineName}{" "}
                {generationName(cross.generation)}
              </td>
              <td>
                {tally.set} / {cross.fruitsWanted}
              </td>
              <td>{tally.covered + tally.waiting}</td>
              <td>{tally.lost}</td>
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
