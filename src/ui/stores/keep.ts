"use client";
import { useRouter } from "../kit/router";
import type { TypedItem } from "@/contract/writes";
import { useIntent } from "../kit/intent";
import { toStores } from "../kit/writes";

/** Keeps a thing in the stores, new or stated anew. */
export function useKeep() {
  const router = useRouter();
  const { send, sending, fault, clear } = useIntent();
  /** @param seen the version it was shown in; none for a new thing */
  const keep = async (id: string, item: TypedItem, seen?: number): Promise<boolean> => {
    const sent = await send(toStores(id, "kept", { item }, seen));
    if (!sent) return false;
    if (sent.ok || sent.fault.name === "ChangedMeanwhile" || sent.fault.name === "NotNow") router.refresh();
    return sent.ok;
  };
  return { keep, sending, fault, clear };
}
