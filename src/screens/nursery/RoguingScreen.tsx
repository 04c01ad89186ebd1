import { dayInWords } from "@/core/calendar/day";
import { generationName, nameWithGeneration } from "@/core/custody/generation";
import { oddsInWords } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import { Table } from "@/ui/Table";
import type { Roguing } from "@/views/roguing";
import { Page } from "../common/Page";
import { Tag } from "../common/Tag";
import { percent } from "../common/words";
import { Lifting } from "./Lifting";
import { Offkinds } from "./Offkinds";
import { RogueForecast } from "./RogueForecast";
import { RogueWalk } from "./RogueWalk";
import { WalkForm } from "./WalkForm";

/** Of a stand whose plants have no numbers: what is to be sorted, or what stands. */
function withoutNumbers(lifting: Roguing["lifting"]): string {
  if (lifting?.next) return `Sort what is ${lifting.next === "lift" ? "lifted" : "replanted"}`;
  return lifting?.now.replant
    ? `${plural(lifting.now.replant.fit, "root")} stand again`
    : "No numbered plants stand here";
}

/** When every plant must have been looked at, or that it is too late for some of their pollen. */
function headline({ standing, by, doneOn, today, stand, lifting }: Roguing): string {
  if (stand.school === "let-it-mix") return "A mix keeps what lives: rogue only what does harm";
  if (standing.length === 0) return withoutNumbers(lifting);
  const plants = plural(standing.length, "plant");
  if (doneOn) return `${plants} looked over on ${dayInWords(doneOn)}`;
  if (today < by) return `Look ${plants} over before ${dayInWords(by)}`;
  return `Flowers since ${dayInWords(by)}: look ${plants} over today`;
}

export function RoguingScreen(view: Roguing) {
  const { stand, seasons, by, today, doneOn, band } = view;
  const gone = seasons.reduce((sum, { out }) => sum + out, 0);
  return (
    <Page
      title={`Roguing ${stand.code}`}
      band={band}
      beside={
        <>
          <RogueForecast view={view} />
          <Offkinds view={view} />
        </>
      }
    >
      <div className="mb-3 flex flex-wrap items-center gap-4">
        <Tag kind={stand.family ? "family" : "stand"} code={stand.code} href={`/nursery/${stand.code}`} />
        <Link href={`/nursery/${stand.code}`} className="leaf leaf-plain">
          Back to the bench
        </Link>
      </div>
      <h2 className="mb-2 text-2xl">{headline(view)}</h2>
      <p className="mb-4 max-w-prose text-soft">
        {nameWithGeneration(stand)}. What goes out before it sheds pollen leaves nothing behind; later, its pollen is in
        its neighbours’ seed
        {doneOn || today < by ? "" : ", and roguing undoes much less"}.
      </p>
      {view.standing.length > 0 && <RogueWalk view={view} />}
      {view.walkable && <WalkForm view={view} />}
      {view.lifting && <Lifting view={view} lifting={view.lifting} />}
      <h3 className="mt-7 mb-2">What went out, year by year</h3>
      {gone === 0 ? (
        <p className="text-soft">Nothing has been taken out of this line yet.</p>
      ) : (
        <Table heads={["Season", "Family", "Grown", "Out", "Why", "After first flower"]}>
          {seasons.map((one) => (
            <tr key={one.code}>
              <td>
                <strong>{one.season}</strong> {generationName(one.generation, stand.backcrosses)}
              </td>
              <td>{one.code}</td>
              <td>{one.grown}</td>
              <td>{one.out === 0 ? "none" : `${one.out}, ${oddsInWords(one.out / one.grown, { what: "plant" })}`}</td>
              <td>{one.reasons.map(({ reason, plants }) => `${plants} ${reason}`).join("; ")}</td>
              <td className={one.late > 0 ? "text-rust" : ""}>
                {one.late === 0
                  ? "none"
                  : `${one.late}, ${one.shed < 0.01 ? "hardly any" : `up to ${percent(one.shed)} of its`} pollen shed`}
              </td>
            </tr>
          ))}
        </Table>
      )}
    </Page>
  );
}
