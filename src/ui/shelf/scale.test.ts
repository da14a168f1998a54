import { expect, test } from "@jest/globals";
import { VESSELS } from "@/core/vessel/catalogue";
import { boardOf } from "./scale";

test("whatever stands on one board stands at one scale, and has room there", () => {
  const all = [...VESSELS.values()].map((v) => ({ profile: v.solid.profile, lid: v.lid }));
  const by = (v: (typeof all)[number]) => v.profile.at(-1)![0];
  const sorted = [...all].sort((a, b) => by(a) - by(b));
  // The least of the house beside each of the others, up to the largest.
  for (const v of sorted) {
    const { scale: k, height } = boardOf([sorted[0]!, v]);
    const wide = Math.max(...v.profile.map(([, d]) => d));
    expect([by(v), by(v) * k <= height && height <= 291, wide * k <= 176, k > 0, k <= 12]).toEqual([
      by(v),
      true,
      true,
      true,
      true,
    ]);
  }
  expect(sorted.length).toBeGreaterThan(40);
  expect(by(sorted.at(-1)!) * boardOf(sorted).scale).toBeLessThanOrEqual(290);
});
