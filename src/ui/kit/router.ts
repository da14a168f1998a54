"use client";
import { useRouter as useNextRouter } from "next/navigation";
import { useMemo } from "react";
import { canGo, isReached } from "./device";
import { wantsHouse } from "./wants-house";

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
      refresh: () => {
        if (isReached()) router.refresh();
      },
      back: () => router.back(),
    }),
    [router],
  );
}
