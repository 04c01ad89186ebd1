import { dayInWords } from "@/core/calendar/day";
import { seasonName } from "@/core/climate/season";
import { addressOf, addressOfStand } from "@/core/custody/address";
import { placeInWords } from "@/core/ground/bedInWords";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import type { Season } from "@/views/season";
import { Page } from "../common/Page";
import { SeasonPicker } from "../common/SeasonPicker";
import { inRows } from "../common/sowWords";
import { CopySeason } from "./CopySeason";
import { SeasonBoard } from "./SeasonBoard";

function headline({ stands, tried, season, garden }: Season): string {
  if (stands.length === 0) return `Nothing stands in ${seasonName(season, garden.latitude)} yet`;
  const over = tried.filter((t) => t.share?.level === "over").length;
  const forSeed = stands.filter((s) => s.seedWanted);
  const never = forSeed.filter((s) => s.window.fate !== "flowers").length;
  const late = forSeed.filter((s) => s.window.fate === "flowers" && s.ripening.verdict === "too-late").length;
  const parts = [
    over ? `${plural(over, "stand")} ${over === 1 ? "takes" : "take"} more strange pollen than you allow` : "",
    never ? `${plural(never, "stand")} will not flower` : "",
    late ? `${plural(late, "stand")} will hardly ripen before frost` : "",
  ].filter(Boolean);
  return parts.join("; ") || "Everything for seed can ripen, as pure as you ask";
}

export function SeasonScreen(view: Season) {
  const { garden, band, season, seasons, stands } = view;
  return (
    <Page title="Season" band={band} wide>
      <div className="mb-4 flex flex-wrap items-center justify-between gap-4 px-4 sm:px-7">
        <h2 className="text-2xl">{headline(view)}</h2>
        <span className="flex flex-wrap items-center gap-4">
          <Link href="/season/turn">Decide line by line</Link>
          {view.copyable && <CopySeason season={season} latitude={garden.latitude} head={view.head} />}
          <SeasonPicker path="/season" season={season} seasons={seasons} latitude={garden.latitude} />
        </span>
      </div>
      {stands.length === 0 ? (
        <p className="max-w-prose px-4 sm:px-7">
          Stands come here as they are sown or planned. <Link href="/ground">Sow one on the Ground.</Link>
        </p>
      ) : (
        <SeasonBoard key={season} {...view} />
      )}
      {view.inPlans.length > 0 && (
        <section className="mt-8 px-4 sm:px-7" aria-label="In the plans of your lines">
          <h3>In the plans of your lines, not sown yet</h3>
          <ul className="rows mt-2 max-w-prose border-y border-rule">
            {view.inPlans.map((one) => (
              <li key={one.code} className="py-2">
                <Link href={addressOf({ kind: "line", code: one.code })} className="font-bold">
                  {one.name}
                </Link>
                , {inRows(one)}
              </li>
            ))}
          </ul>
        </section>
      )}
      {view.firstYear.length > 0 && (
        <section className="mt-8 px-4 sm:px-7" aria-label="In their first year">
          <h3>In their first year</h3>
          <p className="text-sm text-soft">They take their ground now, and flower in the season after.</p>
          <ul className="rows mt-2 max-w-prose border-y border-rule">
            {view.firstYear.map((stand) => (
              <li key={stand.code} className="py-2">
                <Link href={addressOfStand(stand)} className="font-bold">
                  {stand.code}
                </Link>{" "}
                {stand.name}, {placeInWords(stand.bedName)}, sown {dayInWords(stand.sown)}, flowers{" "}
                {seasonName(stand.season, garden.latitude)}
              </li>
            ))}
          </ul>
        </section>
      )}
    </Page>
  );
}
