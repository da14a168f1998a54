import type { Line } from "./plan";

/** The word by which a line says that its skin is off; it stands in the line's note. */
export const PEELED = "peeled";
export const isPeeled = (l: Pick<Line, "note">): boolean =>
  (l.note ?? "").split(",").some((x) => x.trim().toLowerCase() === PEELED);
