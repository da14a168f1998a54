import type { Resolved } from "@/core/reckoning/program";
import type { Fit } from "@/core/vessel/fit";
import { substanceOf } from "./substance";
import type { DrawnLayer, DrawnMark } from "./vessel";

/** What stands in a vessel as it is filled, from the base up. @param stuffs what goes in at once, in order */
export const layersOf = (fit: Fit, stuffs: readonly Resolved[], brimCm: number): DrawnLayer[] =>
  fit.layers.flatMap((l) => {
    const of = stuffs[l.of];
    return of ? [{ fromCm: l.fromCm, toCm: Math.min(l.toCm, brimCm), substance: substanceOf(of.stuff) }] : [];
  });

/** One mark for all the herb, at its top; one for every liquid. */
export function marksOf(fit: Fit, stuffs: readonly Resolved[]): DrawnMark[] {
  const herbs = fit.marks.filter((m) => m.sort === "herb");
  const top = herbs.at(-1);
  const liquids = fit.marks
    .filter((m) => m.sort === "liquid")
    .map((m) => ({
      cm: m.cm,
      words: `${stuffs[m.of]?.stuff.name.split(" ").at(-1) ?? ""} to here`,
      hidden: m.hidden,
    }));
  return top
    ? [{ cm: top.cm, words: herbs.length > 1 ? "herbs, pressed" : "herb, pressed" }, ...liquids]
    : liquids;
}
