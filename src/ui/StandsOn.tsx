"use client";
import clsx from "clsx";
import { useRouter } from "next/navigation";
import { words } from "./days";
import { standOn } from "./press";

/** Says on every screen that this device stands on another day than today, and takes it back. */
export function StandsOn({ day, className }: { day: string; className?: string }) {
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
      this device stands on {words(day, false)}: back to today
    </button>
  );
}
