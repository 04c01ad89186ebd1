import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: ["better-sqlite3"],
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  outputFileTracingIncludes: { "/*": ["./src/db/migrations/*.sql"] },
};

export default config;
