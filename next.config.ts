import type { NextConfig } from "next";

const config: NextConfig = {
  // Tests build beside a running server rather than under it.
  distDir: process.env["JOLLY_DIST"] || ".next",
  poweredByHeader: false,
  reactStrictMode: true,
  serverExternalPackages: ["pdfkit", "fontkit", "postgres", "sharp", "nodemailer", "ical.js"],
  // A photograph may have 15 MB; the handler itself says so where it is more.
  // Each page is loaded when it is first asked for: all at once took half of the start.
  experimental: { proxyClientMaxBodySize: "16mb", preloadEntriesOnStart: false },
  devIndicators: false,
  // ./jolly test looks at the types; whoever only starts it need not wait for that.
  typescript: { ignoreBuildErrors: true },
};
export default config;
