import { KEPT_TIMING } from "@/shell/kept-pages";

/** When this page was fetched, ms by this device's clock, where it comes from what the device keeps; nothing where the house made it just now. */
export function keptSince(): number | undefined {
  if (typeof performance === "undefined") return undefined;
  const [page] = performance.getEntriesByType("navigation") as PerformanceNavigationTiming[];
  return page?.serverTiming?.find((t) => t.name === KEPT_TIMING)?.duration;
}
