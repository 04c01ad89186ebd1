import type { NextConfig } from "next";

const config: NextConfig = { poweredByHeader: false };

export default config;
