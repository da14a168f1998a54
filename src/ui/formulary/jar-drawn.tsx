"use client";
import { VesselFigure } from "../figures/vessel";
import { useUnits } from "../kit/units";

/** A vessel with its marks, by the household’s own ruler. */
export function JarDrawn(p: Omit<React.ComponentProps<typeof VesselFigure>, "measured" | "ruler">) {
  const { lengths } = useUnits();
  return <VesselFigure {...p} measured ruler={lengths} />;
}
