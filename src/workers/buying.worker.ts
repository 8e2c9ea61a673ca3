/** Worker entry for purchases: the solver is fetched when it is first asked. */
import { expose } from 'comlink';
import wasm from 'highs/runtime?url';
import { type Bought, type BuyingAsked, buy, type Solve } from '../core/buying/index.ts';
import type { JobResult } from './jobs.ts';

let solver: Promise<Solve> | undefined;

export interface BuyingJobs {
  buy(asked: BuyingAsked): Promise<JobResult<Bought>>;
}

async function fetched(): Promise<Solve> {
  if (typeof WebAssembly === 'undefined')
    throw new Error(
      'This browser has no WebAssembly, which the solver is made of. How many packs it takes stands under Packs.',
    );
  const { highsSolver } = await import('../core/buying/highs.ts');
  return highsSolver(wasm);
}

const jobs: BuyingJobs = {
  buy: async (asked) => {
    const begun = performance.now();
    try {
      solver ??= fetched();
      const value = buy(asked, await solver);
      return { state: 'done', value, ms: performance.now() - begun };
    } catch (error) {
      // A solver that could not be fetched is fetched again next time.
      solver = undefined;
      return { state: 'failed', code: 'buying', message: error instanceof Error ? error.message : String(error) };
    }
  },
};

expose(jobs);
