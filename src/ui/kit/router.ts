"use client";
import { useRouter as useNextRouter } from "next/navigation";
import { useMemo } from "react";
import { canGo, heard, isReached } from "./device";
import { wantsHouse } from "./wants-house";

/** How long it is asked whether the house is there, ms. */
const PROBE_MS = 2000;

/** Whether the house would answer. Where nothing stands in for it the browser would put its own error page in this one's place, so it is asked first. */
async function mayRefresh(): Promise<boolean> {
  if (!isReached()) return false;
  if (navigator.serviceWorker?.controller) return true;
  const there = await fetch("/api/health", { cache: "no-store", signal: AbortSignal.timeout(PROBE_MS) }).then(
    () => true,
    () => false,
  );
  if (!there) heard(false);
  return there;
}

/**
 * Leads to other pages, and has the present one made anew. While the house is away a page is not made anew, since the browser would load it again
 * under the hand; nor left for one that cannot be shown.
 */
export function useRouter(): Pick<ReturnType<typeof useNextRouter>, "push" | "replace" | "refresh" | "back"> {
  const router = useNextRouter();
  return useMemo(
    () => ({
      push: (...to) => (canGo() ? router.push(...to) : wantsHouse(to[0])),
      replace: (...to) => (canGo() ? router.replace(...to) : wantsHouse(to[0])),
      refresh: () => void mayRefresh().then((may) => may && router.refresh()),
      back: () => router.back(),
    }),
    [router],
  );
}
