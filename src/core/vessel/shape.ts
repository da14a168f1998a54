import type { Profile } from "./profile";
import { solidOf } from "./profile";

/** Outlines a vessel can be thrown to; each is a list of (share of height, share of body width or of mouth). */
export type Figure = "straight" | "shouldered" | "bellied" | "necked" | "pot";

export interface Outline {
  readonly figure: Figure;
  /** mL to the brim. */
  readonly brimMl: number;
  /** Inner height, cm. */
  readonly heightCm: number;
  /** Inner diameter of the mouth, cm. */
  readonly mouthCm: number;
}

function points(o: Outline, body: number): Profile {
  const h = o.heightCm;
  const m = o.mouthCm;
  switch (o.figure) {
    case "straight":
      return [
        [0, m * 0.94],
        [Math.min(0.5, h * 0.05), m],
        [h, m],
      ];
    case "pot":
      return [
        [0, body * 0.96],
        [Math.min(1, h * 0.1), body],
        [h, body],
      ];
    case "shouldered":
      return [
        [0, body * 0.88],
        [h * 0.03, body * 0.97],
        [h * 0.07, body],
        [h * 0.74, body],
        [h * 0.8, body * 0.5 + m * 0.5 + (body - m) * 0.3],
        [h * 0.86, m],
        [h, m],
      ];
    case "bellied":
      return [
        [0, body * 0.7],
        [h * 0.12, body * 0.88],
        [h * 0.35, body],
        [h * 0.55, body],
        [h * 0.8, body * 0.5 + m * 0.5],
        [h * 0.9, m],
        [h, m],
      ];
    case "necked":
      return [
        [0, body * 0.9],
        [h * 0.04, body],
        [h * 0.6, body],
        [h * 0.68, body * 0.75 + m * 0.25],
        [h * 0.74, body * 0.35 + m * 0.65],
        [h * 0.78, m],
        [h, m],
      ];
  }
}

/** A profile of this outline that holds exactly `brimMl`: the body width is found by bisection (the mouth for straight ones). */
export function profileOf(o: Outline): Profile {
  let narrow = 0.5;
  let wide = 200;
  const at = (d: number): Profile =>
    o.figure === "straight" || o.figure === "pot" ? points({ ...o, mouthCm: d }, d) : points(o, d);
  for (let i = 0; i < 60; i++) {
    const mid = (narrow + wide) / 2;
    if (solidOf(at(mid)).brimMl < o.brimMl) narrow = mid;
    else wide = mid;
  }
  return at((narrow + wide) / 2);
}
