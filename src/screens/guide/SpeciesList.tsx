"use client";
import { useState } from "react";
import Link from "@/ui/Link";
import { Table } from "@/ui/Table";
import type { Guide } from "@/views/guide";

/** Every species, narrowed by what is typed and to those that are grown. */
export function SpeciesList({ species, grown }: Pick<Guide, "species" | "grown">) {
  const [typed, setTyped] = useState("");
  const [own, setOwn] = useState(false);
  const words = typed.trim().toLowerCase();
  const shown = species.filter(
    (s) =>
      (!own || grown.includes(s.id)) &&
      (!words || [s.name, s.binomial, s.family, s.crossesWith, ...s.names].join(" ").toLowerCase().includes(words)),
  );
  return (
    <>
      <div className="mb-4 flex flex-wrap items-end gap-5">
        <label>
          Name, family or kin
          <input type="search" value={typed} onChange={(event) => setTyped(event.target.value)} />
        </label>
        {grown.length > 0 && (
          <label className="flex items-center gap-2 pb-2">
            <input type="checkbox" checked={own} onChange={(event) => setOwn(event.target.checked)} />
            Only what I grow
          </label>
        )}
        <p className="pb-2 text-sm text-soft" role="status">
          {shown.length} of {species.length} species
        </p>
      </div>
      <Table heads={["Species", "Lives", "Pollinates", "Flower", "Crosses with"]}>
        {shown.map((s) => (
          <tr key={s.id}>
            <td className="whitespace-nowrap">
              <Link href={`/guide/${s.id}`} className="font-semibold">
                {s.name}
              </Link>
              <span className="block text-sm italic text-soft">{s.binomial}</span>
              {s.names.length > 0 && (
                <span className="block max-w-48 whitespace-normal text-sm text-soft">{s.names.join(", ")}</span>
              )}
              {grown.includes(s.id) && <span className="text-sm text-moss">you grow it</span>}
            </td>
            <td>{s.lifeCycle}</td>
            <td>
              {s.breeding}, by {s.vector}
              <span className="block text-sm text-soft">
                {Math.round(s.outcrossing.low * 100)}–{Math.round(s.outcrossing.high * 100)} % of seed has another
                father
              </span>
            </td>
            <td>{s.flowerType}</td>
            <td className="max-w-sm">{s.crossesWith}</td>
          </tr>
        ))}
      </Table>
    </>
  );
}
