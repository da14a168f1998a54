import type { Profile } from "@/core/vessel/profile";
import { type DrawnLid } from "../figures/vessel-shell";
import { lidHeight } from "../figures/vessel-frame";

/** Px of a board's height, and of the width each jar has on a telephone. */
export const BOARD = 290;
const PLACE = 205;
const MOST = 12;

/** Pixels a centimetre for all that stand on one board: as large as the tallest and the widest of them allow. */
export function shelfScale(
  standing: readonly { readonly profile: Profile; readonly lid: DrawnLid }[],
): number {
  const tall = standing.map(({ profile, lid }) => {
    const brim = profile.at(-1)![0];
    return brim + lidHeight(lid, brim) + 1.4;
  });
  const wide = standing.map(({ profile }) => Math.max(...profile.map(([, d]) => d)) + 4.5);
  return Math.min(MOST, BOARD / Math.max(...tall), PLACE / Math.max(...wide));
}
