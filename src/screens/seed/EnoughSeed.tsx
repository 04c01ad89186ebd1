import { plural } from "@/core/units/plural";
import { Enough } from "@/ui/Enough";
import type { LotPage } from "@/views/lot";

/** Enough for its plan twice where its generation divides, for three sowings otherwise; or how much is missing. */
function enoughInWords({ enough: { have, need }, plants, planned }: LotPage): string {
  const more = plural(need - have, "seed");
  if (planned !== null) {
    const twice = `the ${plural(planned, "plant")} of its plan twice`;
    return have >= need
      ? `Yes: ${plural(have, "seed")} would come up; ${need} give ${twice}. Keep them until the plants stand: no other seed can take their place.`
      : `${more} more would give ${twice}, should a sowing fail.`;
  }
  const thrice = `${plural(plants, "plant")} three times over`;
  return have >= need
    ? `Yes: ${plural(have, "seed")} in the drawer would come up; ${need} give ${thrice}. The rest may be given, eaten or left uncleaned.`
    : `${more} more would give ${thrice}: two sowings and a reserve.`;
}

/** Whether a line has seed enough, so that cleaning can stop; and what it gives for each seed sown. */
export function EnoughSeed({ view }: { view: LotPage }) {
  const { enough, seedReturn, lot } = view;
  const { have, need } = enough;
  return (
    <section className="mt-6 max-w-2xl">
      <h3 className="mb-1">Enough of {lot.lineName}?</h3>
      <Enough have={Math.min(have, need)} need={need}>
        {enoughInWords(view)}{" "}
        {seedReturn.sown > 0 &&
          `It gave ${Math.round(seedReturn.given / seedReturn.sown)} seeds for each that was sown, so far.`}
      </Enough>
    </section>
  );
}
