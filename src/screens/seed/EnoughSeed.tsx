import { plural } from "@/core/units/plural";
import { Enough } from "@/ui/Enough";
import type { LotPage } from "@/views/lot";

/** Whether a line has seed enough, so that cleaning can stop; and what it gives for each seed sown. */
export function EnoughSeed({ view: { enough, seedReturn, lot, plants, planned } }: { view: LotPage }) {
  const { have, need } = enough;
  const gap = need - have;
  return (
    <section className="mt-6 max-w-2xl">
      <h3 className="mb-1">Enough of {lot.lineName}?</h3>
      <Enough have={Math.min(have, need)} need={need}>
        {planned !== null
          ? gap <= 0
            ? `Yes: ${plural(have, "seed")} would come up; ${need} give the ${plural(planned, "plant")} of its plan twice. Keep them until the plants stand: no other seed can take their place.`
            : `${plural(gap, "seed")} more would give the ${plural(planned, "plant")} of its plan twice, should a sowing fail.`
          : gap <= 0
            ? `Yes: ${plural(have, "seed")} in the drawer would come up; ${need} give ${plural(plants, "plant")} three times over. The rest may be given, eaten or left uncleaned.`
            : `${plural(gap, "seed")} more would give ${plural(plants, "plant")} three times over: two sowings and a reserve.`}{" "}
        {seedReturn.sown > 0 &&
          `It gave ${Math.round(seedReturn.given / seedReturn.sown)} seeds for each that was sown, so far.`}
      </Enough>
    </section>
  );
}
