import type { MetadataRoute } from "next";

export default function manifest(): MetadataRoute.Manifest {
  return {
    name: "Jolly Crock",
    short_name: "Jolly Crock",
    description: "Putting up remedies at home",
    start_url: "/",
    display: "standalone",
    background_color: "#d9d6cf",
    theme_color: "#d9d6cf",
    icons: [{ src: "/icon.svg", sizes: "any", type: "image/svg+xml" }],
  };
}
