"use client";
import { useRouter } from "next/navigation";
import { seasonName } from "@/core/climate/season";

type Props = { path: string; season: number; seasons: number[]; latitude: number };

export function SeasonPicker({ path, season, seasons, latitude }: Props) {
  const router = useRouter();
  return (
    <label className="flex items-center gap-2">
      <span className="text-soft">Season</span>
      <select
        className="w-auto!"
        value={season}
        onChange={(event) => router.push(`${path}?season=${event.target.value}`)}
      >
        {seasons.map((s) => (
          <option key={s} value={s}>
            {seasonName(s, latitude)}
          </option>
        ))}
      </select>
    </label>
  );
}
