import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: ["better-sqlite3"],
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  // Only this machine asks: packing a page takes longer than handing it over.
  compress: false,
  // `npm test` checks the types, once; a build for a grower need not do it again.
  typescript: { ignoreBuildErrors: true },
  // A copy of a garden passes the proxy whole; the route that takes it in has a limit of its own.
  experimental: { proxyClientMaxBodySize: "520mb" },
  outputFileTracingIncludes: { "/*": ["./src/db/migrations/*.sql"] },
};

export default config;
