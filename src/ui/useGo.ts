"use client";
import { useRouter } from "next/navigation";
import { useCallback } from "react";
import { settled } from "./overs";

/** Turns the page, once a sheet that was just closed is out of the way. */
export function useGo(): (href: string) => void {
  const router = useRouter();
  return useCallback((href) => void settled().then(() => router.push(href)), [router]);
}
