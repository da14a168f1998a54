import loadHighs from "highs";
import type { Solver } from "../../src/core/season/programme";
import { solverOf } from "../../src/workers/highs";

/** The solver as the page's worker has it, here in the test's own process. */
export const solver = async (): Promise<Solver> => solverOf(await loadHighs());
