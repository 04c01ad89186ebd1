"use client";
import type { BedChoice } from "@/records/bed/queries";
import Link from "@/ui/Link";
import { ChoicesSeen } from "../common/Choices";
import { SowLot } from "../common/SowLot";

type Props = { since: string | null; beds: BedChoice[]; today: string };

export const SowFamily = ({ since, beds, today }: Props) => (
  <ChoicesSeen of="lots" since={since}>
    {(lots) =>
      lots.length > 0 ? (
        <SowLot lots={lots} beds={beds} today={today} />
      ) : (
        <p>
          There is no seed in the drawer yet. Harvest a cross, or{" "}
          <Link href="/seed">put received seed in the drawer</Link>.
        </p>
      )
    }
  </ChoicesSeen>
);
