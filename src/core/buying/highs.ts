/** HiGHS, compiled to WebAssembly, as a solver of purchases. */
import highs from 'highs';
import type { Solve } from './buy.ts';

/** Solved to the end: every goal is a whole number, but for ties of less than half, so that what is less than half off is none off. */
const OPTIONS = { mip_rel_gap: 0, mip_abs_gap: 0.5, output_flag: false } as const;

/** @param wasm where the compiled solver lies; beside its package where nothing is said */
export async function highsSolver(wasm?: string): Promise<Solve> {
  const solver = await highs(wasm === undefined ? {} : { locateFile: () => wasm });
  return (lp) => {
    const { Status, Columns } = solver.solve(lp, OPTIONS);
    if (Status !== 'Optimal') return undefined;
    return new Map(
      Object.entries(Columns).map(([name, column]) => [name, 'Primal' in column ? (column.Primal ?? 0) : 0]),
    );
  };
}
