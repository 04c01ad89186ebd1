"use client";
import type { Units } from "@/core/units/units";
import type { Bed } from "@/records/bed/bed";
import { stand as planting } from "@/records/stand/stand";
import { Sheet } from "@/ui/Sheet";
import type { GroundStand } from "@/views/groundStand";
import { RecordForm } from "../common/RecordForm";
import { COVERS, FLOWERS, GROWN_FOR, MESHES, SOWN_IN, WINTERS } from "../common/standNames";

export type Props = { stand: GroundStand; beds: Bed[]; units: Units; season: number };

const RAISING = ["sownIn", "perCell", "trays", "upOn", "cameUp", "pottedOn", "potted", "crates", "spare"] as const;
const WINTER = ["overwinter", "liftedOn", "replantedOn", "storedIn"] as const;

/** A planting's columns: what is asked of it now, and the rest by what it is about. */
export function StandChange({ stand, beds, units }: Pick<Props, "stand" | "beds" | "units">) {
  const planned = stand.planned === 1;
  return (
    <Sheet trigger="Change the planting" title={`${stand.code} ${stand.lineName}`}>
      {(close) => (
        <RecordForm
          of={planting}
          command="stand.change"
          row={stand}
          units={units}
          draft={`stand-${stand.id}`}
          fields={
            planned
              ? ["bedId", "sown", "sowedSeeds", "wanted", "seedWanted", "flowers"]
              : ["bedId", "plants", "plantedOut", "firstFlower", "seedWanted", "flowers"]
          }
          more={{
            "Sowing and raising": planned ? RAISING : ["sown", "sowedSeeds", "wanted", ...RAISING],
            "Rows and spacing": planned ? ["plants", "plantedOut", "spacing", "rowCount"] : ["spacing", "rowCount"],
            "Flowers and seed": [
              ...(planned ? (["firstFlower"] as const) : []),
              "cover",
              "mesh",
              "removeEvery",
              "saveFrom",
              "setOn",
              "ripeOn",
            ],
            "Over the winter": stand.needsWinter ? WINTER : [],
          }}
          words={{
            sownIn: SOWN_IN,
            overwinter: WINTERS,
            flowers: FLOWERS,
            cover: COVERS,
            mesh: MESHES,
            seedWanted: GROWN_FOR,
          }}
          about={{ bedId: { choices: beds.map(({ id, name }) => ({ value: id, label: name })) } }}
          submit="Save"
          onDone={close}
        />
      )}
    </Sheet>
  );
}
