import type { Highs } from 'highs';
import type { Solve } from './program';

const MIP_FEASIBILITY = 1e-6;

/** Integer programs through HiGHS, which the caller has loaded from where it lies. Blocks until it is done. */
export function solveWith(highs: Highs): Solve {
  const { callbackType, variableType } = highs.constants;
  return ({ columns, rows }, { relativeGap, seconds, onProgress }) =>
    highs.withModel((model) => {
      const starts = new Int32Array(rows.length + 1);
      const size = rows.reduce((sum, { entries }) => sum + entries.length, 0);
      const indices = new Int32Array(size);
      const values = new Float64Array(size);
      let at = 0;
      for (const [index, { entries }] of rows.entries()) {
        starts[index] = at;
        for (const [column, coefficient] of entries) {
          indices[at] = column;
          values[at++] = coefficient;
        }
      }
      starts[rows.length] = at;
      model.options.set({
        output_flag: false,
        mip_rel_gap: relativeGap,
        time_limit: seconds,
        mip_feasibility_tolerance: MIP_FEASIBILITY,
      });
      model.passModel({
        numCols: columns.length,
        numRows: rows.length,
        colCost: columns.map(({ cost }) => cost),
        colLower: columns.map(({ lower }) => lower),
        colUpper: columns.map(({ upper }) => upper),
        rowLower: rows.map(({ lower }) => lower),
        rowUpper: rows.map(({ upper }) => upper),
        integrality: columns.map(({ integer }) => (integer ? variableType.integer : variableType.continuous)),
        matrix: { format: 'csr', numRows: rows.length, numCols: columns.length, starts, indices, values },
      });
      model.run(
        onProgress && {
          [callbackType.mipInterrupt](event) {
            const { mip_primal_bound: best = Infinity, mip_dual_bound: bound = -Infinity } = event.data;
            if (onProgress(best, bound)) event.interrupt();
            return undefined;
          },
        },
      );
      const objective = model.getObjectiveValue();
      const feasible = model.info.get('primal_solution_status') === highs.constants.solutionStatus.feasible;
      const ranOut = model.getModelStatus() === highs.constants.modelStatus.timeLimit;
      if (!feasible) return { values: undefined, objective: Infinity, gap: Infinity, ranOut };
      return { values: [...model.getSolution().colValue], objective, gap: Number(model.info.get('mip_gap')), ranOut };
    });
}
