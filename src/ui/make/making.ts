import type { useMaking } from "./use-making";

/** What a making may write. */
export type Making = ReturnType<typeof useMaking>;
