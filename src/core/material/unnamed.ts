import type { PlantClass } from "./classes";
import type { PlantRow } from "./rows";

/**
 * What stands in for plants nobody named, of what stood already when it was written down: a root, so that it is judged as what keeps worst, and known
 * for what it is.
 */
export const UNNAMED: PlantRow & { class: PlantClass } = {
  id: "own-unnamed",
  names: ["herbs nobody named"],
  class: "root",
  source: "own",
};
