"use client";
import { useRouter } from "./router";
import { createContext, useContext, useMemo } from "react";
import { useIntent } from "./intent";
import { toHouse } from "./writes";

const Knows = createContext<ReadonlySet<string>>(new Set());

/** What this house has learned of the notes that hold for many a remedy, by the ids of their rules. */
export function KnowsProvider({ knows, children }: { knows: readonly string[]; children: React.ReactNode }) {
  const known = useMemo(() => new Set(knows), [knows]);
  return <Knows.Provider value={known}>{children}</Knows.Provider>;
}

/** What is known, and the way to learn more of it or to be told again. */
export function useKnows() {
  const router = useRouter();
  const knows = useContext(Knows);
  const { send, sending, fault } = useIntent();
  const say = async (ids: readonly string[]): Promise<void> => {
    const sent = await send(toHouse({ knows: [...new Set(ids)] }, { knows: [...knows] }));
    if (sent?.ok) router.refresh();
  };
  return {
    knows,
    sending,
    fault,
    learn: (ids: readonly string[]) => say([...knows, ...ids]),
    forget: () => say([]),
  };
}
