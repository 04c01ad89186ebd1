"use client";
import clsx from "clsx";
import { useRouter } from "next/navigation";
import { standOn } from "./press";

/** Says on every screen that this device stands on another day than today, and takes it back. */
export function StandsOn({ day, className }: { day: string; className?: string }) {
  const router = useRouter();
  const words = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", timeZone: "UTC" });
  return (
    <button
      type="button"
      className={clsx("opens bg-paper text-left text-sm", className)}
      onClick={() => {
        standOn("now");
        router.refresh();
      }}
    >
      this device stands on {words.format(new Date(`${day}T00:00:00Z`))}: back to today
    </button>
  );
}
