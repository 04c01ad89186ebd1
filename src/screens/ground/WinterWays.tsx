"use client";
import type { GroundStand } from "@/views/groundStand";
import { CommandButton } from "../common/command";
import { WINTERS } from "../common/standNames";
import { rangeInHundred } from "../common/words";

/** The three ways through the winter side by side, each with the share that comes through; a press chooses one. */
export function WinterWays({ stand }: { stand: GroundStand }) {
  if (!stand.winterWays || stand.firstFlower || stand.replantedOn || stand.ending) return null;
  const { id, version, overwinter } = stand;
  return (
    <section className="mt-4" aria-label="Over the winter">
      <h3>Over the winter</h3>
      <p className="text-sm text-soft">
        It flowers in its second year. In the ground reckoned from your normals and what the crop stands; in store a
        working share, the same everywhere. Many do two of them.
      </p>
      <ul className="rows mt-2 border-y border-rule">
        {stand.winterWays.map(({ way, low, likely, high }) => (
          <li key={way} className="flex items-center justify-between gap-3 py-2">
            <span>
              <strong>{WINTERS[way]}</strong>
              <span className="block text-sm text-soft">{rangeInHundred({ low, likely, high })} come through</span>
            </span>
            {way === overwinter ? (
              <span className="text-sm text-moss">chosen</span>
            ) : (
              <CommandButton command="stand.change" input={{ id, version, overwinter: way }}>
                Choose
              </CommandButton>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
