import type { Day } from "@/core/calendar/day";
import type { Climate } from "@/core/climate/climate";
import type { Correction } from "@/core/flowering/correction";
import { type Flowering, type Ripening, ripensBeforeFrost } from "@/core/flowering/forecast";
import type { Db } from "@/db/open";
import { asOfDay, type Garden, garden } from "@/records/garden/queries";
import { forecaster } from "@/records/stand/forecast";
import type { StandRow } from "@/records/stand/queries";

export type ForecastStand = StandRow & { window: Flowering; ripening: Ripening };

/** What every screen looks out from: the garden, its day and climate, and the forecast of a stand. */
export type Outlook = {
  garden: Garden;
  today: Day;
  climate: Climate;
  correction: (lineId: number) => Correction | null;
  flowering: ReturnType<typeof forecaster>["of"];
  /** A stand with its flowering and its race with the frost. */
  forecast: (stand: StandRow) => ForecastStand;
};

export function outlook(db: Db): Outlook {
  const place = garden(db);
  const { climate, correction, of } = forecaster(db);
  return {
    garden: place,
    today: asOfDay(place),
    climate,
    correction,
    flowering: of,
    forecast: (stand) => {
      const window = of(stand);
      return { ...stand, window, ripening: ripensBeforeFrost(window, climate) };
    },
  };
}
