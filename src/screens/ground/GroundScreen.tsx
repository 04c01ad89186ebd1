import type { Ground } from "@/views/ground";
import { Page } from "../common/Page";
import { SeasonPicker } from "../common/SeasonPicker";
import { Isolation } from "./Isolation";
import { LinesForSeed } from "./LinesForSeed";
import { StandCard } from "./StandCard";
import { StandForm } from "./StandForm";
import { Surroundings } from "./Surroundings";
import { WaysOut } from "./WaysOut";

export function GroundScreen(view: Ground) {
  const { garden, season, seasons, band, beds, barriers, sources, stands, stand, chosen, askWays, head, judged } = view;
  const worry = judged.find((j) => j.standId === view.concern) ?? null;
  const place = { units: garden.units, latitude: garden.latitude };
  return (
    <Page
      title="Ground"
      band={band}
      beside={
        <>
          {stand && <StandCard stand={stand} beds={beds} units={garden.units} season={season} today={band.today} />}
          <Isolation {...view} worry={worry} />
        </>
      }
    >
      <Surroundings {...{ beds, barriers, sources, stands, season }} concern={worry} units={garden.units}>
        <SeasonPicker path="/ground" season={season} seasons={seasons} latitude={place.latitude} />
        {beds.length > 0 && <StandForm beds={beds} today={band.today} />}
      </Surroundings>
      {chosen === null ? (
        <LinesForSeed {...view} />
      ) : (
        askWays && <WaysOut ask={askWays} head={head} limit={judged[0]?.limit ?? 0} season={season} />
      )}
    </Page>
  );
}
