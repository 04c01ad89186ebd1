"use client";
import clsx from "clsx";
import { useRouter } from "next/navigation";
import { dayInWords } from "@/core/calendar/day";
import { standOn } from "./press";

const LOOKS = {
  ahead: "a look ahead, nothing is recorded for it",
  back: "a look back, what was recorded later shows too",
};

type Props = { day: string; look: keyof typeof LOOKS | null; className?: string };

/** Says on every screen that this device stands on another day than today, what that means, and takes it back. */
export function StandsOn({ day, look, className }: Props) {
  const router = useRouter();
  return (
    <button
      type="button"
      className={clsx("opens bg-paper text-left text-sm", className)}
      onClick={() => {
        standOn("now");
        router.refresh();
      }}
    >
      this device stands on {dayInWords(day)}
      {look && `, ${LOOKS[look]}`}: back to today
    </button>
  );
}
