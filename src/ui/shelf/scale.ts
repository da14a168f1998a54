import type { Profile } from "@/core/vessel/profile";
import { type DrawnLid } from "../figures/vessel-shell";
import { lidHeight } from "../figures/vessel-frame";

/** Px of a board's height at the most, and of the width each jar has on a telephone. */
const BOARD = 290;
const PLACE = 205;
const MOST = 12;

/** How a board is drawn: pixels a centimetre, as large as the tallest and the widest of what stands there allow; and px of its height, no more than the tallest needs. */
export function boardOf(standing: readonly { readonly profile: Profile; readonly lid: DrawnLid }[]): {
  readonly scale: number;
  readonly height: number;
} {
  const tall = standing.map(({ profile, lid }) => {
    const brim = profile.at(-1)![0];
    return brim + lidHeight(lid, brim) + 1.4;
  });
  const wide = standing.map(({ profile }) => Math.max(...profile.map(([, d]) => d)) + 4.5);
  const scale = Math.min(MOST, BOARD / Math.max(...tall), PLACE / Math.max(...wide));
  return { scale, height: Math.ceil(Math.max(...tall) * scale) };
}
