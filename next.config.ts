import type { NextConfig } from "next";
import { PHASE_PRODUCTION_BUILD } from "next/constants";

export default (phase: string): NextConfig => ({
  serverExternalPackages: ["better-sqlite3"],
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  // Only this machine asks: packing a page takes longer than handing it over.
  compress: false,
  // `npm test` checks the types, once; a build for a grower need not do it again.
  typescript: { ignoreBuildErrors: true },
  experimental: {
    // A copy of a garden passes the proxy whole; the route that takes it in has a limit of its own.
    proxyClientMaxBodySize: "520mb",
    // A garden's program is built once: what would spare a second build two fifths of its time costs the first as much.
    turbopackFileSystemCacheForBuild: false,
    turbopackSourceMaps: phase !== PHASE_PRODUCTION_BUILD,
  },
});
