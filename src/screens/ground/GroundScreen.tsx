import { seasonName } from "@/core/climate/season";
import type { Ground } from "@/views/ground";
import { Page } from "../common/Page";
import { SeasonPicker } from "../common/SeasonPicker";
import { BedForm } from "./BedForm";
import { Clashes } from "./Clashes";
import { GroundMap } from "./GroundMap";
import { StandCard } from "./StandCard";
import { StandForm } from "./StandForm";

export function GroundScreen(view: Ground) {
  const { garden, season, seasons, band, beds, stands, chosen, clashes, lines, lots } = view;
  const stand = stands.find((s) => s.id === chosen);
  const place = { units: garden.units, latitude: garden.latitude };
  return (
    <Page
      at="/ground"
      title="Ground"
      band={band}
      beside={
        <>
          {stand && <StandCard stand={stand} beds={beds} units={garden.units} today={band.today} season={season} />}
          <Clashes
            clashes={clashes}
            stand={stand ?? null}
            any={stands.length > 0}
            units={garden.units}
            season={seasonName(season, garden.latitude)}
          />
        </>
      }
    >
      <div className="mb-4 flex flex-wrap items-center gap-3">
        <SeasonPicker path="/ground" season={season} seasons={seasons} latitude={place.latitude} />
        <BedForm units={garden.units} />
        {beds.length > 0 && <StandForm beds={beds} lines={lines} lots={lots} today={band.today} />}
      </div>
      {beds.length === 0 ? (
        <div className="max-w-prose">
          <h2>No beds yet</h2>
          <p className="mt-2">
            Give each bed its place in metres from one corner of the garden. A neighbour&apos;s crop is a bed beyond the
            fence. Distances for isolation are measured from edge to edge.
          </p>
        </div>
      ) : (
        <GroundMap beds={beds} stands={stands} chosen={chosen} clashes={clashes} units={garden.units} season={season} />
      )}
    </Page>
  );
}
