import type { ReactNode } from "react";

export const dynamic = "force-dynamic";

/** Next's own page with nothing on it: what every page is measured against. */
export default function Layout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <body>{children}</body>
    </html>
  );
}
