"use client";
import { useRouter } from "next/navigation";
import { useIntent } from "../kit/intent";
import type { StoreItem } from "@/core/stores/item";

/** A lot as it is typed has no grams yet: the store reckons them. */
export type Typed = StoreItem extends infer I ? (I extends { what: "lot" } ? Omit<I, "grams"> : I) : never;

/** Keeps a thing in the stores, new or stated anew. */
export function useKeep() {
  const router = useRouter();
  const { send, sending, fault, clear } = useIntent();
  const write = async (body: Record<string, unknown>): Promise<boolean> => {
    const sent = await send("/api/stores", body);
    if (!sent) return false;
    if (sent.ok || sent.fault.name === "ChangedMeanwhile" || sent.fault.name === "NotNow") router.refresh();
    return sent.ok;
  };
  return {
    /** @param seen the version it was shown in; none for a new thing */
    keep: (id: string, item: Typed, seen?: number) =>
      write({ id, type: "kept", body: { item }, ...(seen === undefined ? {} : { seen }) }),
    sending,
    fault,
    clear,
  };
}
