import type { NextConfig } from "next";

const config: NextConfig = {
  // Tests build beside a running server rather than under it.
  distDir: process.env["JOLLY_DIST"] || ".next",
  poweredByHeader: false,
  reactStrictMode: true,
  serverExternalPackages: ["pdfkit", "fontkit", "postgres"],
  devIndicators: false,
  typescript: { ignoreBuildErrors: false },
};
export default config;
