import body from "@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2";
import head from "@fontsource-variable/bricolage-grotesque/files/bricolage-grotesque-latin-wght-normal.woff2";
import type { Metadata, Viewport } from "next";
import { cookies, headers } from "next/headers";
import type { ReactNode } from "react";
import { preload } from "react-dom";
import { Body } from "@/ui/Body";
import { KEEP_PRESSES } from "@/ui/keepPresses";
import { OutboxBar } from "@/ui/OutboxBar";
import { Toasts } from "@/ui/Toasts";
import { Written } from "@/ui/Written";
import { here } from "./here";
import { PAPER } from "./manifest";
import "./globals.css";

export const metadata: Metadata = {
  title: { default: "Nimble Orchard", template: "%s · Nimble Orchard" },
  description: "Hand pollinations, crosses and selection towards a variety of your own.",
};
export const viewport: Viewport = { width: "device-width", initialScale: 1, themeColor: PAPER };
export const dynamic = "force-dynamic";

const THEMES = ["paper", "sun", "dawn"];

export default async function Layout({ children }: { children: ReactNode }) {
  // Letters that come after the words move all lines below them.
  for (const font of [body, head]) preload(font, { as: "font", type: "font/woff2", crossOrigin: "anonymous" });
  const kept = (await cookies()).get("theme")?.value ?? "paper";
  const sky = await here();
  const theme = THEMES.includes(kept) ? kept : "paper";
  return (
    <html lang="en" data-theme={theme} data-stands-on={sky.pinned ? sky.today : undefined}>
      <head>
        <script
          nonce={(await headers()).get("x-nonce") ?? undefined}
          // A browser tells no script what the nonce was.
          suppressHydrationWarning
          // biome-ignore lint/security/noDangerouslySetInnerHtml: a constant of ours, nobody's words
          dangerouslySetInnerHTML={{ __html: KEEP_PRESSES }}
        />
      </head>
      <Body>
        <Written as={sky.garden.locale}>
          <OutboxBar />
          {children}
        </Written>
        <Toasts />
      </Body>
    </html>
  );
}
