import type { Highs } from "highs";
import type { How, Programme, Solved, Solver } from "@/core/season/programme";

/** A programme in the arrays the solver takes: rows one after the other. */
function modelOf(p: Programme, whole: boolean) {
  const starts = new Int32Array(p.rows.length + 1);
  const entries = p.rows.reduce((n, r) => n + r.at.length, 0);
  const indices = new Int32Array(entries);
  const values = new Float64Array(entries);
  let at = 0;
  p.rows.forEach((r, i) => {
    indices.set(r.at, at);
    values.set(r.by, at);
    at += r.at.length;
    starts[i + 1] = at;
  });
  return {
    ...{ numCols: p.cost.length, numRows: p.rows.length, offset: p.offset },
    colCost: Float64Array.from(p.cost),
    colLower: Float64Array.from(p.lower),
    colUpper: Float64Array.from(p.upper),
    rowLower: Float64Array.from(p.rows, (r) => r.lower),
    rowUpper: Float64Array.from(p.rows, (r) => r.upper),
    matrix: {
      format: "csr" as const,
      numRows: p.rows.length,
      numCols: p.cost.length,
      starts,
      indices,
      values,
    },
    ...(whole ? { integrality: Int32Array.from(p.whole, Number) } : {}),
  };
}

const NOTHING: Solved = { x: undefined, value: Infinity, bound: -Infinity, prices: undefined };

/** The programme of a plan, solved by HiGHS. */
export const solverOf =
  (highs: Highs): Solver =>
  (p: Programme, { seconds, gap, relaxed = false, from }: How): Solved => {
    if (p.cost.length === 0) return { ...NOTHING, x: new Float64Array(), value: p.offset, bound: p.offset };
    return highs.withModel(modelOf(p, !relaxed), (model): Solved => {
      model.options.set({ output_flag: false, time_limit: seconds, mip_rel_gap: gap });
      if (from) model.setSolution({ indices: [...from.at], values: [...from.values] });
      model.run();
      const { optimal } = highs.constants.modelStatus;
      const is = model.getModelStatus();
      const value = model.getObjectiveValue();
      if (relaxed) {
        if (is !== optimal) return NOTHING;
        const { colValue, rowDual } = model.getSolution();
        return { x: colValue, value, bound: value, prices: rowDual };
      }
      const bound = Number(model.info.get("mip_dual_bound"));
      const has = Number(model.info.get("primal_solution_status")) === 2;
      return { x: has ? model.getSolution().colValue : undefined, value, bound, prices: undefined };
    });
  };
