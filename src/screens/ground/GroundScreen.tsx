import type { Ground } from "@/views/ground";
import { Page } from "../common/Page";
import { SeasonPicker } from "../common/SeasonPicker";
import { BedForm } from "./BedForm";
import { Isolation } from "./Isolation";
import { LinesForSeed } from "./LinesForSeed";
import { StandCard } from "./StandCard";
import { StandForm } from "./StandForm";
import { Surroundings } from "./Surroundings";
import { WaysOut } from "./WaysOut";

export function GroundScreen(view: Ground) {
  const { garden, season, seasons, band, beds, stand, chosen, askWays, head, judged } = view;
  const place = { units: garden.units, latitude: garden.latitude };
  return (
    <Page
      title="Ground"
      band={band}
      beside={
        <>
          {stand && <StandCard stand={stand} beds={beds} units={garden.units} season={season} today={band.today} />}
          <Isolation {...view} />
        </>
      }
    >
      <div className="mb-4 flex flex-wrap items-center gap-3">
        <SeasonPicker path="/ground" season={season} seasons={seasons} latitude={place.latitude} />
        <BedForm units={garden.units} />
        {beds.length > 0 && <StandForm beds={beds} today={band.today} />}
      </div>
      {beds.length === 0 ? (
        <div className="max-w-prose">
          <h2>No beds yet</h2>
          <p className="mt-2">
            Give each bed its place in metres from one corner of the garden. Hedges, and pollen from beyond the garden,
            are drawn beside them.
          </p>
        </div>
      ) : (
        <>
          <Surroundings {...view} />
          {chosen === null ? (
            <LinesForSeed {...view} />
          ) : (
            askWays && <WaysOut ask={askWays} head={head} limit={judged[0]?.limit ?? 0} season={season} />
          )}
        </>
      )}
    </Page>
  );
}
