"use client";
import { useSyncExternalStore } from "react";
import type { OutboxState } from "@/outbox/outbox";
import { keptNothing, keptNow, listenToKept } from "./device";

/** What this device keeps and has sent, as it is now. */
export const useKept = (): OutboxState => useSyncExternalStore(listenToKept, keptNow, keptNothing);
