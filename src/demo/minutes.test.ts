/** One total: base, work list and tally of every example add up to the same minutes, at every pace. */
import { describe, expect, it } from 'vitest';
import { Planner } from '../../tests/helpers/planner.ts';
import { planInputs } from '../model/to-inputs.ts';
import { basePlans } from './bases.ts';
import { demoPlans } from './plans.ts';
import { routePlans } from './routes.ts';

const pipeline = new Planner();

describe('minutes of every example', () => {
  it.each([...demoPlans, ...basePlans, ...routePlans].map((p) => [p.name, p] as const))('%s', (_, plan) => {
    const totals = (['practised', 'some', 'firstTime'] as const).map((pace) => {
      const { base, worklist, time } = pipeline.plan({ ...planInputs(plan, 16), pace });
      const steps = [...base.work, ...worklist];
      for (const s of steps) expect(Number.isInteger(s.minutes)).toBe(true);
      expect(steps.reduce((sum, s) => sum + s.minutes, 0)).toBe(time.totalMinutes);
      expect(base.work.reduce((sum, s) => sum + s.minutes, 0)).toBe(base.minutes);
      expect(base.minutes).toBe(time.baseMinutes);
      const { baseMinutes, capMinutes, prepareMinutes, knotMinutes, finishMinutes } = time;
      expect(baseMinutes + capMinutes + prepareMinutes + knotMinutes + finishMinutes).toBe(time.totalMinutes);
      return time.totalMinutes;
    });
    // Her pace scales all of it.
    expect(Math.abs(totals[2] / totals[0] - 2)).toBeLessThan(0.03);
  });
});
