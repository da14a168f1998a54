"use client";
import { VesselFigure } from "../figures/vessel";

/** A vessel with its marks, by the household’s own ruler. */
export function JarDrawn(p: Omit<React.ComponentProps<typeof VesselFigure>, "measured" | "ruler">) {
  return <VesselFigure {...p} measured />;
}
