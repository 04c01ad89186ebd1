import type { ReactNode } from "react";
import { Index } from "@/screens/common/Index";

/** The frame of the book: the index stays, the pages turn. */
export default function Layout({ children }: { children: ReactNode }) {
  return (
    <>
      <a href="#work" className="leaf absolute left-2 top-2 z-50 -translate-y-20 bg-leaf focus:translate-y-0">
        To the work
      </a>
      <Index />
      {children}
    </>
  );
}
