"use client";
import { usePathname } from "next/navigation";
import { useEffect } from "react";
import { type ToShell, isKeptPage } from "@/shell/kept-pages";
import { useKitchen } from "../kitchen/kitchen";

/** How long a page is left alone before what stands in for the house is put up, ms: beside the house itself there is hardly a signal to lose. */
const SETTLED_MS = { carried: 4000, atTheHouse: 20_000 };

const say = (to: ServiceWorker | null | undefined, what: ToShell): void => to?.postMessage(what);

/**
 * Pages that are soon wanted from here. On a device that is carried about: the next steps of what is worked at, and from the Shelf everything on it,
 * since it may be opened where no signal reaches. Beside the house itself there is no other signal to lose.
 */
function soonWanted(path: string): readonly string[] {
  if (location.protocol !== "https:") return path === "/cellar" ? [] : [path].filter(isKeptPage);
  const named = [...document.querySelectorAll("main a[href^='/batch/']")].map(
    (a) => new URL((a as HTMLAnchorElement).href).pathname,
  );
  const own = /^\/batch\/[0-9a-f-]{36}/.exec(path)?.[0];
  const next = own ? ["", "/make", "/strain", "/finish", "/bottle"].map((page) => `${own}${page}`) : [];
  return [...new Set([path, ...next, ...(path === "/" ? ["/cellar", ...named] : [])])].filter(isKeptPage);
}

/** Puts up what stands in for the house while it is away, where the browser trusts the page enough, and has it keep what may be wanted. */
export function Shell() {
  const path = usePathname();
  const { clocks } = useKitchen();
  const isBusy = clocks.length > 0;
  useEffect(() => {
    if (!("serviceWorker" in navigator)) return;
    // Once the page has settled: it is for later, and must not be in the way now.
    const soon = setTimeout(
      () => {
        void navigator.serviceWorker
          .register("/sw.js")
          .then(async (r) => {
            // A newer one waits until no clock runs here.
            if (!isBusy) say(r.waiting, { say: "renew" });
            if (document.visibilityState !== "visible") return;
            say((await navigator.serviceWorker.ready).active, { say: "keep", paths: soonWanted(path) });
          })
          .catch(() => {
            // Without it the browser's own page is shown; nothing else depends on it.
          });
      },
      SETTLED_MS[location.protocol === "https:" ? "carried" : "atTheHouse"],
    );
    return () => clearTimeout(soon);
  }, [path, isBusy]);
  return null;
}
