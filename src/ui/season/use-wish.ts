"use client";
import { useRouter } from "../kit/router";
import { useIntent } from "../kit/intent";
import { toSeason } from "../kit/writes";
import type { ToSeason } from "@/contract/writes";

/** Writes in the season's journal, and has the page made anew. */
export function useWriteSeason() {
  const router = useRouter();
  const { send, sending, fault, clear } = useIntent();
  const write = async <T extends keyof ToSeason>(
    type: T,
    body: ToSeason[T],
    seen?: number,
  ): Promise<boolean> => {
    const sent = await send(toSeason(type, body, seen));
    if (!sent) return false;
    router.refresh();
    return sent.ok;
  };
  return { write, sending, fault, clear };
}
