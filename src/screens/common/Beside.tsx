import { plural } from "@/core/units/plural";
import type { Emergence } from "@/views/raising";
import { percent } from "./words";

/** From here on the better of two sowings is told. */
const TOLD = 0.9;

/** What was sown beside a sowing, and whether so few seeds can tell them apart. */
export function Beside({ beside }: Pick<Emergence, "beside">) {
  if (beside.length === 0) return null;
  const alike = beside.filter(({ better }) => better < TOLD && better > 1 - TOLD).length;
  return (
    <ul className="text-sm text-soft" aria-label="Sown beside it">
      {beside.map(({ code, name, home, share, seeds, days, better }) => (
        <li key={code}>
          beside {name} {code}, {home ? "home-grown" : "from elsewhere"}: {percent(share)} of {seeds}
          {days !== null && `, after ${plural(days, "day")}`}
          {better >= TOLD && <strong>; this one comes up better, all but surely</strong>}
          {better <= 1 - TOLD && <strong>; that one comes up better, all but surely</strong>}
        </li>
      ))}
      {alike > 0 && (
        <li>
          {alike === beside.length
            ? "So few seeds do not tell them apart."
            : "So few seeds do not tell the others apart."}
        </li>
      )}
    </ul>
  );
}
