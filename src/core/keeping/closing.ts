import type { Vessel } from "../vessel/vessel";

/** How what is kept must be closed: what may work on keeps a way out for its gas. One answer, for all who speak of lids and offer bottles. */
export type Closing = "shut" | "loose";

/** @param vented whether the verdict asks for a way out */
export const closingOf = ({ vented }: { readonly vented: boolean }): Closing => (vented ? "loose" : "shut");

/** Held down by a spring: a clip-top or a swing-top, which is shut or off and never loose. */
export const isClamped = (v: Pick<Vessel, "lid" | "sort">): boolean =>
  v.lid === "glass" && (v.sort === "jar" || v.sort === "bottle");

export const canBeClosed = (v: Pick<Vessel, "lid" | "sort">, as: Closing): boolean =>
  as === "shut" || !isClamped(v);
