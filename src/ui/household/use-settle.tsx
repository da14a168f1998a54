"use client";
import { useRouter } from "../kit/router";
import { useState } from "react";
import type { Settings } from "@/core/stores/settings";
import { useIntent } from "../kit/intent";
import { toHouse } from "../kit/writes";

/** Writes some of what the household says of itself, and shows it. */
export function useSettle() {
  const router = useRouter();
  const intent = useIntent();
  const [kept, setKept] = useState(false);
  const settle = async (settings: Partial<Settings>, was?: Partial<Settings>): Promise<boolean> => {
    setKept(false);
    const r = await intent.send(toHouse(settings, was));
    if (!r?.ok) return false;
    setKept(true);
    router.refresh();
    return true;
  };
  return { ...intent, settle, kept };
}

export const Kept = ({ kept }: { kept: boolean }) => (
  <span role="status" className="quiet min-h-7">
    {kept ? "Kept." : ""}
  </span>
);
