import type { MetadataRoute } from "next";

/** The colour of the paper theme, for what a device draws around the page. */
export const PAPER = "#f6f3ea";

/** What a device is told when the program is put beside its own: it opens at Today, in a window of its own. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: "Nimble Orchard",
    short_name: "Orchard",
    description: "Hand pollinations, crosses and selection towards a variety of your own.",
    start_url: "/",
    display: "standalone",
    background_color: PAPER,
    theme_color: PAPER,
    icons: [
      { src: "/icon-192.png", sizes: "192x192", type: "image/png" },
      { src: "/icon-512.png", sizes: "512x512", type: "image/png" },
      { src: "/icon-maskable.png", sizes: "512x512", type: "image/png", purpose: "maskable" },
    ],
    shortcuts: [
      { name: "The round", url: "/round" },
      { name: "Beds", url: "/ground" },
    ],
  };
}
