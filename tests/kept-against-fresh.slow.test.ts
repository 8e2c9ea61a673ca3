/** What is kept from plan to plan changes nothing: after any walk of changes plan and look are, bit for bit, those of a new start. */
import { isDeepStrictEqual } from 'node:util';
import { expect, it } from 'vitest';
import { planWithFindings } from '../src/core/findings/plan-result.ts';
import { seededRandom } from '../src/core/numerics/random.ts';
import { look } from '../src/core/plan/look.ts';
import type { LookAsked } from '../src/core/plan/look-result.ts';
import { type PlanGraph, planGraph } from '../src/core/plan/stages/stage.ts';
import { STEPS, walk } from './helpers/walk.ts';

const SEEDS = [11, 23, 37, 41, 59, 67, 73, 89];
const STEPS_EACH = 250;

/** Plan and look, or the sentence where it can't be laid; anything else that is thrown is a mistake. */
function outcome(graph: PlanGraph, asked: LookAsked) {
  try {
    return { plan: planWithFindings(graph, asked.inputs), look: graph.ask(asked).of(look) };
  } catch (error) {
    if (error instanceof RangeError) return { refused: error.message };
    throw error;
  }
}

/** What a new start gives, remembered for states that undo and redo come back to. */
class Fresh {
  private recent: Array<{ readonly asked: LookAsked; readonly outcome: ReturnType<typeof outcome> }> = [];

  of(asked: LookAsked) {
    const known = this.recent.find((r) => isDeepStrictEqual(r.asked, asked));
    if (known) return known.outcome;
    const now = outcome(planGraph(), structuredClone(asked));
    this.recent = [{ asked, outcome: now }, ...this.recent.slice(0, STATES - 1)];
    return now;
  }
}
const STATES = 20;

const seen = new Map<string, number>();
let refused = 0;

it.each(SEEDS)('seed %i', (seed) => {
  const kept = planGraph();
  const fresh = new Fresh();
  let n = 0;
  for (const { asked, step } of walk(seededRandom(seed), STEPS_EACH)) {
    const now = outcome(kept, asked);
    if (!isDeepStrictEqual(now, fresh.of(asked)))
      expect.fail(`step ${n}, ${step}: what was kept is not what a new start gives`);
    seen.set(step, (seen.get(step) ?? 0) + 1);
    if ('refused' in now) refused++;
    n++;
  }
  expect(n).toBe(STEPS_EACH);
});

it('the walks went everywhere', () => {
  expect([...Object.keys(STEPS), 'undo', 'redo'].filter((s) => !seen.has(s))).toEqual([]);
  expect(refused).toBeLessThan(0.02 * SEEDS.length * STEPS_EACH);
});
