"use client";
import { useState } from "react";
import { FilePick } from "@/ui/FilePick";
import { newPress } from "@/ui/press";
import { Sheet } from "@/ui/Sheet";
import { send } from "@/ui/send";
import { CommandForm } from "../common/command";
import { SpeciesField } from "../common/fields";

/** GeoJSON in, with a dry run first, and out. */
export function GroundFile() {
  const [text, setText] = useState("");
  const [said, setSaid] = useState("");
  const tryIt = async (content: string) => {
    setText(content);
    const answer = await send("/api/commands/ground.import", { text: content, dryRun: true }, newPress());
    setSaid(answer.message);
  };
  return (
    <Sheet trigger="Map file" title="The ground as GeoJSON" plain>
      {(close) => (
        <>
          <p className="mb-5">
            <a className="leaf" href="/api/ground">
              Save the ground as GeoJSON
            </a>
          </p>
          <h3>Take in a file</h3>
          <p className="mb-3 mt-1 text-sm text-soft">
            Polygons and points become pollen from beyond the garden, lines become hedges, unless a feature says its
            kind (bed, hedge, wall, building, tunnel, neighbour, field, wild, ornamental). All of it comes in, or
            nothing.
          </p>
          <FilePick label="GeoJSON file" accept=".geojson,.json,application/geo+json" onText={tryIt} />
          {said && (
            <p role="status" className="my-3">
              {said}
            </p>
          )}
          {text && (
            <CommandForm
              command="ground.import"
              draft="ground-import"
              values={{ species: null, plants: null, presence: 0.9 }}
              hidden={{ text }}
              submit="Take it in"
              onDone={close}
            >
              {(Field) => (
                <>
                  <p className="text-sm text-soft">For pollen whose file does not say:</p>
                  <div className="grid grid-cols-2 gap-4">
                    <SpeciesField none="As the file says" />
                    <Field name="plants" label="Plants" type="number" />
                  </div>
                </>
              )}
            </CommandForm>
          )}
        </>
      )}
    </Sheet>
  );
}
