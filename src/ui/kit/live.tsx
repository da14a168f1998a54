"use client";
import { useRouter } from "next/navigation";
import { useEffect } from "react";
import { wasMine } from "./sent-keys";

/** What others write in a moment is fetched once. */
const GATHER_MS = 120;

/**
 * Keeps an open page abreast of what is written elsewhere: another tablet, another window, the house itself. What is typed is the page's own and stays.
 * It listens only while the page is seen, since a browser holds few lines open to one house.
 */
export function Live() {
  const router = useRouter();
  useEffect(() => {
    let line: EventSource | undefined;
    let soon: ReturnType<typeof setTimeout> | undefined;
    let first = true;
    const heard = (e: MessageEvent<string>): void => {
      if (wasMine(e.data)) return;
      clearTimeout(soon);
      soon = setTimeout(() => router.refresh(), GATHER_MS);
    };
    const listen = (): void => {
      if (document.visibilityState !== "visible" || line) return;
      line = new EventSource("/api/live");
      line.onmessage = heard;
      line.onopen = () => {
        if (!first) router.refresh();
        first = false;
      };
    };
    const seen = (): void => {
      if (document.visibilityState === "visible") return listen();
      line?.close();
      line = undefined;
    };
    listen();
    document.addEventListener("visibilitychange", seen);
    return () => {
      document.removeEventListener("visibilitychange", seen);
      clearTimeout(soon);
      line?.close();
    };
  }, [router]);
  return null;
}
