/** Strips filled by a seeded hand, photographed turned, dim and creased, and read back: no wrong tick, and little that is asked. */
import { share } from "../../tests/share";
import { describe, expect, test } from "@jest/globals";
import type { StripWords } from "../core/label/strip";
import { type OnStrip, readStrip } from "../core/label/read-strip";
import { photographed, seeded, type Trouble } from "./strip-photo";
import { findCode } from "../ui/kit/find-code";
import { onStrip, stripSet } from "./strip-file";

const words = (weeks: number, brimCm: number): StripWords => ({
  code: "OX-26-03",
  name: "Hyssop & fennel oxymel",
  begun: "10 Nov 2026",
  strain: ["strain from 15 December", "by 5 January 2027"],
  care: "shake, weekly",
  ticks: "shake",
  weeks,
  brimCm,
  marks: [0.22, 0.5, 0.86].map((s, i) => ({
    cm: s * brimCm,
    figure: `${(s * brimCm).toFixed(1)} cm`,
    words: ["herbs", "vinegar", "honey"][i]!,
  })),
  scan: "OX-26-03",
});

const troubleOf = (seed: number): Trouble => {
  const r = seeded(seed * 7919 + 1);
  return {
    turn: (r() - 0.5) * (seed % 3 === 0 ? 2 * Math.PI : 0.7),
    tilt: [0.5 * (r() - 0.5), 0.5 * (r() - 0.5)],
    dim: 0.45 + 0.5 * r(),
    creases: Math.floor(r() * 3),
    blur: 1.4 * r(),
    noise: 0.06 * r(),
  };
};

interface Score {
  wrong: number;
  asked: number;
  right: number;
  unread: number;
}
/** Reads one picture, and counts what was right, wrong and asked. */
async function one(seed: number, score: Score): Promise<void> {
  const layout = stripSet(words(3 + (seed % 8), 9 + (seed % 5) * 2));
  const on: OnStrip = onStrip(layout)!;
  const p = await photographed(layout, seed, troubleOf(seed), 6 + (seed % 4));
  const code = findCode(p);
  if (code?.text !== "OX-26-03") return void score.unread++;
  const read = readStrip(p, code.corners, on);
  p.ticked.forEach((t, i) => {
    if (read[i] === "unsure") score.asked++;
    else if ((read[i] === "ticked") === t) score.right++;
    else score.wrong++;
  });
}

const PICTURES = share(24);

describe("a filled strip, photographed", () => {
  test(`${PICTURES} pictures are read back without a wrong tick, and nearly all without a question`, async () => {
    const score: Score = { wrong: 0, asked: 0, right: 0, unread: 0 };
    for (let seed = 1; seed <= PICTURES; seed++) await one(seed, score);
    expect(score.wrong).toBe(0);
    expect(score.unread).toBeLessThanOrEqual(1);
    expect(score.right).toBeGreaterThan(5 * PICTURES);
    expect(score.asked).toBeLessThan(0.08 * (score.right + score.asked));
  }, 120_000);
});
