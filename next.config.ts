import type { NextConfig } from "next";

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  serverExternalPackages: ["pdfkit", "postgres"],
  devIndicators: false,
  typescript: { ignoreBuildErrors: false },
};
export default config;
