"use client";
import { lengthShown, lengthTyped, lengthUnit, type Units } from "@/core/units/units";
import type { Bed } from "@/records/bed/bed";
import { Sheet } from "@/ui/Sheet";
import type { GroundStand } from "@/views/groundStand";
import { CommandForm, Field } from "../common/command";
import { COVERS, FLOWERS, MESHES, SOWN_IN, WINTERS } from "../common/standNames";
import { choicesOf } from "../common/words";

export type Props = { stand: GroundStand; beds: Bed[]; units: Units; season: number };

export function StandChange({ stand, beds, units }: Pick<Props, "stand" | "beds" | "units">) {
  const { id, version, bedId, sown, sowedSeeds, cameUp, plants, firstFlower, flowers, seedWanted } = stand;
  const { cover, mesh, removeEvery, saveFrom, plantedOut, overwinter, spacing, rowCount } = stand;
  const { sownIn, trays, perCell, potted, crates, spare } = stand;
  const { wanted, upOn, pottedOn, setOn, ripeOn, liftedOn, replantedOn, storedIn } = stand;
  return (
    <Sheet trigger="Change the stand" title={`${stand.code} ${stand.lineName}`}>
      {(close) => (
        <CommandForm
          command="stand.change"
          draft={`stand-${id}`}
          values={{
            bedId,
            sown,
            sowedSeeds,
            cameUp,
            plants,
            firstFlower,
            flowers,
            seedWanted,
            cover,
            mesh,
            removeEvery,
            saveFrom,
            plantedOut,
            overwinter,
            spacing: spacing === null ? null : lengthShown(spacing, units),
            rowCount,
            wanted,
            sownIn,
            trays,
            perCell,
            potted,
            crates,
            spare,
            upOn,
            pottedOn,
            setOn,
            ripeOn,
            liftedOn,
            replantedOn,
            storedIn,
          }}
          factors={{ spacing: lengthTyped(1, units) }}
          hidden={{ id, version }}
          patch
          submit="Keep"
          onDone={close}
        >
          <Field
            name="bedId"
            label="Bed"
            type="select"
            none="In trays for now"
            choices={beds.map((b) => ({ value: b.id, label: b.name }))}
          />
          <Field name="sown" label="Sown on" type="date" />
          <div className="grid grid-cols-3 gap-4">
            <Field name="sowedSeeds" label="Seeds sown" type="number" />
            <Field name="cameUp" label="Came up" type="number" />
            <Field name="potted" label="Pricked out" type="number" />
            <Field name="plants" label="Planted" type="number" />
            <Field name="spare" label="To spare" type="number" />
          </div>
          <div className="grid grid-cols-2 gap-4">
            <Field name="sownIn" label="Sown in" type="select" none="As usual" choices={choicesOf(SOWN_IN)} />
            <Field name="perCell" label="Seeds in each cell" type="number" />
            <Field name="trays" label="Trays" type="number" />
            <Field name="crates" label="Crates" type="number" />
          </div>
          <Field name="plantedOut" label="Planted out" type="date" />
          <div className="grid grid-cols-2 gap-4">
            <Field name="wanted" label="Plants wanted" type="number" />
            <Field name="upOn" label="Came up on" type="date" />
            <Field name="pottedOn" label="Pricked out on" type="date" />
            <Field name="setOn" label="First set on" type="date" />
            <Field name="ripeOn" label="First ripe on" type="date" />
          </div>
          {stand.needsWinter && (
            <div className="grid grid-cols-2 gap-4">
              <Field name="liftedOn" label="Lifted on" type="date" />
              <Field name="replantedOn" label="Replanted on" type="date" />
              <Field name="storedIn" label="Stored in" />
            </div>
          )}
          {stand.needsWinter && (
            <Field
              name="overwinter"
              label="Over winter"
              type="select"
              none="Not said yet"
              choices={choicesOf(WINTERS)}
            />
          )}
          <div className="grid grid-cols-2 gap-4">
            <Field name="spacing" label="Between plants" type="number" unit={lengthUnit(units)} />
            <Field name="rowCount" label="Rows" type="number" />
          </div>
          <Field name="firstFlower" label="First flower, as seen" type="date" hint="Replaces the forecast." />
          <div className="grid grid-cols-2 gap-4">
            <Field name="flowers" label="Flowers" type="select" choices={choicesOf(FLOWERS)} />
            <Field name="cover" label="Covered with" type="select" none="Nothing" choices={choicesOf(COVERS)} />
            <Field
              name="mesh"
              label="A cage hung with"
              type="select"
              none="Not said: taken for net"
              choices={choicesOf(MESHES)}
              hint="Net holds insects; the wind's pollen goes through it."
            />
            <Field name="removeEvery" label="Taken off every" type="number" unit="days" />
            <Field name="saveFrom" label="Seed only from" type="number" unit="plants farthest off" />
          </div>
          <Field
            name="seedWanted"
            label="Grown for"
            type="select"
            choices={[
              { value: 1, label: "Seed" },
              { value: 0, label: "Eating only" },
            ]}
          />
        </CommandForm>
      )}
    </Sheet>
  );
}
